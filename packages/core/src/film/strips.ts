import type { Bits } from '../raster/bits.ts';
import { bands, type Region } from '../raster/region.ts';
import { stripRows, type FilmFacts } from './film-file.ts';
import { packRows, type PackedRows } from './group4.ts';

/** How strips of a film are packed apart, so that several threads make one film. */
export interface StripPacking {
  /** True where a strip is packed by the row above it. */
  readonly seesAbove: boolean;
  /** @param above bits of that row; undefined at the film's top, and where it is not looked at */
  readonly pack: (bits: Bits, above: Uint8Array | undefined) => PackedRows;
}

/** Strips that are packed as a picture of their own each, of whole bytes. */
export const stripsAlone = (pack: (bits: Bits) => Uint8Array): StripPacking => ({
  seesAbove: false,
  pack: (bits) => ({ bytes: pack(bits), rest: 0 }),
});

/** Strips of one Group 4 picture. */
export const STRIPS_OF_ONE: StripPacking = { seesAbove: true, pack: packRows };

/** Strips of a film of such a size, from its top down. */
export const filmStrips = ({ width, height }: Pick<FilmFacts, 'width' | 'height'>): Region[] => [
  ...bands({ x: 0, y: 0, width, height }, 1, stripRows({ width, height })),
];
