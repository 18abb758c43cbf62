import { clamp } from '../base/numbers.ts';
import { SOLID } from '../raster/plane.ts';
import { plateBits } from '../plate/evaluate.ts';
import { isEmpty, type Region } from '../raster/region.ts';
import { plateCoverage } from '../plate/plate-art.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { latticeOf } from '../screen/screen.ts';
import { filmLayout } from '../film/film-layout.ts';
import { markBits } from '../film/film-bits.ts';
import type { FilmWords } from '../film/film-words.ts';
import { bitAt } from '../raster/bits.ts';
import type { PlatesView } from './plates-view.ts';
import { seenLight, SHARE } from './seen-light.ts';

/**
 * Screen pixels of a cell from which on dots are drawn in a first picture. On its coarse grid those of smaller cells would make patterns of up to 3 L* that
 * the film does not have; from here on they are 1.1 L* at most.
 */
const DRAWN_CELL = 3.3;

/**
 * Share of each screen pixel that a plate inks, for a first picture. Where dots are too fine to be drawn it is what they stand for, which is found
 * more quickly than they are made.
 */
export function inkShares(request: PlatesView, plate: number): Float32Array {
  if (request.film) return filmShares(request, request.film, plate);
  const { frame, view, scene } = request;
  const { screen } = scene.recipe.plates[plate];
  const lattice = screen.coarse > 0 ? undefined : latticeOf(screen);
  const cells = pixelCells(request);
  if (lattice) {
    const cell = (frame.resolution / lattice.ruling) * (view.columns / view.width);
    if (cell < DRAWN_CELL)
      return cells ? tintShares(request, plate, cells) : unevenTintShares(request, plate);
    if (cells) return meanShares(request, plate, cells);
  }
  return seenLight({ ...request, plates: [plate] }, [SHARE], 0, 1).planes[0][0];
}

/** Pixels of the grid in a screen pixel, each way, in a first picture. */
const CELL = 2;

/** Screen pixels of a view that lie on the film as a whole, and the pixels of the grid that they are means of. */
interface Cells {
  readonly region: Region;
  readonly left: number;
  readonly top: number;
}

/** Undefined unless each screen pixel is one of just `CELL` by `CELL`. */
function pixelCells({ view, rows, frame }: PlatesView): Cells | undefined {
  const off = (size: number, pixels: number) => Math.abs(size / pixels - CELL) > 1e-6;
  if (off(view.width, view.columns) || off(view.height, view.rows)) return undefined;
  const within = (start: number, pixels: number, limit: number) => {
    const skip = Math.max(0, Math.ceil(-start / CELL));
    const from = start + CELL * skip;
    return { skip, from, count: Math.max(0, Math.min(pixels - skip, Math.floor((limit - from) / CELL))) };
  };
  const across = within(Math.round(view.x), view.columns, frame.width);
  const down = within(Math.round(view.y) + CELL * rows.first, rows.count, frame.height);
  return {
    region: { x: across.from, y: down.from, width: CELL * across.count, height: CELL * down.count },
    left: across.skip,
    top: down.skip,
  };
}

/** Of a pixel, one step of coverage. */
const SHARE_OF_ONE = 1 / SOLID;
/** Coverage that is made as it is asked for. */
const AS_ASKED = Uint16Array.from({ length: SOLID + 1 }, (_, tone) => tone);

/** Means of coverage. */
function tintShares({ scene, frame, view, rows }: PlatesView, plate: number, cells: Cells): Float32Array {
  const shares = new Float32Array(view.columns * rows.count);
  const { region, left, top } = cells;
  if (isEmpty(region)) return shares;
  const { table } = dotTransfer(scene.recipe, plate);
  const { data } = plateCoverage(scene, plate, frame, region);
  const columns = region.width / CELL;
  const made = table ?? AS_ASKED;
  for (let y = 0; y < region.height / CELL; y++) {
    const upper = data.subarray(CELL * y * region.width, (CELL * y + 1) * region.width);
    const lower = data.subarray((CELL * y + 1) * region.width, (CELL * y + 2) * region.width);
    const out = shares.subarray((top + y) * view.columns + left, (top + y) * view.columns + left + columns);
    for (let i = 0, at = 0; i < columns; i++, at += CELL)
      out[i] = made[(upper[at] + upper[at + 1] + lower[at] + lower[at + 1]) >> 2] * SHARE_OF_ONE;
  }
  return shares;
}

/** Means of coverage over screen pixels of any size, to whole pixels of the grid. */
function unevenTintShares(request: PlatesView, plate: number): Float32Array {
  const { scene, frame } = request;
  const { made } = dotTransfer(scene.recipe, plate);
  return unevenMeans(request, (region) => {
    const { data } = plateCoverage(scene, plate, frame, region);
    return (x, y) => made(data[y * region.width + x]) / SOLID;
  });
}

/** Means over screen pixels of any size, to whole pixels of the grid, of what a region of it holds; 0 beyond the grid. */
function unevenMeans(
  { frame, view, rows }: PlatesView,
  read: (region: Region) => (x: number, y: number) => number,
): Float32Array {
  const edges = (start: number, size: number, pixels: number, first: number, count: number, limit: number) =>
    Array.from({ length: count + 1 }, (_, i) =>
      clamp(Math.round(start + ((first + i) * size) / pixels), 0, limit),
    );
  const across = edges(view.x, view.width, view.columns, 0, view.columns, frame.width);
  const down = edges(view.y, view.height, view.rows, rows.first, rows.count, frame.height);
  const region = {
    x: across[0],
    y: down[0],
    width: across[view.columns] - across[0],
    height: down[rows.count] - down[0],
  };
  const shares = new Float32Array(view.columns * rows.count);
  if (isEmpty(region)) return shares;
  const at = read(region);
  for (let y = 0, i = 0; y < rows.count; y++) {
    for (let x = 0; x < view.columns; x++, i++) {
      let [sum, count] = [0, 0];
      for (let v = down[y]; v < down[y + 1]; v++) {
        for (let u = across[x]; u < across[x + 1]; u++, count++) sum += at(u - region.x, v - region.y);
      }
      if (count > 0) shares[i] = sum / count;
    }
  }
  return shares;
}

/** The same of a whole film: of its plate, and of the marks around it. */
function filmShares(given: PlatesView, words: FilmWords, plate: number): Float32Array {
  const { film: _film, ...request } = given;
  const { scene, frame, view } = request;
  const layout = filmLayout(scene.recipe, frame.resolution);
  const { x, y } = layout.plate;
  const shares = inkShares(
    {
      ...request,
      frame: { ...frame, ...layout.frame },
      view: { ...view, x: view.x - x, y: view.y - y },
    },
    plate,
  );
  if (scene.recipe.marks.uses.length === 0) return shares;
  const marks = unevenMeans(request, (region) => {
    const bits = markBits(scene, plate, layout, region, words);
    return (column, row) => bitAt(bits, column, row);
  });
  for (let i = 0; i < shares.length; i++) shares[i] = Math.min(1, shares[i] + marks[i]);
  return shares;
}

/** Means of bits. */
function meanShares({ scene, frame, view, rows }: PlatesView, plate: number, cells: Cells): Float32Array {
  const shares = new Float32Array(view.columns * rows.count);
  const { region, left, top } = cells;
  if (isEmpty(region)) return shares;
  const { data, stride } = plateBits(scene, plate, frame, region);
  const columns = region.width / CELL;
  for (let y = 0; y < region.height / CELL; y++) {
    const to = (top + y) * view.columns + left;
    for (let x = 0, at = CELL * y * stride; x < columns; x += 4, at++) {
      // Four counts of two bits each, out of two rows.
      const upper = data[at] - ((data[at] >> 1) & 0x55);
      const lower = data[at + stride] - ((data[at + stride] >> 1) & 0x55);
      const end = Math.min(4, columns - x);
      for (let k = 0, shift = 6; k < end; k++, shift -= 2) {
        shares[to + x + k] = (((upper >> shift) & 3) + ((lower >> shift) & 3)) * 0.25;
      }
    }
  }
  return shares;
}
