/** Parts that the way from one point to the next is looked at in. */
const PARTS: i32 = 4;

/**
 * Pieces of outlines in squares of four points, by which of them have ink (left top 8, right top 4, right foot 2, left foot 1), a byte each: the side that it
 * comes from times 16, and the one it goes to (top 0, right 1, foot 2, left 3). Of 5 and 10, which have two, the first, and others follow.
 */
const PIECES_TO_7: u64 = 0x30_20_10_10_31_21_32_00;
const PIECES_FROM_8: u64 = 0x00_23_12_13_01_03_02_03;
const SECOND_OF_5: u32 = 0x32;
const SECOND_OF_10: u32 = 0x21;
/** The same two where ink meets across the middle of two opposite corners. */
const JOINED_5: u32 = 0x12_30;
const JOINED_10: u32 = 0x23_01;

/** Outlines of so few points are left as they are. */
const FEW: i32 = 8;
/** Points of a long outline that are thinned together; the ends of each stretch stay. */
const STRETCH: i32 = 64;
/** A stretch whose ends stay keeps its farthest point if that is farther off than this part of the distance. */
const STILL: f64 = 4;

// Room of the call at hand: which points of an outline stay, their numbers, twice the area lost after each, ends of stretches that are still to be looked at;
// how far points may stray, steps along the cell, and where what stays is written.
let keptAt: usize = 0;
let marksAt: usize = 0;
let lostAt: usize = 0;
let endsAt: usize = 0;
let distance: f64 = 0;
let steps: f64 = 0;
let outAt: usize = 0;

/**
 * Outlines of what is inked of a square cell, from its middle, in cells, ink always to the same hand: where tones (f32, `side` + 1 points each way, row by
 * row) are above thresholds. Adds `shift` to tones between 0 and 65535, in their place. `thresholds` (f32) has those of the points, then, for each row of
 * points, those from one to the next in quarters of the way, and the same for each column. Points are moved and thinned as in `outline/`: by no more than
 * `strays` steps from one point to the next, but for those on the cell's sides, of which the ends stay.
 *
 * Writes x and y (f64) of each outline's points to `out`, one outline after another, and to `told` the area in cells (f64), 1 where an outline meets a side
 * (i32), how many points there are (i32), and how many numbers each outline has (i32); returns how many outlines there are. With n = side + 1, `room` is
 * of 144n² + 64n + 256 bytes, `out` of 32n² + 64, `told` of 2n² + 32. Reads up to three numbers past rows of points.
 */
export function traceCell(
  tones: usize,
  thresholds: usize,
  side: i32,
  shift: f32,
  strays: f64,
  room: usize,
  out: usize,
  told: usize,
): i32 {
  const width = side + 1;
  const stride = (width + 3) & ~3;
  const words = (width >> 5) + 1;
  const rowBytes = <usize>(stride << 2);
  const bitBytes = <usize>(words << 2);
  // Points of outlines, at most: there are so many where every other point has ink.
  const most = <usize>(2 * width * width + 2);
  const places = room;
  const raw = places + 16 * most;
  const moved = raw + 16 * (most + 1);
  lostAt = moved + 16 * most;
  const next = lostAt + 8 * (most + 1);
  marksAt = next + 4 * most;
  endsAt = marksAt + 4 * (most + 1);
  keptAt = endsAt + 4 * most;
  const values = keptAt + ((most + 15) & ~15);
  const columns = values + rowBytes * <usize>width;
  const bits = columns + <usize>(4 * width + 8);
  const along = thresholds + <usize>(4 * width * width);
  const down = along + <usize>(4 * width * (PARTS * side + 1));

  readOver(tones, thresholds, width, shift, values, bits, bitBytes);
  let count = 0;
  for (let y = -1; y < width; y++) {
    const upper = bits + bitBytes * <usize>(y + 1);
    const lower = upper + bitBytes;
    const above = values + rowBytes * <usize>y;
    let right = -1;
    let lastUpper: u32 = 0;
    let lastLower: u32 = 0;
    for (let word = 0; word < words; word++) {
      const over = load<u32>(upper + (word << 2));
      const under = load<u32>(lower + (word << 2));
      // Of each square the ink of its left points, and of its right ones.
      const overLeft = (over << 1) | lastUpper;
      const underLeft = (under << 1) | lastLower;
      lastUpper = over >> 31;
      lastLower = under >> 31;
      let met = (over ^ overLeft) | (under ^ underLeft) | (over ^ under);
      for (; met; met &= met - 1) {
        const bit = ctz(met);
        const x = (word << 5) + bit;
        const corners =
          (((overLeft >> bit) & 1) << 3) |
          (((over >> bit) & 1) << 2) |
          (((under >> bit) & 1) << 1) |
          ((underLeft >> bit) & 1);
        const column = columns + (x << 2);
        const top = load<i32>(column);
        const left = right;
        if (((under ^ underLeft) >> bit) & 1) {
          let px: f64 = 0;
          if (x === width) px = <f64>side;
          else if (x > 0) {
            const at = tones + <usize>(((y + 1) * width + x - 1) << 2);
            const line = along + <usize>(((y + 1) * (PARTS * side + 1) + PARTS * (x - 1)) << 2);
            px = <f64>(x - 1) + crossing(at, at + 4, line);
          }
          store<i32>(column, count);
          addPoint(places, next, count++, px, <f64>(y + 1));
        }
        if (((over ^ under) >> bit) & 1) {
          let py: f64 = 0;
          if (y === side) py = <f64>side;
          else if (y >= 0) {
            const at = tones + <usize>((y * width + x) << 2);
            const line = down + <usize>((x * (PARTS * side + 1) + PARTS * y) << 2);
            py = <f64>y + crossing(at, at + <usize>(width << 2), line);
          }
          right = count;
          addPoint(places, next, count++, <f64>x, py);
        } else right = -1;
        const foot = load<i32>(column);
        const byte = <u64>((corners & 7) << 3);
        let pieces = <u32>((corners < 8 ? PIECES_TO_7 : PIECES_FROM_8) >> byte) & 0xff;
        if (corners === 5 || corners === 10) {
          const at = above + (x << 2);
          const middle =
            <f64>load<f32>(at - 4) +
            <f64>load<f32>(at) +
            <f64>load<f32>(at - 4 + rowBytes) +
            <f64>load<f32>(at + rowBytes);
          if (middle > 0) pieces = corners === 5 ? JOINED_5 : JOINED_10;
          else pieces |= (corners === 5 ? SECOND_OF_5 : SECOND_OF_10) << 8;
          const from = endOf((pieces >> 12) & 15, top, right, foot, left);
          store<i32>(next + <usize>(from << 2), endOf((pieces >> 8) & 15, top, right, foot, left));
        }
        const from = endOf((pieces >> 4) & 15, top, right, foot, left);
        store<i32>(next + <usize>(from << 2), endOf(pieces & 15, top, right, foot, left));
      }
    }
  }
  distance = strays;
  steps = <f64>side;
  outAt = out;
  let area: f64 = 0;
  let touches = 0;
  let loops = 0;
  let lengths = told + 16;
  for (let first = 0; first < count; first++) {
    const length = takeLoop(places, next, first, raw);
    if (length === 0) continue;
    const begin = outAt;
    let onSide = moveOff(raw, length, moved);
    area += areaOf(moved, length);
    if (onSide < 0) thinClosed(moved, length);
    else {
      // Begun where it comes to a side, so that there is one piece along it.
      for (let k = 0; k < length && isAmidSide(moved, length, onSide); k++)
        onSide = onSide > 0 ? onSide - 1 : length - 1;
      const rest = <usize>((length - onSide) << 4);
      memory.copy(raw, moved + <usize>(onSide << 4), rest);
      memory.copy(raw + rest, moved, <usize>((onSide + 1) << 4));
      thinAlongSides(raw, length);
    }
    const numbers = <i32>((outAt - begin) >> 3);
    if (numbers < 6) {
      outAt = begin;
      continue;
    }
    if (onSide >= 0) touches = 1;
    store<i32>(lengths, numbers);
    lengths += 4;
    loops++;
  }
  store<f64>(told, area / (2 * steps * steps));
  store<i32>(told, touches, 8);
  store<i32>(told, <i32>((outAt - out) >> 4), 12);
  return loops;
}

/** How far tones are above thresholds (f32, rows of a multiple of four), and which are, a bit each, with a row of none above and below. */
// @ts-ignore: decorator
@inline
function readOver(
  tones: usize,
  thresholds: usize,
  width: i32,
  shift: f32,
  values: usize,
  bits: usize,
  bitBytes: usize,
): void {
  const more = f32x4.splat(shift);
  const none = f32x4.splat(0);
  const solid = f32x4.splat(65535);
  memory.fill(bits, 0, bitBytes * <usize>(width + 2));
  for (let y = 0; y < width; y++) {
    bits += bitBytes;
    for (let x = 0; x < width; x += 4) {
      let four = v128.load(tones + (x << 2));
      const between = v128.and(f32x4.gt(four, none), f32x4.lt(four, solid));
      four = f32x4.add(four, v128.and(more, between));
      const over = f32x4.sub(four, v128.load(thresholds + (x << 2)));
      let ink = i32x4.bitmask(f32x4.gt(over, none));
      v128.store(values + (x << 2), over);
      if (x + 4 <= width) v128.store(tones + (x << 2), four);
      else {
        // Numbers past the row are of the next.
        const rest = width - x;
        ink &= (1 << rest) - 1;
        store<f32>(tones + (x << 2), f32x4.extract_lane(four, 0));
        if (rest > 1) store<f32>(tones + (x << 2), f32x4.extract_lane(four, 1), 4);
        if (rest > 2) store<f32>(tones + (x << 2), f32x4.extract_lane(four, 2), 8);
      }
      const word = bits + ((x >> 5) << 2);
      store<u32>(word, load<u32>(word) | (<u32>ink << (x & 31)));
    }
    tones += width << 2;
    thresholds += width << 2;
    values += ((width + 3) & ~3) << 2;
  }
}

/** Share of the way from one tone to another at which they pass the thresholds between; these run straight in each part of the way. */
// @ts-ignore: decorator
@inline
function crossing(from: usize, to: usize, thresholds: usize): f64 {
  const tone = <f64>load<f32>(from);
  const more = (<f64>load<f32>(to) - tone) / PARTS;
  let last = tone - <f64>load<f32>(thresholds);
  const isInk = last > 0;
  let part = 0;
  let over: f64;
  for (;;) {
    thresholds += 4;
    part++;
    over = tone + more * <f64>part - <f64>load<f32>(thresholds);
    if (part === PARTS || over > 0 !== isInk) break;
    last = over;
  }
  return (<f64>(part - 1) + min<f64>(1, max<f64>(0, last / (last - over)))) / PARTS;
}

// @ts-ignore: decorator
@inline
function addPoint(places: usize, next: usize, at: i32, x: f64, y: f64): void {
  const place = places + <usize>(at << 4);
  store<f64>(place, x);
  store<f64>(place, y, 8);
  store<i32>(next + <usize>(at << 2), -1);
}

// @ts-ignore: decorator
@inline
function endOf(side: u32, top: i32, right: i32, foot: i32, left: i32): i32 {
  return side === 0 ? top : side === 1 ? right : side === 2 ? foot : left;
}

/** Copies the points of the outline that a point is on, and forgets it; returns how many they are. */
// @ts-ignore: decorator
@inline
function takeLoop(places: usize, next: usize, first: i32, out: usize): i32 {
  let length = 0;
  let at = first;
  let then = load<i32>(next + <usize>(at << 2));
  while (then >= 0) {
    store<i32>(next + <usize>(at << 2), -1);
    v128.store(out + <usize>(length << 4), v128.load(places + <usize>(at << 4)));
    length++;
    at = then;
    then = load<i32>(next + <usize>(at << 2));
  }
  return length;
}

// @ts-ignore: decorator
@inline
function xOf(points: usize, at: i32): f64 {
  return load<f64>(points + <usize>(at << 4));
}

// @ts-ignore: decorator
@inline
function yOf(points: usize, at: i32): f64 {
  return load<f64>(points + <usize>(at << 4), 8);
}

// @ts-ignore: decorator
@inline
function isOnSide(x: f64, y: f64): bool {
  return x === 0 || y === 0 || x === steps || y === steps;
}

// @ts-ignore: decorator
@inline
function put(x: f64, y: f64): void {
  store<f64>(outAt, x / steps - 0.5);
  store<f64>(outAt, y / steps - 0.5, 8);
  outAt += 16;
}

/** Moves points off an outline that bends, as `outline/rounded.ts` has it, but for those on a side; returns the last of these, −1 for none. */
// @ts-ignore: decorator
@inline
function moveOff(loop: usize, length: i32, out: usize): i32 {
  let onSide = -1;
  let x = xOf(loop, 0);
  let y = yOf(loop, 0);
  let ax = x - xOf(loop, length - 1);
  let ay = y - yOf(loop, length - 1);
  let a = Math.sqrt(ax * ax + ay * ay);
  for (let i = 0; i < length; i++) {
    const after = i + 1 < length ? i + 1 : 0;
    const nextX = xOf(loop, after);
    const nextY = yOf(loop, after);
    const bx = nextX - x;
    const by = nextY - y;
    const b = Math.sqrt(bx * bx + by * by);
    let toX = x;
    let toY = y;
    if (isOnSide(x, y)) onSide = i;
    else {
      const cx = ax + bx;
      const cy = ay + by;
      const c = Math.sqrt(cx * cx + cy * cy);
      const off = a * b * c < 1e-12 ? 0 : (cx * ay - cy * ax) / (c * c);
      const move = off === 0 ? 0 : off * min<f64>(1, (a * a - a * b + b * b) / (6 * a * b));
      toX = x - cy * move;
      toY = y + cx * move;
    }
    store<f64>(out + <usize>(i << 4), toX);
    store<f64>(out + <usize>(i << 4), toY, 8);
    x = nextX;
    y = nextY;
    ax = bx;
    ay = by;
    a = b;
  }
  return onSide;
}

/** Twice the area of a closed outline. */
// @ts-ignore: decorator
@inline
function areaOf(points: usize, length: i32): f64 {
  let x = xOf(points, length - 1);
  let y = yOf(points, length - 1);
  let area: f64 = 0;
  for (let i = 0; i < length; i++) {
    const nextX = xOf(points, i);
    const nextY = yOf(points, i);
    area += x * nextY - nextX * y;
    x = nextX;
    y = nextY;
  }
  return area;
}

/** An outline that meets sides of the cell, begun on one and back there: one piece along each, and as few points as may be between them. */
function thinAlongSides(points: usize, last: i32): void {
  for (let from = 0; from < last; ) {
    let to = from + 1;
    if (runsAlong(points, from, to)) {
      while (to < last && runsAlong(points, to, to + 1) && runsAlong(points, from, to + 1)) to++;
      put(xOf(points, to), yOf(points, to));
    } else {
      while (to < last && !isOnSide(xOf(points, to), yOf(points, to))) to++;
      thinStretch(points, from, to);
    }
    from = to;
  }
}

/** Whether two points lie on the same side of the cell. */
// @ts-ignore: decorator
@inline
function runsAlong(points: usize, from: i32, to: i32): bool {
  const x = xOf(points, from);
  const y = yOf(points, from);
  return (
    (x === xOf(points, to) && (x === 0 || x === steps)) || (y === yOf(points, to) && (y === 0 || y === steps))
  );
}

/** Whether an outline runs along one side of the cell before a point of it and after it. */
// @ts-ignore: decorator
@inline
function isAmidSide(points: usize, length: i32, at: i32): bool {
  const x = xOf(points, at);
  const y = yOf(points, at);
  const isCorner = (x === 0 || x === steps) && (y === 0 || y === steps);
  const before = at > 0 ? at - 1 : length - 1;
  const after = at + 1 < length ? at + 1 : 0;
  return !isCorner && runsAlong(points, before, at) && runsAlong(points, at, after);
}

/** Puts the points that are kept of a closed outline, moved so that it encloses as much as before. */
function thinClosed(points: usize, count: i32): void {
  if (count < FEW) {
    for (let i = 0; i < count; i++) put(xOf(points, i), yOf(points, i));
    return;
  }
  memory.fill(keptAt, 0, count);
  const stretches = max(2, (count + STRETCH - 1) / STRETCH);
  for (let k = 0; k < stretches; k++)
    keepBetween(points, count, (k * count) / stretches, ((k + 1) * count) / stretches);
  const found = listMarks(0, count);
  for (let k = 0; k < found; k++)
    store<f64>(lostAt + (k << 3), lostBetween(points, count, markAt(k), k + 1 < found ? markAt(k + 1) : count));
  for (let k = 0; k < found; k++) {
    const before = k > 0 ? k - 1 : found - 1;
    const after = k + 1 < found ? k + 1 : 0;
    const more = (load<f64>(lostAt + (before << 3)) + load<f64>(lostAt + (k << 3))) / 2;
    putMoved(points, markAt(before), markAt(k), markAt(after), more);
  }
}

/** The same for a stretch whose ends stay where they are; all but the first point. */
function thinStretch(points: usize, from: i32, to: i32): void {
  memory.fill(keptAt + from, 0, to - from);
  keepBetween(points, -1, from, to);
  let found = listMarks(from, to);
  if (found === 1) {
    // With no point that can be moved, nothing makes up for what is cut off.
    const at = farthestFrom(points, -1, from, to, distance / STILL);
    if (at >= 0) store<i32>(marksAt + (found++ << 2), at);
  }
  store<i32>(marksAt + (found << 2), to);
  for (let k = 0; k < found; k++)
    store<f64>(lostAt + (k << 3), lostBetween(points, -1, markAt(k), markAt(k + 1)));
  for (let k = 1; k < found; k++) {
    // The ends stay, so that what is lost beside them is made up for by the points next to these.
    const first = load<f64>(lostAt + ((k - 1) << 3));
    const second = load<f64>(lostAt + (k << 3));
    const more = (k === 1 ? first : first / 2) + (k === found - 1 ? second : second / 2);
    putMoved(points, markAt(k - 1), markAt(k), markAt(k + 1), more);
  }
  put(xOf(points, to), yOf(points, to));
}

// @ts-ignore: decorator
@inline
function markAt(k: i32): i32 {
  return load<i32>(marksAt + <usize>(k << 2));
}

function listMarks(from: i32, to: i32): i32 {
  let found = 0;
  for (let i = from; i < to; i++) if (load<u8>(keptAt + i)) store<i32>(marksAt + (found++ << 2), i);
  return found;
}

/** Twice the area between an outline and the line from one of its points to another; `to` may be the first again. */
function lostBetween(points: usize, count: i32, from: i32, to: i32): f64 {
  const x = xOf(points, from);
  const y = yOf(points, from);
  let lastX: f64 = 0;
  let lastY: f64 = 0;
  let sum: f64 = 0;
  for (let i = from + 1; i <= to; i++) {
    const at = i === count ? 0 : i;
    const px = xOf(points, at) - x;
    const py = yOf(points, at) - y;
    sum += lastX * py - px * lastY;
    lastX = px;
    lastY = py;
  }
  return sum;
}

/** Puts a point moved off the line between those before and after it, by no more than the distance, so that twice the area grows by `more`. */
// @ts-ignore: decorator
@inline
function putMoved(points: usize, before: i32, at: i32, after: i32, more: f64): void {
  const dx = xOf(points, after) - xOf(points, before);
  const dy = yOf(points, after) - yOf(points, before);
  const length = Math.sqrt(dx * dx + dy * dy);
  const most = more < 0 ? -distance : distance;
  const move = Math.abs(more) < length * distance ? more / length : most;
  const by = length === 0 ? 0 : move / length;
  put(xOf(points, at) + dy * by, yOf(points, at) - dx * by);
}

/** Marks the points that are kept of a stretch, its first one with them; `last` may be the outline's first again. */
function keepBetween(points: usize, count: i32, first: i32, last: i32): void {
  store<u8>(keptAt + first, 1);
  let from = first;
  let to = last;
  let held = 0;
  for (;;) {
    const at = farthestFrom(points, count, from, to, distance);
    if (at >= 0) {
      store<u8>(keptAt + at, 1);
      store<i32>(endsAt + (held++ << 2), to);
      to = at;
    } else if (held > 0) {
      from = to;
      to = load<i32>(endsAt + (--held << 2));
    } else return;
  }
}

/** Of the points between two, the one farthest from the line between these, if it is farther than `apart`; −1 for none. */
// @ts-ignore: decorator
@inline
function farthestFrom(points: usize, count: i32, from: i32, to: i32, apart: f64): i32 {
  const end = to === count ? 0 : to;
  const x = xOf(points, from);
  const y = yOf(points, from);
  const dx = xOf(points, end) - x;
  const dy = yOf(points, end) - y;
  const length = dx * dx + dy * dy;
  let most = apart * apart * (length === 0 ? 1 : length);
  let found = -1;
  for (let i = from + 1; i < to; i++) {
    const px = xOf(points, i) - x;
    const py = yOf(points, i) - y;
    const across = px * dy - py * dx;
    const off = length === 0 ? px * px + py * py : across * across;
    if (off > most) {
      most = off;
      found = i;
    }
  }
  return found;
}
