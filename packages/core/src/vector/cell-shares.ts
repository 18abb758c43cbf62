import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { bitAt, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import { bands } from '../raster/region.ts';
import type { Area } from '../path/area.ts';
import type { Spot } from '../screen/spot/spot.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import type { Transfer } from '../screen/transfer.ts';
import { orderOf } from '../screen/tile.ts';
import type { EdgeIndex } from './edge-index.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import { bitsIn, tonesOf } from './tone-field.ts';
import type { Units } from './units.ts';

/** Samples along a cell; on films of fewer pixels to a cell some fall on the same pixel. */
const SIDE = 16;
const SAMPLES = SIDE * SIDE;
/** Pixels of tone that are had at once. */
const TONE_PIXELS = 1 << 22;
/** Halvings by which a dot is found that lies across the edge of what is drawn. */
const HALVINGS = 14;

/**
 * What a plate's film inks of each cell of a straight lattice, 0–1, told by the screen's own rule at many points of the cell: a dot that
 * fills so much of its cell has the film's area, whatever the tones are inside it.
 *
 * @param face part of the sheet that is drawn: a cell across its edge gets the share whose dot has, within, the film's area
 * @param near what lies near the face's edge, in units of the path
 * @returns    by `grid.indexOf` of a cell
 */
export function cellShares(
  scene: Scene,
  plate: number,
  spot: Spot,
  grid: LatticeGrid,
  face: Area,
  near: EdgeIndex,
  units: Units,
): Float32Array {
  const { film } = units;
  const frame = toneFrame(scene, grid.side, film);
  const scale = frame.resolution / film.resolution;
  const samples = new CellSamples(spot, grid, scale, dotTransfer(scene.recipe, plate));
  const reach = Math.ceil(grid.side * scale * Math.SQRT1_2) + 1;
  const parts = [...bands({ x: 0, y: 0, width: frame.width, height: frame.height }, TONE_PIXELS, 4 * reach)];
  const cellsOf: number[][] = parts.map(() => []);
  for (const [column, row] of grid.cells()) {
    const [, y] = grid.place(column + 0.5, row + 0.5);
    const at = Math.min(frame.height - 1, Math.max(0, Math.floor(y * scale)));
    cellsOf[Math.floor(at / parts[0].height)].push(grid.indexOf(column, row));
  }
  const shares = new Float32Array(grid.size);
  parts.forEach((part, k) => {
    const top = Math.max(0, part.y - reach);
    const region = { ...part, y: top, height: Math.min(frame.height, part.y + part.height + reach) - top };
    const tones = tonesOf(scene, plate, frame, region);
    const inside = bitsIn(face, units, frame, region);
    for (const index of cellsOf[k]) {
      const [column, row] = grid.cellAt(index);
      const [x, y] = grid.place(column + 0.5, row + 0.5);
      const place = near(grid.boxAbout(column, row, units.frame.resolution / film.resolution));
      if (place === 'outside') continue;
      const [cx, cy] = [x * scale, y * scale - top];
      shares[index] =
        place === 'inside' ? samples.share(tones, cx, cy) : samples.shareAtEdge(tones, inside, cx, cy);
    }
  });
  return shares;
}

/** The samples of a cell, in the order in which a screen inks them. */
class CellSamples {
  private readonly ranks: Float64Array;
  /** From the middle of a cell, in pixels of tone. */
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  private readonly table: Uint16Array | undefined;
  private readonly asked = new Float64Array(SAMPLES);

  constructor(spot: Spot, grid: LatticeGrid, scale: number, { table }: Transfer) {
    this.ranks = sampleRanks(spot);
    this.table = table;
    const [x0, y0] = grid.place(0, 0);
    const places = Array.from({ length: SAMPLES }, (_, k) => grid.place(across(k), down(k)));
    this.x = Float64Array.from(places, ([x]) => (x - x0) * scale);
    this.y = Float64Array.from(places, ([, y]) => (y - y0) * scale);
  }

  /** What is inked of a cell that lies within the tones, its middle at x, y. */
  share({ data, width }: Plane, x: number, y: number): number {
    const { ranks, table } = this;
    let sum = 0;
    for (let k = 0; k < SAMPLES; k++) {
      const tone = data[((y + this.y[k]) | 0) * width + ((x + this.x[k]) | 0)];
      sum += inkOf(table ? table[tone] : tone, ranks[k]);
    }
    return sum / SAMPLES;
  }

  /** What would be inked of a cell if all of it were inside. */
  shareAtEdge(tones: Plane, inside: Bits, x: number, y: number): number {
    const { ranks, asked, table } = this;
    let [sum, held] = [0, 0];
    for (let k = 0; k < SAMPLES; k++) {
      const column = Math.min(tones.width - 1, Math.max(0, Math.floor(x + this.x[k])));
      const row = Math.min(tones.height - 1, Math.max(0, Math.floor(y + this.y[k])));
      const isIn = bitAt(inside, column, row) === 1;
      const tone = tones.data[row * tones.width + column];
      asked[k] = isIn ? (table ? table[tone] : tone) : OUTSIDE;
      if (!isIn) continue;
      held++;
      sum += inkOf(asked[k], ranks[k]);
    }
    return sum === 0 ? 0 : held === SAMPLES ? sum / SAMPLES : shareWithin(sum, asked, ranks);
  }
}

/** Marks samples that lie outside what is drawn. */
const OUTSIDE = -1;

/** The grid that tones are read on: the film's, or coarser by a whole number where a cell has many of its pixels. */
function toneFrame({ recipe }: Scene, side: number, film: Frame): Frame {
  // Dots that stay whole at an edge are told by the film's own cells.
  const whole = recipe.originals.some(({ container }) => container?.edge === 'whole');
  const times = whole ? 1 : Math.max(1, Math.floor(side / SIDE));
  return times === 1 ? film : frameOf(recipe.sheet, film.resolution / times);
}

/** Places of samples in their cell, from its middle. */
const across = (sample: number): number => ((sample % SIDE) + 0.5) / SIDE - 0.5;
const down = (sample: number): number => (Math.floor(sample / SIDE) + 0.5) / SIDE - 0.5;

/** The order in which the samples of a cell are inked, equal ones scattered over it. */
function sampleRanks(spot: Spot): Float64Array {
  const values = Float64Array.from({ length: SAMPLES }, (_, k) =>
    spot.value(across(scattered(k)), down(scattered(k))),
  );
  const ranks = new Float64Array(SAMPLES);
  orderOf(values).forEach((k, rank) => (ranks[scattered(k)] = rank));
  return ranks;
}

/** Counts through the samples of a cell in leaps: 97 is prime to them. */
const scattered = (k: number): number => (k * 97) % SAMPLES;

const RANKS = SAMPLES / SOLID;

/** What a sample of a rank adds to the ink of its cell, 0–1: a flat coverage inks just its share of all of them. */
function inkOf(coverage: number, rank: number): number {
  const over = coverage * RANKS - rank;
  return over <= 0 ? 0 : over >= 1 ? 1 : over;
}

/** The share of a cell whose dot inks so much of the samples that are inside. */
function shareWithin(sum: number, inked: Float64Array, ranks: Float64Array): number {
  let [low, high] = [0, SOLID];
  for (let turn = 0; turn < HALVINGS; turn++) {
    const middle = (low + high) / 2;
    let made = 0;
    for (let s = 0; s < SAMPLES; s++) if (inked[s] !== OUTSIDE) made += inkOf(middle, ranks[s]);
    if (made < sum) low = middle;
    else high = middle;
  }
  return high / SOLID;
}
