import { createBits, cropBits, enlargeBits, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { recentBytes } from '../recent.ts';
import type { Carrying } from '../screen/kinds/kind.ts';
import { coarseRegion } from '../screen/screened.ts';
import { screenerFor, screenGridOf } from '../screen/screen.ts';
import type { Frame } from '../raster/frame.ts';
import { artKey, thingsOf } from './plate-art.ts';
import type { Scene } from './scene.ts';

/** A plate whose screen carries something on, as far as it is made. */
interface Progress {
  readonly bits: Bits;
  readonly carrying: Carrying;
  /** Rows that are made. */
  rows: number;
}

/** Pixels made at once. */
const BAND_PIXELS = 1 << 19;
/** Rows that a quick first picture begins above what it shows. */
const RUN_IN = 48;

const recentProgress = recentBytes<Progress>(96 << 20, ({ bits }) => bits.data.byteLength + 4096);

/** The same only for the same plate made of the same things. */
const keyOf = (scene: Scene, plate: number, frame: Frame): string =>
  JSON.stringify([artKey(scene.recipe, plate), scene.recipe.plates[plate].screen, frame, thingsOf(scene)]);

type Read = (frame: Frame, region: Region) => Plane;

function progressOf(scene: Scene, plate: number, frame: Frame): Progress {
  return recentProgress(keyOf(scene, plate, frame), () => {
    const screener = screenerFor(scene.recipe.plates[plate].screen, frame);
    if (!screener.carries) throw new TypeError('This screen carries nothing on.');
    const { width, height } = frame;
    return { bits: createBits(width, height), carrying: screener.start(width, height), rows: 0 };
  });
}

/** The row that a plate has to be made to for a row of it to be right. */
const needed = ({ carrying }: Progress, frame: Frame, row: number): number =>
  carrying.finish ? frame.height : Math.min(frame.height, row);

/** Makes a plate on to a row. */
function advance(progress: Progress, frame: Frame, end: number, read: Read): void {
  const { bits, carrying } = progress;
  const { width, height } = frame;
  const step = Math.max(8, Math.floor(BAND_PIXELS / width));
  while (progress.rows < end) {
    const y = progress.rows;
    const rows = Math.min(step, height - y);
    const made = carrying.rows(read(frame, { x: 0, y, width, height: rows }));
    bits.data.set(made.data, y * bits.stride);
    progress.rows += rows;
    if (progress.rows === height) carrying.finish?.(bits);
  }
}

/**
 * A region of a plate whose screen carries something on from row to row: it is made from the top down, once, and kept. On a
 * draft's grid that is as fine as the film's it is begun only a little above the region, for a first look.
 *
 * @param read coverage of any region of any grid
 */
export function carriedBits(scene: Scene, plate: number, frame: Frame, region: Region, read: Read): Bits {
  const { screen } = scene.recipe.plates[plate];
  const grid = screenGridOf(screen, frame);
  const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
  const full = frame.draft === true && frame.resolution === scene.recipe.sheet.resolution;
  const made = full
    ? glimpse(scene, plate, grid.frame, part, read)
    : kept(scene, plate, grid.frame, part, read);
  return grid.times === 1 ? made : enlargeBits(made, part.x, part.y, grid.times, region);
}

function kept(scene: Scene, plate: number, frame: Frame, part: Region, read: Read): Bits {
  const progress = progressOf(scene, plate, frame);
  advance(progress, frame, needed(progress, frame, part.y + part.height), read);
  return cropBits(progress.bits, part);
}

function glimpse(scene: Scene, plate: number, frame: Frame, part: Region, read: Read): Bits {
  const screener = screenerFor(scene.recipe.plates[plate].screen, frame);
  if (!screener.carries) throw new TypeError('This screen carries nothing on.');
  const top = Math.max(0, part.y - RUN_IN);
  const height = part.y + part.height - top;
  const carrying = screener.start(part.width, height);
  const bits = carrying.rows(read(frame, { x: part.x, y: top, width: part.width, height }));
  carrying.finish?.(bits);
  return cropBits(bits, { x: 0, y: part.y - top, width: part.width, height: part.height });
}

/**
 * Makes such a plate a little further on its grid of film pixels, so that long work can be left in between.
 *
 * @param row of the film that is wanted
 * @param pixels made at most, about
 * @returns true when it has come as far as wanted
 */
export function prepareCarried(
  scene: Scene,
  plate: number,
  frame: Frame,
  row: number,
  pixels: number,
  read: Read,
): boolean {
  const grid = screenGridOf(scene.recipe.plates[plate].screen, frame);
  const progress = progressOf(scene, plate, grid.frame);
  const wanted = needed(progress, grid.frame, Math.ceil(row / grid.times));
  const to = progress.rows + Math.max(8, Math.floor(pixels / grid.frame.width));
  advance(progress, grid.frame, Math.min(wanted, to), read);
  return progress.rows >= wanted;
}
