const LN2 = 0.6931471805599453;

/** Natural logarithm of m in [0.5, 1], by the series of the area tangent. */
function logNear(m: number): number {
  const t = (m - 1) / (m + 1);
  const t2 = t * t;
  let sum = 0;
  for (let k = 37; k >= 1; k -= 2) sum = sum * t2 + 1 / k;
  return 2 * t * sum;
}

/** Natural logarithm of x > 0, of additions, multiplications and divisions alone. */
export function naturalLog(x: number): number {
  let mantissa = x;
  let exponent = 0;
  for (; mantissa > 1; exponent++) mantissa /= 2;
  for (; mantissa < 0.5; exponent--) mantissa *= 2;
  return logNear(mantissa) + exponent * LN2;
}

/**
 * x to the power p for x ≥ 0, of additions, multiplications and divisions alone. `Math.pow` may differ in its last bit
 * from one JavaScript engine to another; films must not. Agrees with it to 13 figures for results of 1e-6 and more.
 */
export function power(x: number, p: number): number {
  if (x <= 0) return p === 0 ? 1 : 0;
  let mantissa = x;
  let exponent = 0;
  for (; mantissa > 1; exponent++) mantissa /= 2;
  for (; mantissa < 0.5; exponent--) mantissa *= 2;
  const log = p * (logNear(mantissa) + exponent * LN2);
  const whole = Math.floor(log / LN2);
  const rest = log - whole * LN2;
  let sum = 1;
  for (let k = 20; k >= 1; k--) sum = 1 + (sum * rest) / k;
  let result = sum;
  for (let k = 0; k < whole; k++) result *= 2;
  for (let k = 0; k > whole; k--) result /= 2;
  return result;
}
