import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { SHIPPED_TYPEFACES } from '@brachytone/job';
import { TYPEFACES_FOLDER } from '../paths.ts';
import { FilesService } from './files.service.ts';

/** Puts the typefaces that ship with the program among the files brought in, so that lettering names all alike. */
@Injectable()
export class TypefacesService {
  constructor(@Inject(FilesService) private readonly originals: FilesService) {}

  async load(): Promise<void> {
    for (const { file, sha256 } of SHIPPED_TYPEFACES) {
      const added = await this.originals.add(await readFile(join(TYPEFACES_FOLDER, file)));
      if (added.sha256 !== sha256) throw new Error(`The typeface ${file} is not the one that ships.`);
    }
  }
}
