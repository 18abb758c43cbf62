import { platesSvg } from './svg.ts';
import { PLACES, squareOf } from './squares.ts';
import type { Scene } from '../recipe/scene.ts';
import type { VectorOptions } from '../vector/plate-group.ts';

/** Side of the squares that are drawn to tell the size of all, mm. */
const SQUARE = 16;
export interface VectorSize {
  /** Bytes of the files, all together. */
  readonly bytes: number;
  /** What making them takes on this machine. */
  readonly seconds: number;
}

/**
 * How large files of geometry will be and how long they take, told by a few squares of the sheet that are really drawn.
 *
 * @param now milliseconds
 */
export function vectorSize(
  scene: Scene,
  plates: readonly number[],
  options: VectorOptions,
  now: () => number,
): VectorSize {
  const { sheet } = scene.recipe;
  const [width, height] = [sheet.width + 2 * sheet.bleed, sheet.height + 2 * sheet.bleed];
  const side = Math.min(SQUARE, width / 2, height / 2);
  const drawn = (x: number, y: number, size: number): number => {
    const recipe = squareOf(scene.recipe, x - sheet.bleed, y - sheet.bleed, size);
    return plates.reduce(
      (sum, plate) => sum + platesSvg({ ...scene, recipe }, [plate], '', options).text.length,
      0,
    );
  };
  // What is cut at the sides takes room of its own: a square's quarters have twice as much of them as the square.
  let [whole, quarters, seconds] = [0, 0, 0];
  for (const [across, down] of PLACES) {
    const [x, y] = [across * (width - side), down * (height - side)];
    const start = now();
    whole += drawn(x, y, side);
    seconds += (now() - start) / 1000;
    for (const [i, j] of QUARTERS) quarters += drawn(x + (i * side) / 2, y + (j * side) / 2, side / 2);
  }
  const squares = (width * height) / (PLACES.length * side * side);
  const sides = (2 * (width + height)) / (PLACES.length * 4 * side);
  const inside = Math.max(0, 2 * whole - quarters);
  return { bytes: inside * squares + (whole - inside) * sides, seconds: seconds * squares };
}

const QUARTERS: readonly (readonly [number, number])[] = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
];
