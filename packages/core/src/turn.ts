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
