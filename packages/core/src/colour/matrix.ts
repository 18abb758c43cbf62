/** Three rows of three numbers. */
export type Matrix = readonly (readonly number[])[];

/** What a matrix makes of what another one makes. */
export const times = (a: Matrix, b: Matrix): number[][] =>
  a.map((row) => [0, 1, 2].map((k) => row[0] * b[0][k] + row[1] * b[1][k] + row[2] * b[2][k]));

/** The matrix that undoes another. */
export function inverted([[a, b, c], [d, e, f], [g, h, i]]: Matrix): number[][] {
  const [x, y, z] = [e * i - f * h, f * g - d * i, d * h - e * g];
  const whole = a * x + b * y + c * z;
  return [
    [x, c * h - b * i, b * f - c * e],
    [y, a * i - c * g, c * d - a * f],
    [z, b * g - a * h, a * e - b * d],
  ].map((row) => row.map((one) => one / whole));
}
