/** Adds to a number of an array of whole numbers. */
// @ts-ignore: decorator
@inline
function addTo(at: usize, value: i32): void {
  store<i32>(at, load<i32>(at) + value);
}

/** Errors carried to a pixel over the kernel's divisor, rounded. Divisors are written out, for dividing by what is known is quick. */
// @ts-ignore: decorator
@inline
function shareOf(carried: i32, kernel: i32): i32 {
  if (kernel == 0) return (carried + 8) >> 4;
  if (kernel == 3) return (carried + (carried < 0 ? -1 : 1)) / 2;
  if (kernel == 1) return (carried + (carried < 0 ? -24 : 24)) / 48;
  return (carried + (carried < 0 ? -21 : 21)) / 42;
}

/**
 * Error diffusion along one row, from left to right (`way` = 1) or back (−1). `here`, `next` and `after` are this row's errors
 * and those of the two below, times the kernel's divisor (i32, with room for two more to either side); the first is used up.
 * `made` holds the pixels made in the row above (bytes, 0 or 1) and is written over. `noise` is a row of 16-bit noise that moves
 * the threshold by `modulation` (1/65536 of its range) either way, or 0; `feedback` (1/65536 of
 * the range) lowers it beside pixels just inked. `made` has room for one more to either side, 0. Bare
 * and solid coverages come out bare and solid, and take no error on.
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
  let x = way > 0 ? 0 : width - 1;
  const side: usize = way > 0 ? 4 : -4;
  let before = 0;
  let behind = 0;
  for (let i = 0; i < width; i++) {
    const place = (<usize>x) << 2;
    const asked = <i32>load<u16>(coverage + ((<usize>x) << 1));
    const above = <i32>load<u8>(made + <usize>x);
    let ink = 0;
    if (asked == 65535) ink = 1;
    else if (asked > 0) {
      const carried = load<i32>(here + place);
      let value = asked + shareOf(carried, kernel);
      value = max(-131072, min(196608, value));
      let threshold = 32768;
      if (noise) threshold += ((<i32>load<u16>(noise + ((<usize>x) << 1)) - 32768) * modulation) >> 16;
      if (feedback) {
        const ahead = <i32>load<u8>(made + <usize>(x + way));
        const near = 22 * before + 56 * above + 25 * (ahead + behind);
        threshold += (feedback * (64 - near)) >> 7;
      }
      ink = <i32>(value >= threshold);
      const error = value - (ink ? 65535 : 0);
      const n = next + place;
      if (kernel == 0) {
        addTo(here + place + side, 7 * error);
        addTo(n - side, 3 * error);
        addTo(n, 5 * error);
        addTo(n + side, error);
      } else if (kernel == 3) {
        addTo(here + place + side, error);
        addTo(n, error);
      } else {
        const far = 2 * side;
        const h = here + place;
        const a = after + place;
        if (kernel == 1) {
          const e3 = 3 * error;
          const e5 = 5 * error;
          addTo(h + side, 7 * error);
          addTo(h + far, e5);
          addTo(n - far, e3);
          addTo(n - side, e5);
          addTo(n, 7 * error);
          addTo(n + side, e5);
          addTo(n + far, e3);
          addTo(a - far, error);
          addTo(a - side, e3);
          addTo(a, e5);
          addTo(a + side, e3);
          addTo(a + far, error);
        } else {
          const e2 = 2 * error;
          const e4 = 4 * error;
          addTo(h + side, 8 * error);
          addTo(h + far, e4);
          addTo(n - far, e2);
          addTo(n - side, e4);
          addTo(n, 8 * error);
          addTo(n + side, e4);
          addTo(n + far, e2);
          addTo(a - far, error);
          addTo(a - side, e2);
          addTo(a, e4);
          addTo(a + side, e2);
          addTo(a + far, error);
        }
      }
    }
    store<u8>(made + <usize>x, <u8>ink);
    before = ink;
    behind = above;
    x += way;
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
