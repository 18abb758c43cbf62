import { PROOF_TILE } from '@brachytone/job';
import { Inject, Injectable } from '@nestjs/common';
import type { Recipe } from '@brachytone/core';
import { notFound } from '../http/problem.ts';
import { ProofsService, type ProofPart } from '../jobs/proofs.service.ts';
import { trimmed } from './proof-links.service.ts';

/** As it will be printed, or the originals before there were dots. */
export type Look = 'print' | 'before';

export interface Tile {
  readonly level: number;
  readonly x: number;
  readonly y: number;
  readonly look: Look;
}

/** Parts of proofs, made when they are looked at. */
@Injectable()
export class ProofTilesService {
  constructor(@Inject(ProofsService) private readonly proofs: ProofsService) {}

  /** The whole sheet; its longer side has `longer` pixels. */
  async whole(recipe: Recipe, longer: number, look: Look, gone: AbortSignal): Promise<Uint8Array> {
    if (look === 'print') return this.proofs.picture(recipe, longer, gone);
    const { left, width, height } = trimmed(recipe);
    const scale = longer / Math.max(width, height);
    return this.proofs.part(recipe, { x: left, y: left, width, height, scale, look }, gone);
  }

  async tile(recipe: Recipe, { level, x, y, look }: Tile, gone: AbortSignal): Promise<Uint8Array> {
    const { left, width, height } = trimmed(recipe);
    const across = PROOF_TILE * 2 ** level;
    if (x * across >= width || y * across >= height) throw notFound('tile of this place');
    const part: ProofPart = {
      x: left + x * across,
      y: left + y * across,
      width: Math.min(across, width - x * across),
      height: Math.min(across, height - y * across),
      scale: 2 ** -level,
      look,
    };
    return this.proofs.part(recipe, part, gone);
  }
}
