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

/**
 * Outlines of what is inked of a square cell, in steps of its points, ink always to the same hand: where tones (f32, `side` + 1 points each way, row by
 * row) are above thresholds. Adds `shift` to tones between 0 and 65535, in their place. `thresholds` (f32) has those of the points, then, for each row of
 * points, those from one to the next in quarters of the way, and the same for each column.
 *
 * Writes x and y (f64) of each outline's points to `out`, one outline after another, and to `lengths` (i32) how many numbers each has; returns how many
 * outlines there are. With n = side + 1, `room` is of 48n² + 64n + 64 bytes, `out` of 32n² + 64. Reads up to three numbers past rows of points.
 */
export function traceCell(
  tones: usize,
  thresholds: usize,
  side: i32,
  shift: f32,
  room: usize,
  out: usize,
  lengths: usize,
): i32 {
  const width = side + 1;
  const stride = (width + 3) & ~3;
  const words = (width >> 5) + 1;
  const rowBytes = <usize>(stride << 2);
  const bitBytes = <usize>(words << 2);
  const places = room;
  const next = places + <usize>(32 * width * width);
  const values = next + <usize>(8 * width * width);
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
  return writeLoops(places, next, count, out, lengths);
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

// @ts-ignore: decorator
@inline
function writeLoops(places: usize, next: usize, count: i32, out: usize, lengths: usize): i32 {
  let loops = 0;
  for (let first = 0; first < count; first++) {
    let at = first;
    let length = 0;
    for (;;) {
      const link = next + <usize>(at << 2);
      const then = load<i32>(link);
      if (then < 0) break;
      store<i32>(link, -1);
      v128.store(out, v128.load(places + <usize>(at << 4)));
      out += 16;
      length += 2;
      at = then;
    }
    if (length === 0) continue;
    store<i32>(lengths + <usize>(loops << 2), length);
    loops++;
  }
  return loops;
}
