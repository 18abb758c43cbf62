const LN2 = 0.6931471805599453;

/** Factors of the series of the area tangent and of the exponential, so that they take no division. */
const ODDS = Array.from({ length: 10 }, (_, i) => 1 / (2 * i + 1));
const FACTORIALS = [1];
for (let k = 1; k <= 14; k++) FACTORIALS.push(FACTORIALS[k - 1] / k);

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
  // x as m · 2^e with m from √½ to √2.
  let m = x;
  let e = 0;
  for (; m > Math.SQRT2; e++) m *= 0.5;
  for (; m < Math.SQRT1_2; e--) m *= 2;
  return logNear(m) + e * LN2;
}

/**
 * x to the power p for x ≥ 0, of additions, multiplications and divisions alone. `Math.pow` may differ in its last bit
 * from one JavaScript engine to another; films must not. Agrees with it to 13 figures for results of 1e-6 and more.
 */
export function power(x: number, p: number): number {
  if (x <= 0) return p === 0 ? 1 : 0;
  const log = p * naturalLog(x);
  const whole = Math.floor(log / LN2 + 0.5);
  const rest = log - whole * LN2;
  let result = FACTORIALS[14];
  for (let k = 13; k >= 0; k--) result = result * rest + FACTORIALS[k];
  for (let k = 0; k < whole; k++) result *= 2;
  for (let k = 0; k > whole; k--) result *= 0.5;
  return result;
}
