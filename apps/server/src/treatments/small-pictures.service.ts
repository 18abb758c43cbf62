import { buildPyramid, pictureEnds, type Picture, type Pyramid } from '@brachytone/core';
import { lookOf, type OriginalView, type PictureLook } from '@brachytone/job';
import { Inject, Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { FilesService } from '../files/files.service.ts';

/** What was seen of a picture. */
export interface Seen {
  readonly look: PictureLook;
  /** Tones between which nearly all of it lies, percent. */
  readonly ends: { readonly bare: number; readonly solid: number };
}

/** Small levels that are at hand at once. */
const PYRAMIDS = 8;

/** Pictures' small levels: what a first look is made from, long before a whole picture is read. */
@Injectable()
export class SmallPictures {
  private readonly pyramidsKept = new LRUCache<string, Promise<Pyramid>>({ max: PYRAMIDS, ttl: 120_000 });
  private readonly seenKept = new LRUCache<string, Seen>({ max: 500 });

  constructor(@Inject(FilesService) private readonly files: FilesService) {}

  /** What a picture is like. */
  async seen(original: OriginalView): Promise<Seen> {
    const { sha256, width, height, smallLevel } = original;
    let seen = this.seenKept.get(sha256);
    if (!seen) {
      const small = (await this.pyramid(original)).levels[smallLevel] as Picture;
      seen = { look: lookOf(small, Math.max(width, height)), ends: pictureEnds(small) };
      this.seenKept.set(sha256, seen);
    }
    return seen;
  }

  /** Pyramids of pictures that begin at their small level, by SHA-256. */
  async pyramids(names: readonly string[]): Promise<Record<string, Pyramid>> {
    const out: Record<string, Pyramid> = {};
    for (const sha256 of names) out[sha256] = await this.pyramid(await this.files.get(sha256));
    return out;
  }

  private pyramid(original: OriginalView): Promise<Pyramid> {
    const { sha256 } = original;
    let made = this.pyramidsKept.get(sha256);
    if (!made) {
      made = this.make(original);
      this.pyramidsKept.set(sha256, made);
      made.catch(() => this.pyramidsKept.delete(sha256));
    }
    return made;
  }

  private async make({ sha256, width, height, smallLevel }: OriginalView): Promise<Pyramid> {
    const shared = (bytes: number) => new SharedArrayBuffer(bytes);
    const small = await this.files.level(sha256, smallLevel);
    const data =
      small.data instanceof Uint16Array
        ? new Uint16Array(shared(small.data.byteLength))
        : new Uint8Array(shared(small.data.byteLength));
    data.set(small.data);
    const { levels } = buildPyramid({ ...small, data }, shared);
    const missing = new Array<undefined>(smallLevel).fill(undefined);
    return { width, height, levels: [...missing, ...levels] };
  }
}
