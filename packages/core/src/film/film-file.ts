import type { Bits } from '../raster/bits.ts';

/** What a film file says of itself. */
export interface FilmFacts {
  /** Size in device pixels. */
  readonly width: number;
  readonly height: number;
  /** Device pixels per inch. */
  readonly resolution: number;
  /** A line of text kept in the file. */
  readonly description: string;
}

/** A one-bit film file being written strip by strip, those of `filmStrips`, top to bottom. */
export interface FilmFile {
  strip(bits: Bits): void;
  /** Takes a strip that was packed apart; missing where the file's packing has to go on from strip to strip. */
  packed?(bytes: Uint8Array): void;
  finish(): void;
}

/** Rows for strips of about half a megabyte of bits. */
export const stripRows = ({ width, height }: Pick<FilmFacts, 'width' | 'height'>): number =>
  Math.min(height, Math.max(16, Math.floor((1 << 22) / width)));
