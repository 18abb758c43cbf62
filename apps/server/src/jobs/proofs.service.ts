import { createHash } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { OriginalsService } from '../originals/originals.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { WorkService } from '../work/work.service.ts';
import { JobsService } from './jobs.service.ts';

/** Pictures of jobs: made once for every state and size, then kept as files that can always be made again. */
@Injectable()
export class ProofsService {
  private readonly making = new Map<string, Promise<Uint8Array>>();

  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(OriginalsService) private readonly originals: OriginalsService,
    @Inject(WorkService) private readonly work: WorkService,
  ) {}

  /** PNG of the job's exact proof, `longer` pixels on its longer side. */
  async proof(id: string, longer: number): Promise<Uint8Array> {
    const { recipe } = (await this.jobs.get(id)).document;
    const key = createHash('sha256')
      .update(JSON.stringify([recipe, longer]))
      .digest('hex');
    const folder = join(this.settings.dataFolder, 'proofs');
    const file = join(folder, `${key}.png`);
    const kept = await readFile(file).catch(() => undefined);
    if (kept) return kept;
    let making = this.making.get(key);
    if (!making) {
      making = (async () => {
        const materials = await this.originals.materials(recipe);
        const png = await this.work.run('proof', { recipe, materials, longer });
        await mkdir(folder, { recursive: true });
        // Written aside first: a file under its final name is always whole.
        await writeFile(`${file}.part`, png);
        await rename(`${file}.part`, file);
        return png;
      })().finally(() => this.making.delete(key));
      this.making.set(key, making);
    }
    return making;
  }
}
