/** Sine of an angle in radians from −π/4 to π/4, by its series. */
function sineNear(x: number): number {
  const x2 = x * x;
  let sum = 1;
  for (let k = 17; k >= 3; k -= 2) sum = 1 - (sum * x2) / (k * (k - 1));
  return x * sum;
}

function cosineNear(x: number): number {
  const x2 = x * x;
  let sum = 1;
  for (let k = 18; k >= 2; k -= 2) sum = 1 - (sum * x2) / (k * (k - 1));
  return sum;
}

/**
 * Cosine and sine of an angle in degrees, of additions, multiplications and divisions alone: `Math.cos` may differ in
 * its last bit from one JavaScript engine to another; films must not. Whole quarter turns are exact.
 */
export function turnOf(degrees: number): { cos: number; sin: number } {
  const quarters = Math.round(degrees / 90);
  const rest = ((degrees - quarters * 90) * Math.PI) / 180;
  const [c, s] = [cosineNear(rest), sineNear(rest)];
  switch (((quarters % 4) + 4) % 4) {
    case 0:
      return { cos: c, sin: s };
    case 1:
      return { cos: -s, sin: c };
    case 2:
      return { cos: -c, sin: -s };
    default:
      return { cos: s, sin: -c };
  }
}

/** Sine of an angle in turns, of additions, multiplications and divisions alone. */
export const sineOfTurns = (turns: number): number => turnOf((turns - Math.floor(turns)) * 360).sin;

/** Angle of a point seen from 0, in turns from 0 to 1, from x to y, of basic arithmetic and square roots alone. */
export function turnsOf(x: number, y: number): number {
  const [a, b] = [Math.abs(x), Math.abs(y)];
  if (a === 0 && b === 0) return 0;
  // Halved twice: atan t = 2 atan(t ÷ (1 + √(1 + t²))).
  let t = Math.min(a, b) / Math.max(a, b);
  t /= 1 + Math.sqrt(1 + t * t);
  t /= 1 + Math.sqrt(1 + t * t);
  const t2 = t * t;
  let sum = 0;
  for (let k = 15; k >= 1; k -= 2) sum = 1 / k - t2 * sum;
  let turns = (4 * t * sum) / (2 * Math.PI);
  if (b > a) turns = 0.25 - turns;
  if (x < 0) turns = 0.5 - turns;
  if (y < 0) turns = 1 - turns;
  return turns >= 1 ? 0 : turns;
}
