import type { Picture } from '@brachytone/core';

/** What a picture is like, as far as it decides which treatments suit it. */
export type PictureKind = 'colour' | 'grey' | 'line';

/** What was seen of a picture. */
export interface PictureLook {
  readonly kind: PictureKind;
  /** True for one of few pixels: fine rulings would show nothing of it. */
  readonly isSmall: boolean;
}

/** Chroma, as the difference of a pixel's largest and smallest channel in 255ths, from which it counts as coloured. */
const COLOURED = 28;
/** Share of coloured pixels from which a picture does. */
const COLOURFUL = 0.06;
/** Hues are counted in so many parts of the circle. One that has nearly all its colours in three parts side by side is a toned grey. */
const PARTS = 24;
const TONED = 0.9;
/** How far from black or white a pixel of line art lies at most, and the share of pixels that must lie so. */
const NEAR = 26;
const ALL_NEAR = 0.9;
/** Pixels of the longer side under which a picture is small. */
const SMALL = 900;

/**
 * What a picture is like. Line art: nine pixels of ten are nearly black or white, or clear. Colourful: at least 6 % of its pixels are far from grey, and not all of
 * one hue, as those of a yellowed print are.
 *
 * @param seen a small level of it, 8 or 16 bits
 * @param longer side of the whole picture, pixels
 */
export function lookOf({ width, height, channels, data }: Picture, longer: number): PictureLook {
  const scale = data instanceof Uint16Array ? 1 / 257 : 1;
  const colours = Math.min(3, channels - (channels % 2 === 0 ? 1 : 0));
  const hues = new Array<number>(PARTS).fill(0);
  let [coloured, near] = [0, 0];
  for (let i = 0; i < data.length; i += channels) {
    if (colours < channels && data[i + channels - 1] * scale < NEAR) {
      near++;
      continue;
    }
    let [least, most] = [255, 0];
    for (let c = 0; c < colours; c++) {
      const value = data[i + c] * scale;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    if (most - least >= COLOURED) {
      coloured++;
      hues[huePart(data[i] * scale, data[i + 1] * scale, data[i + 2] * scale)]++;
    }
    if (most <= NEAR || least >= 255 - NEAR) near++;
  }
  const count = width * height;
  const isColourful = coloured / count >= COLOURFUL && widest(hues) < TONED * coloured;
  const kind = near / count >= ALL_NEAR ? 'line' : isColourful ? 'colour' : 'grey';
  return { kind, isSmall: longer < SMALL };
}

/** The part of the circle of hues that a colour lies in. */
function huePart(red: number, green: number, blue: number): number {
  const hue = Math.atan2(Math.sqrt(3) * (green - blue), 2 * red - green - blue) / (2 * Math.PI);
  return Math.floor((hue < 0 ? hue + 1 : hue) * PARTS) % PARTS;
}

/** The most that three parts side by side hold together. */
const widest = (parts: readonly number[]): number =>
  Math.max(...parts.map((one, i) => one + parts[(i + 1) % PARTS] + parts[(i + 2) % PARTS]));

/** Ids of what needs many pixels. */
const FINE = new Set(['process-fine', 'four-inks', 'newspaper']);

/**
 * Treatments for a picture, those that suit it first: for each of these its own kind stands at the head of what it suits, or further behind. Fine rulings come last for a small picture.
 * Within that the order stays.
 */
export function bySuit<T extends { readonly id: string; readonly suits: readonly PictureKind[] }>(
  treatments: readonly T[],
  { kind, isSmall }: PictureLook,
): T[] {
  const rank = ({ id, suits }: T): number => {
    const suit = suits.includes(kind) ? (kind === 'line' && suits.length === 1 ? -1 : 0) : 2;
    return suit + (isSmall && FINE.has(id) ? 1 : 0);
  };
  return [...treatments].sort((a, b) => rank(a) - rank(b));
}
