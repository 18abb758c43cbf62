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

/** A one-bit film file being written strip by strip, top to bottom. */
export interface FilmFile {
  /** Rows of every strip but the last. */
  readonly rowsPerStrip: number;
  strip(bits: Bits): void;
  finish(): void;
}

/** Rows for strips of about half a megabyte of bits. */
export const stripRows = (facts: FilmFacts): number =>
  Math.min(facts.height, Math.max(16, Math.floor((1 << 22) / facts.width)));
