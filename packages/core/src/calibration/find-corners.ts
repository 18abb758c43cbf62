import { homography, mapThrough, type Homography } from './homography.ts';
import { UnreadableScan } from './scan-problem.ts';
import { MARK, type Point, type TargetLayout } from './target-layout.ts';

/** Light of a picture, row after row, 0–1 for black to white. */
export interface LightPlane {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** Pixels of the longer side that marks are looked for on. */
const LOOKED_AT = 1400;
/** What is darker than so much of its surroundings is dark. */
const DARK = 0.62;
/** Surroundings reach so far, as a share of the longer side. */
const AROUND = 1 / 24;
/** A ring's share of the square around it, and how far it may be off that. */
const FILL = (Math.PI / 4) * (1 - (MARK.hole / MARK.outer) ** 2);
const FILL_OFF = 0.13;

/** How many times too wide or too narrow a ring may be. */
const SIZE_OFF = 1.6;

/** A mark as it was found: its middle and how wide it is, in pixels. */
interface Ring extends Point {
  readonly across: number;
}

/**
 * The way from a target, in mm, to its picture, in pixels.
 *
 * @throws UnreadableScan when its corner marks are not all there
 */
export function findCorners(light: LightPlane, layout: TargetLayout): Homography {
  const times = Math.max(1, Math.max(light.width, light.height) / LOOKED_AT);
  const small = shrunk(light, times);
  const rings = ringsOf(small);
  if (rings.length === 0)
    throw new UnreadableScan(
      'No corner marks can be found in this picture. It does not seem to show a printed target.',
    );
  if (rings.length < 4)
    throw new UnreadableScan(
      `Only ${rings.length} of the four corner marks can be found. The whole target has to be in the picture, with all of its corners.`,
    );
  const found = orderedCorners(rings, small, layout);
  if (!found)
    throw new UnreadableScan(
      'The corner marks do not lie as on this target. Perhaps this is the target of another job, or its corner is covered.',
    );
  const exact = found.map((ring) =>
    refined(light, { ...ring, x: ring.x * times, y: ring.y * times, across: ring.across * times }),
  );
  return homography(layout.corners, exact);
}

/** A picture made smaller by means over squares. */
function shrunk({ width, height, data }: LightPlane, times: number): LightPlane {
  if (times === 1) return { width, height, data };
  const [w, h] = [Math.floor(width / times), Math.floor(height / times)];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const [top, foot] = [
      Math.floor(y * times),
      Math.max(Math.floor(y * times) + 1, Math.floor((y + 1) * times)),
    ];
    for (let x = 0; x < w; x++) {
      const [left, right] = [
        Math.floor(x * times),
        Math.max(Math.floor(x * times) + 1, Math.floor((x + 1) * times)),
      ];
      let sum = 0;
      for (let v = top; v < foot; v++) for (let u = left; u < right; u++) sum += data[v * width + u];
      out[y * w + x] = sum / ((foot - top) * (right - left));
    }
  }
  return { width: w, height: h, data: out };
}

/** Dark rings with a light middle. */
function ringsOf(light: LightPlane): Ring[] {
  const { width, height } = light;
  const dark = darkOf(light);
  const seen = new Uint8Array(dark.length);
  const most = Math.max(width, height) / 8;
  const found: Ring[] = [];
  const stack: number[] = [];
  for (let first = 0; first < dark.length; first++) {
    if (!dark[first] || seen[first]) continue;
    let [count, sumX, sumY] = [0, 0, 0];
    let [x0, y0, x1, y1] = [width, height, 0, 0];
    stack.push(first);
    seen[first] = 1;
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      const x = at % width;
      const y = (at - x) / width;
      count++;
      sumX += x;
      sumY += y;
      x0 = Math.min(x0, x);
      x1 = Math.max(x1, x);
      y0 = Math.min(y0, y);
      y1 = Math.max(y1, y);
      for (const [next, isIn] of [
        [at - 1, x > 0],
        [at + 1, x < width - 1],
        [at - width, y > 0],
        [at + width, y < height - 1],
      ] as const) {
        if (!isIn || seen[next] || !dark[next]) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    const [wide, high] = [x1 - x0 + 1, y1 - y0 + 1];
    const across = Math.sqrt(wide * high);
    if (across < 9 || across > most || wide / high > 1.6 || high / wide > 1.6) continue;
    // What the picture's edge cuts is no whole mark.
    if (x0 === 0 || y0 === 0 || x1 === width - 1 || y1 === height - 1) continue;
    if (Math.abs(count / (wide * high) - FILL) > FILL_OFF) continue;
    const [x, y] = [sumX / count, sumY / count];
    if (Math.hypot(x - (x0 + x1) / 2, y - (y0 + y1) / 2) > 0.12 * across) continue;
    if (dark[Math.round(y) * width + Math.round(x)]) continue;
    found.push({ x: x + 0.5, y: y + 0.5, across });
  }
  return found;
}

/** 1 where a picture is darker than around it. */
function darkOf({ width, height, data }: LightPlane): Uint8Array {
  const reach = Math.ceil(Math.max(width, height) * AROUND);
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += data[y * width + x];
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + row;
    }
  }
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const [top, foot] = [Math.max(0, y - reach), Math.min(height, y + reach + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)];
      const sum =
        sums[foot * (width + 1) + right] -
        sums[top * (width + 1) + right] -
        sums[foot * (width + 1) + left] +
        sums[top * (width + 1) + left];
      out[y * width + x] = data[y * width + x] < (DARK * sum) / ((foot - top) * (right - left)) ? 1 : 0;
    }
  }
  return out;
}

/** The four rings that lie as a target's corners, in its own order, told by its key. */
function orderedCorners(rings: readonly Ring[], light: LightPlane, layout: TargetLayout): Ring[] | undefined {
  const extreme = (of: (ring: Ring) => number): Ring =>
    rings.reduce((best, ring) => (of(ring) < of(best) ? ring : best));
  // As they lie in the picture, clockwise from the left top.
  const around = [
    extreme(({ x, y }) => x + y),
    extreme(({ x, y }) => y - x),
    extreme(({ x, y }) => -x - y),
    extreme(({ x, y }) => x - y),
  ];
  if (new Set(around).size < 4) return undefined;
  const sizes = around.map(({ across }) => across);
  if (Math.max(...sizes) > 2 * Math.min(...sizes)) return undefined;
  const candidates = [0, 1, 2, 3].map((turn) => {
    const corners = [0, 1, 2, 3].map((k) => around[(k + turn) % 4]);
    const map = homography(layout.corners, corners);
    return {
      corners,
      key: lightAt(light, map, layout.key),
      others: otherKeys(layout).map((place) => lightAt(light, map, place)),
      shape: shapeOf(corners, layout) && sizesOf(corners, map, layout),
    };
  });
  const fitting = candidates.filter(({ key, others, shape }) => key < 0.75 * Math.min(...others) && shape);
  return fitting.sort((a, b) => a.key - b.key)[0]?.corners;
}

/** Where the key would be if another corner were the first. */
function otherKeys({ width, height, key }: TargetLayout): Point[] {
  return [
    { x: width - key.x, y: key.y },
    { x: width - key.x, y: height - key.y },
    { x: key.x, y: height - key.y },
  ];
}

/** True where corners are about as far apart across and down as the target's, whatever the view of it. */
function shapeOf([a, b, c, d]: readonly Point[], { width, height }: TargetLayout): boolean {
  const length = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);
  const seen = (length(a, b) + length(d, c)) / (length(a, d) + length(b, c));
  const made = (width - 20) / (height - 20);
  return seen / made < 1.35 && made / seen < 1.35;
}

/** True where rings are about as wide as the target's marks are there. */
function sizesOf(rings: readonly Ring[], map: Homography, { corners }: TargetLayout): boolean {
  return rings.every((ring, i) => {
    const { x, y } = corners[i];
    const beside = mapThrough(map, { x: x + MARK.outer, y });
    const wide = 2 * Math.hypot(beside.x - ring.x, beside.y - ring.y);
    return wide / ring.across < SIZE_OFF && ring.across / wide < SIZE_OFF;
  });
}

/** Mean light about a place of the target. */
function lightAt({ width, height, data }: LightPlane, map: Homography, place: Point): number {
  let [sum, count] = [0, 0];
  for (const dx of [-0.8, 0, 0.8])
    for (const dy of [-0.8, 0, 0.8]) {
      const { x, y } = mapThrough(map, { x: place.x + dx, y: place.y + dy });
      const [u, v] = [Math.floor(x), Math.floor(y)];
      if (u < 0 || v < 0 || u >= width || v >= height) continue;
      sum += data[v * width + u];
      count++;
    }
  return count > 0 ? sum / count : 1;
}

/** The middle of a ring's darkness on the picture itself. */
function refined({ width, height, data }: LightPlane, { x, y, across }: Ring): Point {
  let at: Point = { x, y };
  const reach = across * 0.62;
  for (let turn = 0; turn < 3; turn++) {
    const [left, right] = [Math.max(0, Math.floor(at.x - reach)), Math.min(width, Math.ceil(at.x + reach))];
    const [top, foot] = [Math.max(0, Math.floor(at.y - reach)), Math.min(height, Math.ceil(at.y + reach))];
    let bright = 0;
    for (let v = top; v < foot; v++)
      for (let u = left; u < right; u++) bright = Math.max(bright, data[v * width + u]);
    let [sum, sumX, sumY] = [0, 0, 0];
    for (let v = top; v < foot; v++)
      for (let u = left; u < right; u++) {
        if (Math.hypot(u + 0.5 - at.x, v + 0.5 - at.y) > reach) continue;
        const dark = Math.max(0, 0.8 * bright - data[v * width + u]);
        sum += dark;
        sumX += dark * (u + 0.5);
        sumY += dark * (v + 0.5);
      }
    if (sum > 0) at = { x: sumX / sum, y: sumY / sum };
  }
  return at;
}
