/** Adds to a number of an array of whole numbers. */
// @ts-ignore: decorator
@inline
function addTo(at: usize, value: i32): void {
  store<i32>(at, load<i32>(at) + value);
}

/** What a pixel is asked for with its errors, kept within bounds that only runs of loosened pixels reach: no branch is missed. */
// @ts-ignore: decorator
@inline
function bounded(value: i32): i32 {
  if (value < -131072) return -131072;
  if (value > 196608) return 196608;
  return value;
}

/** The least value that is inked, but for what was inked near. */
// @ts-ignore: decorator
@inline
function barAt(x: i32, noise: usize, modulation: i32): i32 {
  if (!noise) return 32768;
  return 32768 + (((<i32>load<u16>(noise + ((<usize>x) << 1)) - 32768) * modulation) >> 16);
}

/** How much easier it is to ink beside what was just inked. */
// @ts-ignore: decorator
@inline
function eased(feedback: i32, before: i32, above: i32, ahead: i32, behind: i32): i32 {
  if (!feedback) return 0;
  return (feedback * (64 - (22 * before + 56 * above + 25 * (ahead + behind)))) >> 7;
}

/** What is asked for with the errors carried here over the kernel's divisor, rounded. Divisors are written out, for dividing by what is known is quick. */
// @ts-ignore: decorator
@inline
function valueOf(asked: i32, carried: i32, kernel: i32): i32 {
  if (kernel == 0) return (carried + (asked << 4) + 8) >> 4;
  if (kernel == 3) return asked + (carried + (carried < 0 ? -1 : 1)) / 2;
  if (kernel == 1) return asked + (carried + (carried < 0 ? -24 : 24)) / 48;
  return asked + (carried + (carried < 0 ? -21 : 21)) / 42;
}

/**
 * Error diffusion along one row, from left to right (`way` = 1) or back (−1). `here`, `next` and `after` are this row's errors
 * and those of the two below, times the kernel's divisor (i32, with room for two more to either side).
 * `made` holds the pixels made in the row above (bytes, 0 or 1) and is written over. `noise` is a row of 16-bit noise that moves
 * the threshold by `modulation` (1/65536 of its range) either way, or 0; `feedback` (1/65536 of
 * the range) lowers it beside pixels just inked. `made` has room for one more to either side, 0. Bare
 * and solid coverages come out bare and solid, and take no error on.
 *
 * What the next pixels take travels in variables and reaches memory when it is whole: each pixel waits for the one before it, and
 * should wait for as little as can be.
 */
export function diffuseRow(
  coverage: usize,
  here: usize,
  next: usize,
  after: usize,
  made: usize,
  noise: usize,
  modulation: i32,
  feedback: i32,
  kernel: i32,
  way: i32,
  width: i32,
): void {
  if (kernel == 0) along(coverage, here, next, after, made, noise, modulation, feedback, 0, way, width);
  else if (kernel == 1) along(coverage, here, next, after, made, noise, modulation, feedback, 1, way, width);
  else if (kernel == 2) along(coverage, here, next, after, made, noise, modulation, feedback, 2, way, width);
  else along(coverage, here, next, after, made, noise, modulation, feedback, 3, way, width);
}

/** The same for a kernel that is known where this is called, so that what it does not need falls away. */
// @ts-ignore: decorator
@inline
function along(
  coverage: usize,
  here: usize,
  next: usize,
  after: usize,
  made: usize,
  noise: usize,
  modulation: i32,
  feedback: i32,
  kernel: i32,
  way: i32,
  width: i32,
): void {
  // The largest weights of the two wide kernels; to either side of each stand the next smaller, and 1 at the ends of the last row.
  const most: i32 = kernel == 1 ? 7 : 8;
  const more: i32 = kernel == 1 ? 5 : 4;
  const less: i32 = kernel == 1 ? 3 : 2;
  let x = way > 0 ? 0 : width - 1;
  const side: usize = way > 0 ? 4 : -4;
  let before = 0;
  let behind = 0;
  // What the next two pixels take, and those below, from the last one reached to the farthest.
  let h0 = 0;
  let h1 = 0;
  let n0 = 0;
  let n1 = 0;
  let n2 = 0;
  let n3 = 0;
  let a0 = 0;
  let a1 = 0;
  let a2 = 0;
  let a3 = 0;
  for (let i = 0; i < width; i++) {
    const place = (<usize>x) << 2;
    const asked = <i32>load<u16>(coverage + ((<usize>x) << 1));
    const above = <i32>load<u8>(made + <usize>x);
    let ink = 0;
    let error = 0;
    if (asked == 65535) ink = 1;
    else if (asked > 0) {
      const ahead = <i32>load<u8>(made + <usize>(x + way));
      const bar = barAt(x, noise, modulation) + eased(feedback, before, above, ahead, behind);
      const value = bounded(valueOf(asked, load<i32>(here + place) + h0, kernel));
      const inked = ~((value - bar) >> 31);
      ink = inked & 1;
      error = value - (inked & 65535);
    }
    if (kernel == 0) {
      h0 = 7 * error;
      addTo(next + place - side, n0 + 3 * error);
      n0 = n1 + 5 * error;
      n1 = error;
    } else if (kernel == 3) {
      h0 = error;
      addTo(next + place, error);
    } else {
      const by = more * error;
      const little = less * error;
      const much = most * error;
      h0 = h1 + much;
      h1 = by;
      addTo(next + place - 2 * side, n0 + little);
      n0 = n1 + by;
      n1 = n2 + much;
      n2 = n3 + by;
      n3 = little;
      addTo(after + place - 2 * side, a0 + error);
      a0 = a1 + little;
      a1 = a2 + by;
      a2 = a3 + little;
      a3 = error;
    }
    store<u8>(made + <usize>x, <u8>ink);
    before = ink;
    behind = above;
    x += way;
  }
  const end = (<usize>x) << 2;
  if (kernel == 0) {
    addTo(next + end - side, n0);
    addTo(next + end, n1);
  } else if (kernel != 3) {
    const n = next + end - 2 * side;
    addTo(n, n0);
    addTo(n + side, n1);
    addTo(n + 2 * side, n2);
    addTo(n + 3 * side, n3);
    const a = after + end - 2 * side;
    addTo(a, a0);
    addTo(a + side, a1);
    addTo(a + 2 * side, a2);
    addTo(a + 3 * side, a3);
  }
}

/** Packs bytes of 0 and 1 into bits; reads up to seven bytes beyond `width`, which must be 0. */
export function packRow(made: usize, width: i32, out: usize): void {
  for (let i = 0; i < width; i += 8) {
    const eight = load<u64>(made + <usize>i);
    // Gathers the lowest bits of eight bytes, the first byte's the highest.
    store<u8>(out++, <u8>((eight * 0x8040201008040201) >> 56 & 0xff));
  }
}
