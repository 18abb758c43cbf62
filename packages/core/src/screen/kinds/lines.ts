import { gaussian, gaussianCell, gaussianMargin } from '../../filter/gaussian.ts';
import { MM_PER_INCH, mmToPixels, type Frame } from '../../raster/frame.ts';
import { createBits, type Bits } from '../../raster/bits.ts';
import { SOLID, type Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { cutRows, rowsOf } from '../../raster/rows.ts';
import { recentOnly } from '../../recent.ts';
import { sineOfTurns, turnOf, turnsOf } from '../../turn.ts';
import { scatter } from '../scatter.ts';
import { spotOf } from '../spot/index.ts';
import { cellTable, screenWarped, shiftFor, type Warp } from '../warp.ts';
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

/** How far lines wobble at most, in cells, and over how many of them. */
const WOBBLE = 0.9;
const WOBBLE_LENGTH = 3;

interface Bend {
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
    path: { type: 'choice', label: 'They run', options: PATHS, start: 'form' },
    spot: { ...SPOT('line'), label: 'Drawn as' },
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
      label: 'Wave length',
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
    seed: { type: 'seed', label: 'Throw', start: 1, when: { field: 'wobble', above: 0 } },
    crossed: {
      type: 'number',
      label: 'Crossed from',
      unit: 'percent',
      least: 0,
      most: 100,
      start: 100,
      when: CAN_CROSS,
    },
    crossing: {
      type: 'number',
      label: 'Crossing at',
      unit: 'degrees',
      least: 5,
      most: 175,
      usual: [30, 150],
      start: 60,
      when: [CAN_CROSS, { field: 'crossed', below: 100 }],
    },
  },
  words: (settings) => {
    const run = PATHS.find(({ value }) => value === settings.path)!.label.toLowerCase();
    return settings.spot === 'line' ? `lines, ${run}` : `${spotWords(settings)}, ${run}`;
  },
  carries: () => false,
  lattice: (settings) => ({ ...latticeFacts(settings), limited: (limits) => limits }),
  make(settings, limits, frame) {
    const table = cellTable(spotKey(settings), spotOf(settings.spot, settings), limits);
    const crossed = settings.crossed < 100 && !isRound(settings.path);
    const sigma = settings.path === 'form' ? mmToPixels(settings.soft, frame) : 0;
    const cell = gaussianCell(sigma);
    const blurMargin = sigma > 0 ? gaussianMargin(sigma) + cell + 16 : 0;
    return {
      carries: false,
      margin: blurMargin,
      screen(coverage, region) {
        const relief = blurMargin > 0 ? reliefOf(coverage, region, blurMargin, sigma, cell) : undefined;
        const { x, y, width, height } = { ...region, x: blurMargin, y: blurMargin };
        const inner = blurMargin > 0 ? cutRows(rowsOf(coverage), { x, y, width, height }) : coverage;
        const first = warpOf(settings, frame, relief);
        if (!crossed) return screenWarped(inner, region, table, first);
        const second = warpOf({ ...settings, angle: settings.angle + settings.crossing }, frame, relief);
        const { lower, upper } = crossedTones(settings.crossed);
        const through = (map: Uint16Array): Plane => ({
          ...inner,
          data: inner.data.map((value) => map[value]),
        });
        return either(
          screenWarped(through(lower), region, table, first),
          screenWarped(through(upper), region, table, second),
        );
      },
    };
  },
});

/** Blurred tones around a region, 0–1. */
interface Relief {
  readonly plane: Plane;
  readonly x: number;
  readonly y: number;
}

/** The blur starts at a whole cell of the blur's own grid, so that any region has the same relief. */
function reliefOf(coverage: Plane, region: Region, margin: number, sigma: number, cell: number): Relief {
  const x = region.x - margin;
  const y = region.y - margin;
  const left = Math.ceil(x / cell) * cell - x;
  const part = cutRows(rowsOf(coverage), {
    x: left,
    y: 0,
    width: coverage.width - left,
    height: coverage.height,
  });
  return { plane: gaussian(part, sigma, y), x: x + left, y };
}

function either(a: Bits, b: Bits): Bits {
  const out = createBits(a.width, a.height);
  for (let i = 0; i < out.data.length; i++) out.data[i] = a.data[i] | b.data[i];
  return out;
}

const recentCrossed = recentOnly<{ lower: Uint16Array; upper: Uint16Array }>(4);

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
  const middle = {
    x: (frame.width * mm) / 2 + bend.x,
    y: (frame.height * mm) / 2 + bend.y,
  };
  const lattice = (x: number, y: number, out: Float64Array): void => {
    out[0] = (x * cos - y * sin) * perCell;
    out[1] = (x * sin + y * cos) * perCell;
  };
  const run: Record<string, (x: number, y: number, i: number, j: number, out: Float64Array) => void> = {
    straight: (x, y, _i, _j, out) => lattice(x, y, out),
    wave: (x, y, _i, _j, out) => {
      lattice(x, y, out);
      out[1] += (bend.height / 2) * perCell * sineOfTurns(out[0] / perCell / bend.length);
    },
    form: (x, y, i, j, out) => {
      lattice(x, y, out);
      if (!relief) return;
      const { plane } = relief;
      const column = Math.min(plane.width - 1, Math.max(0, i - relief.x));
      const row = Math.min(plane.height - 1, Math.max(0, j - relief.y));
      out[1] += (bend.relief * perCell * plane.data[row * plane.width + column]) / SOLID;
    },
    arc: (x, y, _i, _j, out) => {
      const [dx, dy] = [x - middle.x, y - middle.y];
      const radius = Math.sqrt(dx * dx + dy * dy) * perCell;
      out[1] = radius;
      if (line) return;
      const around = Math.max(1, Math.round(2 * Math.PI * (Math.floor(radius) + 0.5)));
      out[0] = (turnsOf(dx, -dy) - bend.angle / 360) * around;
    },
    spiral: (x, y, _i, _j, out) => {
      const [dx, dy] = [x - middle.x, y - middle.y];
      const turn = turnsOf(dx, -dy) - bend.angle / 360;
      const radius = Math.sqrt(dx * dx + dy * dy) * perCell;
      out[1] = radius - turn;
      if (line) return;
      const along = Math.floor(out[1]) + 0.5 + turn;
      out[0] = Math.PI * along * along;
    },
  };
  const path = run[bend.path];
  const wobbleAcross = scatter(bend.seed * 7);
  const wobbleAlong = scatter(bend.seed * 7 + 1);
  const line = bend.spot === 'line';
  const cell = 1 / (perCell * mm);
  // Along an arc dots begin anew at every ring: there is no running evenly over its edge.
  const shift =
    isRound(bend.path) && bend.spot !== 'line' ? 0 : shiftFor(wobble > 0 ? cell : Math.max(4, cell));
  return {
    shift,
    place(i, j, out) {
      path((i + 0.5) * mm, (j + 0.5) * mm, i, j, out);
      if (wobble > 0) {
        const [u, v] = [
          ((i + 0.5) * mm * perCell) / WOBBLE_LENGTH,
          ((j + 0.5) * mm * perCell) / WOBBLE_LENGTH,
        ];
        out[1] += wobbleAcross(u, v) * wobble;
        if (bend.spot !== 'line') out[0] += wobbleAlong(u, v) * wobble;
      }
      out[2] = 0;
    },
  };
}
