const LN2 = 0.6931471805599453;

const SQRT_HALF = Math.SQRT1_2;

/** x as m · 2^e with m from √½ to √2; the first is in `mantissa`, the second is given back. */
let mantissa = 1;
function split(x: number): number {
  mantissa = x;
  let exponent = 0;
  for (; mantissa > Math.SQRT2; exponent++) mantissa *= 0.5;
  for (; mantissa < SQRT_HALF; exponent--) mantissa *= 2;
  return exponent;
}

/** Factors of a series, so that it takes no division. */
const ODDS = Array.from({ length: 10 }, (_, i) => 1 / (2 * i + 1));
const WHOLES = Array.from({ length: 15 }, (_, i) => 1 / (i + 1));

/** Natural logarithm of m in [√½, √2], by the series of the area tangent. */
function logNear(m: number): number {
  const t = (m - 1) / (m + 1);
  const t2 = t * t;
  let sum = 0;
  for (let k = 9; k >= 0; k--) sum = sum * t2 + ODDS[k];
  return 2 * t * sum;
}

/** Natural logarithm of x > 0, of additions, multiplications and divisions alone. */
export function naturalLog(x: number): number {
  const exponent = split(x);
  return logNear(mantissa) + exponent * LN2;
}

/**
 * x to the power p for x ≥ 0, of additions, multiplications and divisions alone. `Math.pow` may differ in its last bit
 * from one JavaScript engine to another; films must not. Agrees with it to 13 figures for results of 1e-6 and more.
 */
export function power(x: number, p: number): number {
  if (x <= 0) return p === 0 ? 1 : 0;
  const exponent = split(x);
  const log = p * (logNear(mantissa) + exponent * LN2);
  const whole = Math.floor(log / LN2 + 0.5);
  const rest = log - whole * LN2;
  let sum = 1;
  for (let k = 14; k >= 0; k--) sum = 1 + sum * rest * WHOLES[k];
  let result = sum;
  for (let k = 0; k < whole; k++) result *= 2;
  for (let k = 0; k > whole; k--) result *= 0.5;
  return result;
}
