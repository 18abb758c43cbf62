import { deflate } from 'pako';
import { askedShare } from '../plate/asked-share.ts';
import { plateBits } from '../plate/evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { withoutMarks } from '../recipe/marks.ts';
import type { Scene } from '../recipe/scene.ts';
import { encodeGroup4 } from './group4.ts';
import { PLACES, squareOf } from './squares.ts';

/** Side of the squares that are made to tell how well all of a film packs, mm. */
const SQUARE = 20;

/** What films will be, told before they are made. */
export interface FilmForecast {
  /** Bytes of all their files, about. */
  readonly bytes: number;
  /** Ink on all films, mm². */
  readonly ink: number;
}

/**
 * How large files of the films' own bits will be, by a few squares of each that are really packed, and how much ink is on them, by their tones.
 *
 * @param packing of the files' bits
 */
export function filmForecast(
  scene: Scene,
  plates: readonly number[],
  packing: 'group4' | 'deflate',
): FilmForecast {
  const plain = withoutMarks(scene.recipe);
  const { sheet } = plain;
  const [width, height] = [sheet.width + 2 * sheet.bleed, sheet.height + 2 * sheet.bleed];
  const side = Math.min(SQUARE, width / 2, height / 2);
  const squares = PLACES.map(([across, down]) =>
    squareOf(plain, across * (width - side) - sheet.bleed, down * (height - side) - sheet.bleed, side),
  );
  let [bytes, ink] = [0, 0];
  for (const plate of plates) {
    let packed = 0;
    for (const recipe of squares) {
      const frame = filmFrame(recipe);
      const region = { x: 0, y: 0, width: frame.width, height: frame.height };
      const bits = plateBits({ ...scene, recipe }, plate, frame, region);
      packed += packing === 'group4' ? encodeGroup4(bits).length : deflate(bits.data, { level: 6 }).length;
    }
    bytes += (packed * width * height) / (squares.length * side * side);
    ink += askedShare(scene, plate) * width * height;
  }
  return { bytes, ink };
}
