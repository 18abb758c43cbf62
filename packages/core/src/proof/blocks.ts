import { MM_PER_INCH } from '../raster/frame.ts';
import { COUNTED_ROWS } from '../kernel/memory.ts';
import { latticeOf } from '../screen/screen.ts';
import type { Lattice } from '../screen/kinds/kind.ts';
import { spotSpectrum } from '../screen/spot/spot-spectrum.ts';
import { response } from './low-pass.ts';
import type { PlatesView, View } from './plates-view.ts';

/**
 * Blocks of device pixels whose ink is counted, on a grid that lies at the film's left top corner whatever the view: several to a screen
 * pixel, where that is more than one device pixel.
 */
export interface Blocks {
  /** Blocks are counted 2^shift pixels wide, and so many such beside one another are one. */
  readonly shift: number;
  readonly across: number;
  /** Most rows of pixels that are counted at once. */
  readonly rows: number;
  /** Size of a block in device pixels. */
  readonly width: number;
  readonly height: number;
  /** Blocks in a screen pixel. */
  readonly perColumn: number;
  readonly perRow: number;
  /** True where a screen pixel is to be the plain mean of what it covers: dots are so wide that nothing false comes of it. */
  readonly plain: boolean;
  /** True where dots are seen through the low-pass, which overshoots at their edges. */
  readonly overshoots: boolean;
}

/** A wave in a film, cycles a device pixel along each axis, and how strong it is beside the strongest of its screen. */
export interface Wave {
  readonly x: number;
  readonly y: number;
  readonly share: number;
  /** True for one along a direction of the lattice: its length is a cell. */
  readonly isCell: boolean;
}

/** Blocks in a screen pixel, each way, at least: with straight lattices alone, whose waves are known, and with any other screens. */
const LEAST = { straight: 2.5, other: 4 };
/** And at most. */
const MOST = 5.5;
/** Screen pixels of a cell from which on its dots are seen. */
const SEEN_CELL = 1.8;
/** The same from which on plain means show them well. */
const WIDE_CELL = 4.9;
/** The widest block that is counted at once is 2^this pixels wide. */
const MOST_SHIFT = 3;
/** What of a screen's strongest wave may come back as one that the film does not have: about 0.2 L* of a middle tone. */
const FALSE_SHARE = 0.005;

/** A wave by its orders along a lattice's two directions, and how strong it is beside the strongest. */
type Order = readonly [u: number, v: number, share: number];

/** Weaker waves of a shape do not show. */
const LEAST_SHARE = 0.12;

/** Waves of a lattice of any dots, light and dark tones with them. */
const ORDERS: readonly Order[] = [
  [1, 0, 1],
  [0, 1, 1],
  [1, 1, 0.5],
  [1, -1, 0.5],
  [2, 0, 0.25],
  [0, 2, 0.25],
  [2, 1, 0.2],
  [1, 2, 0.2],
  [2, -1, 0.2],
  [1, -2, 0.2],
  [3, 0, 0.3],
  [0, 3, 0.3],
];

/** The strongest waves of plates’ screens on a grid; undefined unless all stand in straight lattices. */
export function wavesOf({
  scene,
  frame,
  plates,
}: Pick<PlatesView, 'scene' | 'frame' | 'plates'>): readonly Wave[] | undefined {
  const all = plates.map((plate) => {
    const { screen } = scene.recipe.plates[plate];
    const of = screen.coarse > 0 ? undefined : latticeOf(screen);
    const supercell = of?.supercell?.(frame.resolution, frame.draft);
    if (!of || !supercell) return undefined;
    return lattice(supercell.ruling / frame.resolution, supercell.angle, ordersOf(of));
  });
  const { throughMesh, press } = scene.recipe;
  if (throughMesh && press?.press.mesh) {
    const { count, angle } = press.press.mesh;
    all.push(lattice(((count / 10) * MM_PER_INCH) / frame.resolution, angle));
  }
  return all.every((waves) => waves !== undefined) ? all.flat() : undefined;
}

/** Orders of a shape whose waves in a middle tone are told. */
const TOLD = 4;

/** Waves of a shape: what those of any dots are, or what they are in a middle tone of its own where that is more. */
function ordersOf({ spot, spotKey }: Pick<Lattice, 'spot' | 'spotKey'>): readonly Order[] {
  const amplitude = spotSpectrum(spotKey, spot, 0.5);
  const strongest = Math.max(amplitude(1, 0), amplitude(0, 1), amplitude(1, 1), amplitude(1, -1));
  const orders: Order[] = [];
  for (let u = 0; u <= TOLD; u++)
    for (let v = u === 0 ? 1 : -TOLD; v <= TOLD; v++) {
      const [, , usual] = ORDERS.find((one) => one[0] === u && one[1] === v) ?? [u, v, 0];
      const share = Math.min(1, Math.max(usual, amplitude(u, v) / strongest));
      if (share > LEAST_SHARE) orders.push([u, v, share]);
    }
  return orders;
}

/** Waves of a lattice of so many cycles a pixel. */
function lattice(cycles: number, angle: number, orders: readonly Order[] = ORDERS): Wave[] {
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [cycles * Math.cos(turn), cycles * Math.sin(turn)];
  return orders.map(([u, v, share]) => ({
    x: u * cos + v * sin,
    y: v * cos - u * sin,
    share,
    isCell: Math.abs(u) + Math.abs(v) === 1,
  }));
}

/** The largest blocks that show no false patterns; those that show the least where all do. */
export function blocksOf(view: View, waves: readonly Wave[] | undefined): Blocks {
  const perPixel = waves ? LEAST.straight : LEAST.other;
  const pixel = { width: view.width / view.columns, height: view.height / view.rows };
  const cells = waves?.flatMap(({ x, y, isCell }) => (!isCell ? [] : [1 / (Math.hypot(x, y) * pixel.width)]));
  const plain = cells?.every((cell) => cell >= WIDE_CELL) ?? false;
  const overshoots = !plain && (cells?.some((cell) => cell >= SEEN_CELL) ?? true);
  let best: Blocks | undefined;
  let least = Infinity;
  for (const [shift, across] of widths(pixel.width, perPixel)) {
    for (const height of heights(pixel.height, perPixel)) {
      const width = across << shift;
      const shares = (waves ?? []).map((wave) => falseShare(wave, pixel, width, height));
      const all = Math.max(FALSE_SHARE, Math.hypot(...shares));
      if (all >= least) continue;
      least = all;
      const down = Math.ceil(height / COUNTED_ROWS);
      best = {
        shift,
        across,
        rows: Math.ceil(height / down),
        width,
        height,
        perColumn: pixel.width / width,
        perRow: pixel.height / height,
        plain,
        overshoots,
      };
    }
  }
  if (!best) throw new RangeError('A screen pixel covers nothing.');
  return best;
}

/** Widths of blocks from the widest down, as 2^shift pixels so many times. */
function* widths(pixel: number, least: number): Generator<readonly [shift: number, across: number]> {
  const widest = pixel / least;
  if (widest >= 2 ** (MOST_SHIFT + 1)) {
    const most = Math.floor(widest / 2 ** MOST_SHIFT);
    const narrowest = Math.min(most, Math.ceil(pixel / MOST / 2 ** MOST_SHIFT));
    for (let across = most; across >= narrowest; across--) yield [MOST_SHIFT, across];
    return;
  }
  const most = Math.min(MOST_SHIFT, Math.max(0, Math.floor(Math.log2(widest))));
  for (let shift = most; shift >= 0 && (shift === most || pixel / 2 ** shift <= 2 * MOST); shift--)
    yield [shift, 1];
}

/** Heights of blocks from the highest down. */
function* heights(pixel: number, least: number): Generator<number> {
  const highest = Math.max(1, Math.floor(pixel / least));
  const lowest = Math.max(1, Math.ceil(pixel / MOST));
  // Of very many a few do.
  const step = Math.max(1, Math.floor((highest - lowest) / 24));
  for (let height = highest; height >= Math.min(lowest, highest); height -= step) yield height;
}

/** How much of a wave comes back from blocks as a slower one that the low-pass lets through. */
function falseShare(
  { x, y, share }: Wave,
  pixel: { width: number; height: number },
  width: number,
  height: number,
): number {
  const [across, down] = [x * width, y * height];
  const [byX, byY] = [Math.round(across), Math.round(down)];
  if (byX === 0 && byY === 0) return 0;
  const slow = response(((across - byX) * pixel.width) / width, ((down - byY) * pixel.height) / height);
  return share * Math.abs(sinc(across) * sinc(down) * slow);
}

const sinc = (x: number): number => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
