import { packed } from './packed';

/**
 * Packs coverage > threshold into bits, most significant first. `column` is where in the brick row the first pixel
 * falls; the thresholds hold `run` entries, a multiple of the brick's width, and eight more of its beginning.
 */
export function compareRow(
  coverage: usize,
  thresholds: usize,
  run: i32,
  brick: i32,
  column: i32,
  width: i32,
  out: usize,
): void {
  let bytes = width >> 3;
  while (bytes > 0) {
    const count = min(bytes, (run - column + 7) >> 3);
    let from = thresholds + ((<usize>column) << 1);
    let i = 0;
    for (; i + 2 <= count; i += 2) {
      const left = i16x8.gt_u(v128.load(coverage), v128.load(from));
      const right = i16x8.gt_u(v128.load(coverage, 16), v128.load(from, 16));
      store<u16>(out, <u16>packed(left, right));
      coverage += 32;
      from += 32;
      out += 2;
    }
    if (i < count) {
      const left = i16x8.gt_u(v128.load(coverage), v128.load(from));
      store<u8>(out, <u8>packed(left, left));
      coverage += 16;
      out += 1;
    }
    bytes -= count;
    column = (column + count * 8) % brick;
  }
  const rest = width & 7;
  if (rest == 0) return;
  let byte = 0;
  for (let i = 0; i < rest; i++) {
    const threshold = load<u16>(thresholds + ((<usize>((column + i) % brick)) << 1));
    if (load<u16>(coverage + ((<usize>i) << 1)) > threshold) byte |= 0x80 >> i;
  }
  store<u8>(out, <u8>byte);
}

/** Where the threshold of a place in a cell lies. */
// @ts-ignore: decorator
@inline
function cellAt(table: usize, u: i32, v: i32): usize {
  return table + (<usize>((((<u32>v) >> 24) << 8) | ((<u32>u) >> 24)) << 1);
}

/** Four numbers that run evenly. */
// @ts-ignore: decorator
@inline
function eachFrom(first: i32, by: i32): v128 {
  return i32x4.add(i32x4.splat(first), i32x4.mul(i32x4.splat(by), i32x4(0, 1, 2, 3)));
}

/** Where the thresholds of four places lie in a table. */
// @ts-ignore: decorator
@inline
function cellsAt(u: v128, v: v128): v128 {
  const rows = v128.and(i32x4.shr_u(v, 15), i32x4.splat(0x1fe00));
  return v128.or(rows, v128.and(i32x4.shr_u(u, 23), i32x4.splat(0x1fe)));
}

/**
 * Compares a row with a table of 256 × 256 thresholds, read at places of a screen cell that run evenly within segments:
 * bit = coverage > threshold − offset, which is kept within 0 and 65534; a threshold of 65535 stays. A segment is seven
 * numbers (i32): u and its step a pixel, v and its step (a cell is 2³² long), the offset and its step (1/256 of coverage),
 * and its pixels. The row begins `skip` pixels into them.
 */
export function lookUpRow(
  coverage: usize,
  table: usize,
  segments: usize,
  skip: i32,
  width: i32,
  out: usize,
): void {
  let byte = 0;
  let i = 0;
  let from = skip;
  for (; from >= load<i32>(segments, 24); segments += 28) from -= load<i32>(segments, 24);
  for (; i < width; from = 0) {
    const du = load<i32>(segments, 4);
    const dv = load<i32>(segments, 12);
    const step = load<i32>(segments, 20);
    let u = load<i32>(segments) + du * from;
    let v = load<i32>(segments, 8) + dv * from;
    let offset = load<i32>(segments, 16) + step * from;
    const end = min(width, i + load<i32>(segments, 24) - from);
    segments += 28;
    const plain = offset == 0 && step == 0;
    while (i < end) {
      if ((i & 7) == 0 && i + 8 <= end) {
        // Eight at a time where a whole byte lies within the segment.
        const near = cellsAt(eachFrom(u, du), eachFrom(v, dv));
        const far = cellsAt(eachFrom(u + 4 * du, du), eachFrom(v + 4 * dv, dv));
        let found = v128.load16_lane(table + <usize>i32x4.extract_lane(near, 0), i16x8.splat(0), 0);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(near, 1), found, 1);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(near, 2), found, 2);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(near, 3), found, 3);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(far, 0), found, 4);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(far, 1), found, 5);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(far, 2), found, 6);
        found = v128.load16_lane(table + <usize>i32x4.extract_lane(far, 3), found, 7);
        if (!plain) {
          const low = eachFrom(offset, step);
          const high = i32x4.add(low, i32x4.splat(4 * step));
          found = v128.bitselect(
            found,
            i16x8.min_u(
              i16x8.splat(-2),
              i16x8.narrow_i32x4_u(
                i32x4.sub(i32x4.extend_low_i16x8_u(found), i32x4.shr_s(low, 8)),
                i32x4.sub(i32x4.extend_high_i16x8_u(found), i32x4.shr_s(high, 8)),
              ),
            ),
            i16x8.eq(found, i16x8.splat(-1)),
          );
        }
        const inked = i16x8.gt_u(v128.load(coverage + ((<usize>i) << 1)), found);
        store<u8>(out++, <u8>packed(inked, inked));
        i += 8;
        u += 8 * du;
        v += 8 * dv;
        offset += 8 * step;
        continue;
      }
      let threshold = <i32>load<u16>(cellAt(table, u, v));
      if (!plain && threshold != 65535) threshold = min(65534, max(0, threshold - (offset >> 8)));
      byte = (byte << 1) | <i32>(<i32>load<u16>(coverage + ((<usize>i) << 1)) > threshold);
      if ((i & 7) == 7) {
        store<u8>(out++, <u8>byte);
        byte = 0;
      }
      i++;
      u += du;
      v += dv;
      offset += step;
    }
  }
  if (width & 7) store<u8>(out, <u8>(byte << (8 - (width & 7))));
}
