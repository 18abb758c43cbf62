import { deflate } from 'pako';
import { askedShare } from '../plate/asked-share.ts';
import { isSequential } from '../plate/evaluate.ts';
import type { Scene } from '../recipe/scene.ts';
import { filmBits } from './film-bits.ts';
import { filmLayout } from './film-layout.ts';
import { NO_WORDS } from './film-words.ts';
import { encodeGroup4 } from './group4.ts';

/** Where rows are made to tell how well all of them pack, as shares of the film's height. */
const PLACES = [0.1, 0.3, 0.5, 0.7, 0.9];
/** A plate that is made from its top down is looked at near its top. */
const UPPER = [0.02, 0.08];
/** Rows made at each. */
const ROWS = 48;

/** What films will be, told before they are made. */
export interface FilmForecast {
  /** Bytes of all their files, about. */
  readonly bytes: number;
  /** Ink on all films, mm². */
  readonly ink: number;
}

/**
 * How large files of the films' own bits will be, by a few rows of each that are really packed, and how much ink is on them, by their tones.
 *
 * @param packing of the files' bits
 */
export function filmForecast(
  scene: Scene,
  plates: readonly number[],
  packing: 'group4' | 'deflate',
): FilmForecast {
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  const { sheet } = scene.recipe;
  const area = (sheet.width + 2 * sheet.bleed) * (sheet.height + 2 * sheet.bleed);
  const rows = Math.min(ROWS, height);
  let [bytes, ink] = [0, 0];
  for (const plate of plates) {
    const places = isSequential(scene.recipe.plates[plate].screen) ? UPPER : PLACES;
    let packed = 0;
    for (const place of places) {
      const y = Math.floor(place * (height - rows));
      const bits = filmBits(scene, plate, layout, { x: 0, y, width, height: rows }, NO_WORDS);
      packed += packing === 'group4' ? encodeGroup4(bits).length : deflate(bits.data, { level: 6 }).length;
    }
    bytes += (packed / (places.length * rows)) * height;
    ink += askedShare(scene, plate) * area;
  }
  return { bytes, ink };
}
