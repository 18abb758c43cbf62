import type { Kernels } from './kernels.ts';
import { cellLoop } from './plain-cell-loop.ts';
import type { MemoryViews } from './memory-views.ts';

const PLACE_BITS = 20;
const PART_BITS = 7;
const MIXED = 1 << PART_BITS;
const { fround, imul } = Math;

/** Parts that the way from one point to the next is looked at in. */
const PARTS = 4;

/** Sides of a square of four points that pieces of outlines lead from and to, by which of these have ink, and the same where ink meets across the middle. */
const [TOP, RIGHT, FOOT, LEFT] = [0, 1, 2, 3];
const PIECES: readonly (readonly (readonly [number, number])[])[] = [
  [],
  [[LEFT, FOOT]],
  [[FOOT, RIGHT]],
  [[LEFT, RIGHT]],
  [[RIGHT, TOP]],
  [
    [RIGHT, TOP],
    [LEFT, FOOT],
  ],
  [[FOOT, TOP]],
  [[LEFT, TOP]],
  [[TOP, LEFT]],
  [[TOP, FOOT]],
  [
    [TOP, LEFT],
    [FOOT, RIGHT],
  ],
  [[TOP, RIGHT]],
  [[RIGHT, LEFT]],
  [[RIGHT, FOOT]],
  [[FOOT, LEFT]],
  [],
];
const JOINED: Record<number, (typeof PIECES)[number]> = {
  5: [
    [LEFT, TOP],
    [RIGHT, FOOT],
  ],
  10: [
    [TOP, RIGHT],
    [FOOT, LEFT],
  ],
};

/** Plain loops for tones and outlines of a cell; `assembly/` says what each does. */
export const plainCell = ({ u16, i32, f32, f64 }: MemoryViews): Pick<Kernels, 'readCell' | 'traceCell'> => ({
  readCell(plane, width, x, y, xx, xy, yx, yy, side, table, out, range) {
    const pixels = plane >> 1;
    let least = 65535;
    let most = 0;
    let sum = 0;
    let to = out >> 2;
    for (let row = 0; row < side; row++, x += xy, y += yy) {
      for (let i = 0, px = x, py = y; i < side; i++, px += xx, py += yx) {
        const at = pixels + imul(py >> PLACE_BITS, width) + (px >> PLACE_BITS);
        const foot = at + width;
        const fx = (px >> (PLACE_BITS - PART_BITS)) & (MIXED - 1);
        const upper = (u16[at] << PART_BITS) + imul(u16[at + 1] - u16[at], fx);
        const lower = (u16[foot] << PART_BITS) + imul(u16[foot + 1] - u16[foot], fx);
        const fy = (py >> (PLACE_BITS - PART_BITS)) & (MIXED - 1);
        const tone = ((upper << PART_BITS) + imul(lower - upper, fy)) >> (2 * PART_BITS);
        const made = table > 0 && tone > 0 ? u16[(table >> 1) + tone] : tone;
        f32[to++] = made;
        sum += made;
        if (made < least) least = made;
        if (made > most) most = made;
      }
    }
    i32[range >> 2] = least;
    i32[(range >> 2) + 1] = most;
    return sum;
  },
  traceCell(tones, thresholds, side, shift, strays, _room, out, told) {
    const width = side + 1;
    const line = PARTS * side + 1;
    const [first, points] = [tones >> 2, thresholds >> 2];
    const along = points + width * width;
    const down = along + width * line;
    const more = fround(shift);
    for (let i = 0; i < width * width; i++) {
      const tone = f32[first + i];
      if (tone > 0 && tone < 65535) f32[first + i] = fround(tone + more);
    }
    const over = (x: number, y: number) =>
      x < 0 || y < 0 || x > side || y > side
        ? -1
        : fround(f32[first + y * width + x] - f32[points + y * width + x]);
    const crossing = (from: number, to: number, at: number): number => {
      const tone = f32[from];
      const step = (f32[to] - tone) / PARTS;
      let last = tone - f32[at];
      const isInk = last > 0;
      for (let part = 1; ; part++) {
        const here = tone + step * part - f32[at + part];
        if (part === PARTS || here > 0 !== isInk)
          return (part - 1 + Math.min(1, Math.max(0, last / (last - here)))) / PARTS;
        last = here;
      }
    };
    // Places of points in turn, x and y, and the one that each leads to.
    const places: number[] = [];
    const next: number[] = [];
    const add = (x: number, y: number): number => {
      places.push(x, y);
      return next.push(-1) - 1;
    };
    const columns: number[] = [];
    for (let y = -1; y <= side; y++) {
      let right = -1;
      for (let x = 0; x <= width; x++) {
        const values = [over(x - 1, y), over(x, y), over(x, y + 1), over(x - 1, y + 1)];
        const corners = values.reduce((bits, value) => 2 * bits + (value > 0 ? 1 : 0), 0);
        const ends = [columns[x], -1, -1, right];
        if (values[2] > 0 !== values[3] > 0) {
          const at = first + (y + 1) * width + x - 1;
          const inside = x > 0 && x < width;
          const px = inside
            ? x - 1 + crossing(at, at + 1, along + (y + 1) * line + PARTS * (x - 1))
            : x && side;
          columns[x] = add(px, y + 1);
        }
        if (values[1] > 0 !== values[2] > 0) {
          const at = first + y * width + x;
          const inside = y >= 0 && y < side;
          const py = inside ? y + crossing(at, at + width, down + x * line + PARTS * y) : y < 0 ? 0 : side;
          ends[RIGHT] = add(x, py);
        }
        ends[FOOT] = columns[x];
        right = ends[RIGHT];
        const meets = corners in JOINED && values.reduce((sum, value) => sum + value) > 0;
        for (const [from, to] of meets ? JOINED[corners] : PIECES[corners]) next[ends[from]] = ends[to];
      }
    }
    let loops = 0;
    let to = out >> 3;
    let twice = 0;
    let touches = false;
    for (let start = 0; start < next.length; start++) {
      const loop: number[] = [];
      for (let at = start; next[at] >= 0;) {
        loop.push(places[2 * at], places[2 * at + 1]);
        const then = next[at];
        next[at] = -1;
        at = then;
      }
      if (loop.length === 0) continue;
      const { kept, ...found } = cellLoop(Float64Array.from(loop), side, strays);
      twice += found.area;
      if (kept.length < 6) continue;
      touches ||= found.touches;
      for (const place of kept) f64[to++] = place / side - 0.5;
      i32[(told >> 2) + 4 + loops++] = kept.length;
    }
    f64[told >> 3] = twice / (2 * side * side);
    i32[(told >> 2) + 2] = touches ? 1 : 0;
    i32[(told >> 2) + 3] = (to - (out >> 3)) / 2;
    return loops;
  },
});
