import { present } from '../../base/present.ts';
import { gaussian, gaussianCell, gaussianMargin } from '../../filter/gaussian.ts';
import { MM_PER_INCH, mmToPixels, type Frame } from '../../raster/frame.ts';
import { createBits, type Bits } from '../../raster/bits.ts';
import { SOLID, type Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { cutRows, rowsOf } from '../../raster/rows.ts';
import { cache } from '../../base/cache.ts';
import { turnOf } from '../../base/turn.ts';
import { placesBy, runningNumbers, type PlaceKind } from '../../kernel/places.ts';
import { BENT_FIELDS, bentOf, bentPlace, unbending, type Bent } from '../bent.ts';
import { spotOf } from '../spot/index.ts';
import { smoothThresholds } from '../smooth-cell.ts';
import { STRAIGHT_TRANSFER, type Transfer } from '../transfer.ts';
import { cellTable, excessOver, screenWarped, shiftFor, type Warp } from '../warp.ts';
import { ANGLE, ASPECT, latticeFacts, MOTIF, RULING, SPOT, spotKey, spotWords } from './dot-fields.ts';
import { defineScreen } from './kind.ts';

const PATHS = [
  { value: 'straight', label: 'Straight' },
  { value: 'arc', label: 'Arc' },
  { value: 'wave', label: 'Wave' },
  { value: 'spiral', label: 'Spiral' },
  { value: 'form', label: 'Form', title: 'Lines bend with the picture’s own tones' },
] as const;

/** Rings about one middle: turned, they are the same rings, so a second set of them crosses nothing. */
const isRound = (path: string): boolean => path === 'arc' || path === 'spiral';
const CAN_CROSS = { field: 'path', is: ['straight', 'wave', 'form'] } as const;

/** How far lines wobble at most, in cells. */
const WOBBLE = 0.9;

interface Bend extends Partial<Bent> {
  readonly path: string;
  readonly ruling: number;
  readonly angle: number;
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly height: number;
  readonly relief: number;
  readonly wobble: number;
  readonly seed: number;
}

export const lines = defineScreen({
  kind: 'lines',
  name: 'Lines',
  says: 'Lines that grow with the tone and run straight, in arcs, waves or a spiral, or follow the form.',
  fields: {
    path: { type: 'choice', label: 'Path', options: PATHS, start: 'form' },
    spot: { ...SPOT('line'), label: 'Line shape' },
    motif: MOTIF,
    ruling: { ...RULING, start: 24 },
    angle: ANGLE(22.5),
    aspect: ASPECT,
    x: {
      type: 'number',
      label: 'Centre across',
      unit: 'mm',
      least: -10000,
      most: 10000,
      usual: [-300, 300],
      start: 0,
      when: { field: 'path', is: ['arc', 'spiral'] },
    },
    y: {
      type: 'number',
      label: 'Centre down',
      unit: 'mm',
      least: -10000,
      most: 10000,
      usual: [-300, 300],
      start: 0,
      when: { field: 'path', is: ['arc', 'spiral'] },
    },
    length: {
      type: 'number',
      label: 'Wavelength',
      unit: 'mm',
      least: 0.5,
      most: 1000,
      usual: [2, 100],
      ratio: true,
      start: 24,
      when: { field: 'path', is: ['wave'] },
    },
    height: {
      type: 'number',
      label: 'Wave height',
      unit: 'mm',
      least: 0,
      most: 500,
      usual: [0, 40],
      start: 4,
      when: { field: 'path', is: ['wave'] },
    },
    relief: {
      type: 'number',
      label: 'Relief',
      unit: 'mm',
      least: -100,
      most: 100,
      usual: [-12, 12],
      start: 4,
      when: { field: 'path', is: ['form'] },
    },
    soft: {
      type: 'number',
      label: 'Softness',
      unit: 'mm',
      least: 0.1,
      most: 30,
      usual: [0.3, 12],
      ratio: true,
      start: 2,
      when: { field: 'path', is: ['form'] },
    },
    wobble: { type: 'number', label: 'Wobble', unit: 'percent', least: 0, most: 100, start: 0 },
    seed: { type: 'seed', label: 'Variation', start: 1, when: { field: 'wobble', above: 0 } },
    crossed: {
      type: 'number',
      label: 'Hatched from',
      unit: 'percent',
      least: 0,
      most: 100,
      start: 100,
      when: CAN_CROSS,
    },
    crossing: {
      type: 'number',
      label: 'Hatch angle',
      unit: 'degrees',
      least: 5,
      most: 175,
      usual: [30, 150],
      start: 60,
      when: [CAN_CROSS, { field: 'crossed', below: 100 }],
    },
    ...BENT_FIELDS,
  },
  words: (settings) => {
    const run = present(
      PATHS.find(({ value }) => value === settings.path),
      'path of lines',
    ).label.toLowerCase();
    return settings.spot === 'line' ? `lines, ${run}` : `${spotWords(settings)}, ${run}`;
  },
  sequential: () => false,
  lattice: (settings) => latticeFacts(settings),
  contours(settings, transfer, frame) {
    const threshold = smoothThresholds(spotKey(settings), spotOf(settings.spot, settings));
    const crossed = settings.crossed < 100 && !isRound(settings.path);
    const sigma = settings.path === 'form' ? mmToPixels(settings.soft, frame) : 0;
    const cell = gaussianCell(sigma);
    const margin = sigma > 0 ? gaussianMargin(sigma) + cell + 16 : 0;
    return {
      margin,
      over(coverage, region) {
        const relief = margin > 0 ? reliefOf(coverage, region, margin, sigma, cell, frame) : undefined;
        const { place } = warpOf(settings, frame, relief);
        if (!crossed) return excessOver(threshold, transfer, place);
        const { gain, limits } = partsOf(transfer);
        const first = excessOver(threshold, limits, place);
        const angle = settings.angle + settings.crossing;
        const second = excessOver(threshold, limits, warpOf({ ...settings, angle }, frame, relief).place);
        const { lower, upper } = crossedTones(settings.crossed);
        return (x, y, tone) => {
          const at = gain.made(Math.round(tone));
          return Math.max(first(x, y, lower[at]), second(x, y, upper[at]));
        };
      },
    };
  },
  make(settings, transfer, frame) {
    const crossed = settings.crossed < 100 && !isRound(settings.path);
    const { gain, limits } = partsOf(transfer);
    const table = cellTable(spotKey(settings), spotOf(settings.spot, settings), crossed ? limits : transfer);
    const sigma = settings.path === 'form' ? mmToPixels(settings.soft, frame) : 0;
    const cell = gaussianCell(sigma);
    const blurMargin = sigma > 0 ? gaussianMargin(sigma) + cell + 16 : 0;
    return {
      sequential: false,
      margin: blurMargin,
      screen(coverage, region) {
        const relief =
          blurMargin > 0 ? reliefOf(coverage, region, blurMargin, sigma, cell, frame) : undefined;
        const { x, y, width, height } = { ...region, x: blurMargin, y: blurMargin };
        const inner = blurMargin > 0 ? cutRows(rowsOf(coverage), { x, y, width, height }) : coverage;
        const first = warpOf(settings, frame, relief);
        if (!crossed) return screenWarped(inner, region, table, first);
        const second = warpOf({ ...settings, angle: settings.angle + settings.crossing }, frame, relief);
        const { lower, upper } = crossedTones(settings.crossed);
        const through = (map: Uint16Array): Plane => ({
          ...inner,
          data: inner.data.map((value) => map[gain.made(value)]),
        });
        return either(
          screenWarped(through(lower), region, table, first),
          screenWarped(through(upper), region, table, second),
        );
      },
    };
  },
});

/** Of two sets of lines each keeps the limits by itself; a press has its say in what both of them ink together. */
const partsOf = (transfer: Transfer) => transfer.parts ?? { gain: STRAIGHT_TRANSFER, limits: transfer };

/** Blurred tones around a region, 0–1. */
interface Relief {
  readonly plane: Plane;
  readonly x: number;
  readonly y: number;
}

/** The blur starts at a whole cell of the blur's own grid, so that any region has the same relief. */
function reliefOf(
  coverage: Plane,
  region: Region,
  margin: number,
  sigma: number,
  cell: number,
  frame: Frame,
): Relief {
  const x = region.x - margin;
  const y = region.y - margin;
  const left = Math.ceil(x / cell) * cell - x;
  const part = cutRows(rowsOf(coverage), {
    x: left,
    y: 0,
    width: coverage.width - left,
    height: coverage.height,
  });
  repeatEdges(part, x + left, y, frame);
  return { plane: gaussian(part, sigma, y), x: x + left, y };
}

/** Beyond the sheet tones go on as they are at its edge, or all lines would turn towards it. */
function repeatEdges({ width, height, data }: Plane, x: number, y: number, frame: Frame): void {
  const first = Math.min(width, Math.max(0, -x));
  const end = Math.max(first, Math.min(width, frame.width - x));
  const top = Math.min(height - 1, Math.max(0, -y));
  const foot = Math.max(top, Math.min(height, frame.height - y) - 1);
  if (first >= end) return;
  for (let row = top; row <= foot; row++) {
    const at = row * width;
    data.fill(data[at + first], at, at + first);
    data.fill(data[at + end - 1], at + end, at + width);
  }
  for (let row = 0; row < top; row++) data.copyWithin(row * width, top * width, (top + 1) * width);
  for (let row = foot + 1; row < height; row++)
    data.copyWithin(row * width, foot * width, (foot + 1) * width);
}

/** The relief at a pixel, or between pixels as it runs straight from one to the next. */
function reliefAt({ plane: { width, height, data }, x, y }: Relief, i: number, j: number): number {
  const column = Math.min(width - 1, Math.max(0, i - x));
  const row = Math.min(height - 1, Math.max(0, j - y));
  const [left, top] = [Math.floor(column), Math.floor(row)];
  if (left === column && top === row) return data[row * width + column];
  const [right, foot] = [Math.min(width - 1, left + 1), Math.min(height - 1, top + 1)];
  const [fx, fy] = [column - left, row - top];
  return (
    (data[top * width + left] * (1 - fx) + data[top * width + right] * fx) * (1 - fy) +
    (data[foot * width + left] * (1 - fx) + data[foot * width + right] * fx) * fy
  );
}

function either(a: Bits, b: Bits): Bits {
  const out = createBits(a.width, a.height);
  for (let i = 0; i < out.data.length; i++) out.data[i] = a.data[i] | b.data[i];
  return out;
}

const recentCrossed = cache<{ lower: Uint16Array; upper: Uint16Array }>('crossed lines');

/**
 * Coverages for two sets of lines that lie over one another like inks (what both leave bare is the product of what each
 * does): up to a tone there is one set; from there on both grow alike.
 */
const crossedTones = (from: number) =>
  recentCrossed(String(from), () => {
    const start = from / 100;
    const lower = new Uint16Array(SOLID + 1);
    const upper = new Uint16Array(SOLID + 1);
    for (let c = 0; c <= SOLID; c++) {
      const share = c / SOLID;
      if (share <= start) {
        lower[c] = c;
        continue;
      }
      const rest = Math.sqrt((1 - share) / (1 - start));
      lower[c] = Math.round((1 - (1 - start) * rest) * SOLID);
      upper[c] = Math.round((1 - rest) * SOLID);
    }
    return { lower, upper };
  });

/** Where pixels fall among lines. Positions are in mm from the sheet's corner, y down; v counts the lines. */
function warpOf(bend: Bend & { spot: string }, frame: Frame, relief: Relief | undefined): Warp {
  const mm = MM_PER_INCH / frame.resolution;
  const perCell = bend.ruling / MM_PER_INCH;
  const { cos, sin } = turnOf(bend.angle);
  const wobble = (bend.wobble / 100) * WOBBLE;
  const plain = bend.spot === 'line';
  const values = runningNumbers({
    mm,
    perCell,
    cos,
    sin,
    waveLength: bend.length,
    waveHeight: bend.height,
    middleX: (frame.width * mm) / 2 + bend.x,
    middleY: (frame.height * mm) / 2 + bend.y,
    start: bend.angle / 360,
    plain: plain ? 1 : 0,
    wobble,
    seed: bend.seed * 7,
  });
  const cell = 1 / (perCell * mm);
  // Dots along rings wobble pixel by pixel, for how rings wobble does not say where they end.
  const shift =
    wobble > 0 ? (isRound(bend.path) && !plain ? 0 : shiftFor(cell)) : shiftFor(Math.max(4, cell));
  const bent = bentOf(bend);
  const unbend = bent && unbending(bent, bend.ruling, frame);
  if (bend.path !== 'form') {
    const kind = bend.path as Exclude<PlaceKind, 'scattered'>;
    const place = placesBy(kind, values);
    if (!unbend) return { shift, place, numbers: { kind, values } };
    // Where a bent ring ends is not known before each pixel is looked at.
    return { shift: isRound(bend.path) && !plain ? 0 : shiftFor(cell / 2), place: bentPlace(place, unbend) };
  }
  const lattice = placesBy('straight', values);
  // The form stays where the picture is; the lattice that follows it is bent.
  const straight = unbend ? bentPlace(lattice, unbend) : lattice;
  return {
    shift,
    place(i, j, out) {
      straight(i, j, out);
      if (relief) out[1] += (bend.relief * perCell * reliefAt(relief, i, j)) / SOLID;
    },
  };
}
