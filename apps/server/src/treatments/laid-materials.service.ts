import type { Typeface } from '@brachytone/core';
import {
  filesOf,
  isFileOfTreatment,
  type JobDocument,
  type LaidWith,
  type TreatedPicture,
} from '@brachytone/job';
import { readTypeface } from '@brachytone/typeface';
import { Inject, Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { FilesService } from '../files/files.service.ts';
import { SmallPictures } from './small-pictures.service.ts';

/** What is known of files when a job is given another picture, other words or another look. */
@Injectable()
export class LaidMaterials {
  private readonly typefaces = new LRUCache<string, Typeface>({ max: 12 });

  constructor(
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(SmallPictures) private readonly small: SmallPictures,
  ) {}

  /**
   * Of everything that documents name, as far as it is here.
   *
   * @param more     pictures besides, by SHA-256
   * @param withEnds false where tones of pictures are not asked for, which have to be looked at
   */
  async of(
    documents: readonly JobDocument[],
    more: readonly string[] = [],
    withEnds = true,
  ): Promise<LaidWith> {
    const uses = documents
      .flatMap(({ recipe }) => filesOf(recipe))
      .filter(({ sha256 }) => isFileOfTreatment(sha256));
    const known = await this.files.named([
      ...uses,
      ...more.map((sha256) => ({ sha256, kind: 'picture' as const })),
    ]);
    const pictures = new Map<string, TreatedPicture>();
    const typefaces = new Map<string, Typeface>();
    for (const one of known) {
      const { sha256, width, height, kind } = one;
      if (kind === 'picture')
        pictures.set(sha256, {
          width,
          height,
          ...(withEnds ? { ends: (await this.small.seen(one)).ends } : {}),
        });
      else if (kind === 'font') typefaces.set(sha256, await this.typeface(sha256));
    }
    const profiles = new Set(known.filter(({ kind }) => kind === 'profile').map(({ sha256 }) => sha256));
    return { pictures, typefaces, hasProfile: (sha256) => profiles.has(sha256) };
  }

  private async typeface(sha256: string): Promise<Typeface> {
    let face = this.typefaces.get(sha256);
    if (!face) this.typefaces.set(sha256, (face = readTypeface(await this.files.font(sha256))));
    return face;
  }
}
