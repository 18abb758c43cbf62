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

/** Factors of the series of sine and of arc tangent, so that they take no division. */
const SINE = [1, -1 / 6, 1 / 120, -1 / 5040, 1 / 362880, -1 / 39916800, 1 / 6227020800];
const TANGENT = Array.from({ length: 8 }, (_, k) => (k % 2 === 0 ? 1 : -1) / (2 * k + 1));

/** Sine of an angle in turns, of additions and multiplications alone; right to 9 figures. */
export function sineOfTurns(turns: number): number {
  let t = turns - Math.floor(turns + 0.5);
  // Folded to a quarter turn either way.
  if (t > 0.25) t = 0.5 - t;
  else if (t < -0.25) t = -0.5 - t;
  const x = t * 2 * Math.PI;
  const x2 = x * x;
  let sum = 0;
  for (let k = 6; k >= 0; k--) sum = sum * x2 + SINE[k];
  return x * sum;
}

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
  for (let k = 7; k >= 0; k--) sum = sum * t2 + TANGENT[k];
  let turns = (4 * t * sum) / (2 * Math.PI);
  if (b > a) turns = 0.25 - turns;
  if (x < 0) turns = 0.5 - turns;
  if (y < 0) turns = 1 - turns;
  return turns >= 1 ? 0 : turns;
}
