import { cache } from '../base/cache.ts';
import { randomAt } from '../base/random.ts';
import { bitAt, createBits, setBit, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { screenerFor, type Screen } from './screen.ts';
import { STRAIGHT_TRANSFER } from './transfer.ts';

/** Flat tones at which a screen's spots are looked at. */
const TONES = 48;
/** Side of the flat tones, in spots, and rows of them that are left out while what is carried on settles. */
const SIDE = 128;
const SETTLING = 32;
/** Seed of the order in which device pixels alike become inked. */
const SEED = 71;

/** Places of the eight spots around one, in the order of their bits. */
const AROUND = [
  [-1, -1],
  [0, -1],
  [1, -1],
  [-1, 0],
  [1, 0],
  [-1, 1],
  [0, 1],
  [1, 1],
] as const;

/** Squared distances of a spot's device pixels from the nearest spots of the other sort around it, as places in their order. */
interface Levels {
  /** `256 × times²`: by the pattern of spots around it, then row after row. The last level is of those that are near none. */
  readonly of: Uint16Array;
  readonly count: number;
}

const recentLevels = cache<Levels>('spot levels');

/** @param times device pixels that a spot is wide */
const levelsOf = (times: number): Levels =>
  recentLevels(String(times), () => {
    const far = 8 * times * times;
    const squares = new Int32Array(256 * times * times).fill(far);
    for (let pattern = 1; pattern < 256; pattern++) {
      const near = AROUND.filter((_, k) => pattern & (1 << k));
      for (let y = 0, i = pattern * times * times; y < times; y++) {
        for (let x = 0; x < times; x++, i++) {
          for (const [dx, dy] of near) {
            const across = dx < 0 ? x + 1 : dx > 0 ? times - x : 0;
            const down = dy < 0 ? y + 1 : dy > 0 ? times - y : 0;
            squares[i] = Math.min(squares[i], across * across + down * down);
          }
        }
      }
    }
    const order = [...new Set(squares)].sort((a, b) => a - b);
    const place = new Map(order.map((square, level) => [square, level]));
    return { of: Uint16Array.from(squares, (square) => place.get(square) ?? 0), count: order.length };
  });

/**
 * What lies how near: for each of `TONES + 1` tones the shares of the device pixels, 0–1, that lie below each level and below the one after the
 * last.
 */
interface Growth {
  /** Of bare pixels. */
  readonly bare: Float32Array;
  /** Of inked ones. */
  readonly inked: Float32Array;
}

const recentGrowths = cache<Growth>('spot growth');

/** @param frame a spot a pixel */
const growthOf = (screen: Screen, frame: Frame, times: number): Growth =>
  recentGrowths(JSON.stringify([screen.kind, screen.settings, frame.resolution, times]), () => {
    const levels = levelsOf(times);
    const row = levels.count + 1;
    const [bare, inked] = [0, 1].map(() => new Float32Array((TONES + 1) * row));
    for (let tone = 0; tone <= TONES; tone++) {
      // The lightest and the darkest tones are looked at where they have spots.
      const share = Math.min(1 - 0.25 / TONES, Math.max(0.25 / TONES, tone / TONES));
      const flat = flatSpots(screen, frame, Math.round(share * SOLID));
      bare.set(sharesBelow(counts(flat, 0, levels, times)), tone * row);
      inked.set(sharesBelow(counts(flat, 1, levels, times)), tone * row);
    }
    return { bare, inked };
  });

/** Spots of a flat tone. */
function flatSpots(screen: Screen, frame: Frame, coverage: number): Bits {
  const size = SIDE + 2 * SETTLING;
  const screener = screenerFor(
    { ...screen, coarse: 0 },
    { ...frame, width: size, height: size },
    STRAIGHT_TRANSFER,
  );
  if (!screener.sequential) throw new TypeError('This screen is not sequential.');
  const run = screener.start(size, size);
  const bits = run.rows(createPlane(size, size, coverage));
  run.finish?.(bits);
  return bits;
}

/** Device pixels of each level in the spots that are inked (1) or bare (0). */
function counts(spots: Bits, ink: 0 | 1, { of, count }: Levels, times: number): Float64Array {
  const patterns = new Float64Array(256);
  for (let y = SETTLING; y < SETTLING + SIDE; y++)
    for (let x = SETTLING; x < SETTLING + SIDE; x++)
      if (bitAt(spots, x, y) === ink) patterns[patternAt(spots, x, y, ink)]++;
  const out = new Float64Array(count);
  patterns.forEach((many, pattern) => {
    if (many === 0) return;
    const from = pattern * times * times;
    for (let i = from; i < from + times * times; i++) out[of[i]] += many;
  });
  return out;
}

/** Shares of all pixels below each level. */
function sharesBelow(many: Float64Array): Float32Array {
  const all = many.reduce((sum, value) => sum + value, 0) || 1;
  const out = new Float32Array(many.length + 1);
  let below = 0;
  many.forEach((value, level) => (out[level + 1] = (below += value) / all));
  return out;
}

/** Which of the spots around one are of the other sort; those beyond the bits are not. */
function patternAt(spots: Bits, x: number, y: number, ink: 0 | 1): number {
  let pattern = 0;
  for (let k = 0; k < 8; k++) {
    const [dx, dy] = AROUND[k];
    const [nx, ny] = [x + dx, y + dy];
    if (nx >= 0 && ny >= 0 && nx < spots.width && ny < spots.height && bitAt(spots, nx, ny) !== ink)
      pattern |= 1 << k;
  }
  return pattern;
}

/** Spots as a film has them, and what is to become of them. */
export interface FilmSpots {
  readonly screen: Screen;
  /** A spot a pixel. */
  readonly frame: Frame;
  /** Device pixels that a spot is wide. */
  readonly times: number;
  /** Where the spots and their tones lie on the frame. */
  readonly part: Region;
  readonly spots: Bits;
  /** Coverage of the film at each of them, 0–65535. */
  readonly film: Plane;
  /** Coverage printed by coverage of the film, 65536 of them. */
  readonly printed: Uint16Array;
}

/**
 * What a press prints of spots that lie where a screen carried something on: the film's own, their edges moved, by exact distance, as far as
 * makes a flat tone the one that is printed. Of device pixels equally far from an edge some become inked in an order of their own.
 *
 * @param region device pixels, within the spots' part
 */
export function grownSpots(
  { screen, frame, times, part, spots, film, printed }: FilmSpots,
  region: Region,
): Bits {
  const { bare, inked } = growthOf(screen, frame, times);
  const levels = levelsOf(times);
  const out = createBits(region.width, region.height);
  const [left, top] = [Math.floor(region.x / times), Math.floor(region.y / times)];
  const right = Math.ceil((region.x + region.width) / times);
  const foot = Math.ceil((region.y + region.height) / times);
  for (let row = top; row < foot; row++) {
    for (let column = left; column < right; column++) {
      const [x, y] = [column - part.x, row - part.y];
      if (x < 0 || y < 0 || x >= spots.width || y >= spots.height) continue;
      const ink = bitAt(spots, x, y) === 1;
      const asked = film.data[y * film.width + x];
      const change = (printed[asked] - asked) * (ink ? -1 : 1);
      const room = ink ? asked : SOLID - asked;
      const limit =
        change > 0 ? levelAt(ink ? inked : bare, levels.count, asked / SOLID, Math.min(1, change / room)) : 0;
      if (limit === 0 && !ink) continue;
      const pattern = patternAt(spots, x, y, ink ? 1 : 0);
      drawSpot(
        out,
        region,
        column * times,
        row * times,
        times,
        ink,
        levels.of,
        pattern * times * times,
        limit,
      );
    }
  }
  return out;
}

/** Draws the device pixels of a spot whose level lies below a limit, or those of an inked one whose does not. */
function drawSpot(
  out: Bits,
  region: Region,
  left: number,
  top: number,
  times: number,
  ink: boolean,
  levels: Uint16Array,
  from: number,
  limit: number,
): void {
  for (let y = 0, i = from; y < times; y++) {
    const row = top + y - region.y;
    if (row < 0 || row >= region.height) {
      i += times;
      continue;
    }
    for (let x = 0; x < times; x++, i++) {
      const column = left + x - region.x;
      if (column < 0 || column >= region.width) continue;
      const over = limit - levels[i];
      const changes = over >= 1 || (over > 0 && randomAt(SEED, left + x, top + y) < over * 2 ** 32);
      if (changes !== ink) setBit(out, column, row);
    }
  }
}

/** The level below which a share of the pixels lies, and a share of the pixels of that level: what is known of two tones, as near as each is. */
function levelAt(below: Float32Array, count: number, tone: number, share: number): number {
  const at = tone * TONES;
  const i = Math.min(TONES - 1, Math.floor(at));
  const [lighter, darker] = [i * (count + 1), (i + 1) * (count + 1)];
  const shareBelow = (level: number): number =>
    below[lighter + level] + (below[darker + level] - below[lighter + level]) * (at - i);
  let [low, high] = [0, count];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (shareBelow(middle) < share) low = middle;
    else high = middle;
  }
  const [from, to] = [shareBelow(low), shareBelow(high)];
  return to > from ? low + Math.min(1, Math.max(0, (share - from) / (to - from))) : low;
}
