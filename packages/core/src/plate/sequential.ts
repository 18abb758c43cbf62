import { cache } from '../base/cache.ts';
import { createBits, cropBits, enlargeBits, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { grownRegion, intersect, type Region } from '../raster/region.ts';
import { withWorkPlane } from '../raster/work-memory.ts';
import type { Scene } from '../recipe/scene.ts';
import type { SequentialRun } from '../screen/kinds/kind.ts';
import { coarseRegion, type CoverageReader } from '../screen/screened.ts';
import { screenerFor, screenGridOf } from '../screen/screen.ts';
import { grownSpots } from '../screen/spot-growth.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { artKey } from './plate-art.ts';
import { filmTransfer } from './plate-transfer.ts';

/** A plate whose screen is sequential, as far as it is made. */
interface Progress {
  readonly bits: Bits;
  readonly run: SequentialRun;
  /** Rows that are made. */
  rows: number;
}

/** Pixels made at once. */
const STEP_PIXELS = 1 << 19;
/** Rows that a quick first picture begins above what it shows. */
const RUN_IN = 48;

const recentProgress = cache<Progress>('sequential plates', ({ bits }) => bits.data.byteLength + 4096);

/** Cache key: equal iff the plate's art, screen, grid and materials are equal. */
const keyOf = (scene: Scene, plate: number, frame: Frame): string =>
  JSON.stringify([
    artKey(scene.recipe, plate),
    scene.recipe.plates[plate].screen,
    filmTransfer(scene.recipe, plate).key,
    frame,
    materialsKey(scene),
  ]);

function startRun(scene: Scene, plate: number, frame: Frame, width: number, height: number): SequentialRun {
  const { recipe } = scene;
  const screener = screenerFor(recipe.plates[plate].screen, frame, filmTransfer(recipe, plate));
  if (!screener.sequential) throw new TypeError('This screen is not sequential.');
  return screener.start(width, height);
}

const progressOf = (scene: Scene, plate: number, frame: Frame): Progress =>
  recentProgress(keyOf(scene, plate, frame), () => {
    const { width, height } = frame;
    return { bits: createBits(width, height), run: startRun(scene, plate, frame, width, height), rows: 0 };
  });

/** The row that a plate has to be made to for a row of it to be right. */
const needed = ({ run }: Progress, frame: Frame, row: number): number =>
  run.finish ? frame.height : Math.min(frame.height, row);

/** Makes a plate on to a row. */
function advance(progress: Progress, frame: Frame, end: number, read: CoverageReader): void {
  const { bits, run } = progress;
  const { width, height } = frame;
  const step = Math.max(8, Math.floor(STEP_PIXELS / width));
  while (progress.rows < end) {
    const y = progress.rows;
    const rows = Math.min(step, height - y);
    withWorkPlane(width, rows, (work) => {
      const made = run.rows(read(frame, { x: 0, y, width, height: rows }, work));
      bits.data.set(made.data, y * bits.stride);
    });
    progress.rows += rows;
    if (progress.rows === height) run.finish?.(bits);
  }
}

/**
 * A region of a plate whose screen is sequential: it is made from the top down, once, and kept. On a draft's grid that is as
 * fine as the film's it is begun only a little above the region, for a first look.
 */
export function sequentialBits(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  read: CoverageReader,
): Bits {
  const { screen } = scene.recipe.plates[plate];
  const grid = screenGridOf(screen, frame);
  const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
  const made = spotsOf(scene, plate, frame, part, read);
  return grid.times === 1 ? made : enlargeBits(made, part.x, part.y, grid.times, region);
}

/**
 * The same as the press prints it.
 *
 * @param printed coverage by coverage of the film; undefined where they are equal
 */
export function sequentialPrint(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  read: CoverageReader,
  printed: Uint16Array | undefined,
): Bits {
  if (!printed) return sequentialBits(scene, plate, frame, region, read);
  const { screen } = scene.recipe.plates[plate];
  const grid = screenGridOf(screen, frame);
  // One spot more all around: edges move by less than that.
  const part = intersect(grownRegion(coarseRegion(region, grid.times, grid.frame), 1), {
    x: 0,
    y: 0,
    width: grid.frame.width,
    height: grid.frame.height,
  });
  const spots = spotsOf(scene, plate, frame, part, read);
  const { table } = filmTransfer(scene.recipe, plate);
  return withWorkPlane(part.width, part.height, (work) => {
    const film = read(grid.frame, part, work);
    if (table) for (let i = 0; i < film.data.length; i++) film.data[i] = table[film.data[i]];
    return grownSpots({ screen, frame: grid.frame, times: grid.times, part, spots, film, printed }, region);
  });
}

/** Spots of a region of their own grid. */
function spotsOf(scene: Scene, plate: number, frame: Frame, part: Region, read: CoverageReader): Bits {
  const { recipe } = scene;
  const grid = screenGridOf(recipe.plates[plate].screen, frame);
  const full = frame.draft === true && frame.resolution === recipe.sheet.resolution;
  return full ? glimpse(scene, plate, grid.frame, part, read) : cached(scene, plate, grid.frame, part, read);
}

function cached(scene: Scene, plate: number, frame: Frame, part: Region, read: CoverageReader): Bits {
  const progress = progressOf(scene, plate, frame);
  advance(progress, frame, needed(progress, frame, part.y + part.height), read);
  return cropBits(progress.bits, part);
}

function glimpse(scene: Scene, plate: number, frame: Frame, part: Region, read: CoverageReader): Bits {
  const top = Math.max(0, part.y - RUN_IN);
  const around = { x: part.x, y: top, width: part.width, height: part.y + part.height - top };
  const run = startRun(scene, plate, frame, around.width, around.height);
  return withWorkPlane(around.width, around.height, (work) => {
    const bits = run.rows(read(frame, around, work));
    run.finish?.(bits);
    return cropBits(bits, { x: 0, y: part.y - top, width: part.width, height: part.height });
  });
}

/**
 * Makes such a plate a little further on its grid of film pixels, so that long work can be left in between.
 *
 * @param row of the film that is wanted
 * @param pixels made at most, about
 * @returns true when it has come as far as wanted
 */
export function prepareSequential(
  scene: Scene,
  plate: number,
  frame: Frame,
  row: number,
  pixels: number,
  read: CoverageReader,
): boolean {
  const grid = screenGridOf(scene.recipe.plates[plate].screen, frame);
  const progress = progressOf(scene, plate, grid.frame);
  const wanted = needed(progress, grid.frame, Math.ceil(row / grid.times));
  const to = progress.rows + Math.max(8, Math.floor(pixels / grid.frame.width));
  advance(progress, grid.frame, Math.min(wanted, to), read);
  return progress.rows >= wanted;
}
