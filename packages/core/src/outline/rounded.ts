/** Room for the points of an outline, used within one call. */
let roundedPoints = new Float64Array(1 << 10);

/**
 * Points moved off an outline that bends just as far as its straight pieces need to hold the same area: a piece of length a cuts off
 * κa³ ÷ 12 of what a curvature κ encloses, and a point moved by d gives back d times half the lengths at its sides. Good until the next call.
 */
export function rounded(loop: Float64Array, length: number): Float64Array {
  if (roundedPoints.length < length) roundedPoints = new Float64Array(2 * length);
  const out = roundedPoints;
  const last = length - 2;
  let ax = loop[0] - loop[last];
  let ay = loop[1] - loop[last + 1];
  let a = Math.sqrt(ax * ax + ay * ay);
  for (let i = 0; i < length; i += 2) {
    const after = i === last ? 0 : i + 2;
    const bx = loop[after] - loop[i];
    const by = loop[after + 1] - loop[i + 1];
    const b = Math.sqrt(bx * bx + by * by);
    const cx = ax + bx;
    const cy = ay + by;
    const c = Math.sqrt(cx * cx + cy * cy);
    // How far the point is off the line between its neighbours; κ is twice that ÷ ab.
    const off = a * b * c < 1e-12 ? 0 : (cx * ay - cy * ax) / (c * c);
    const move = off === 0 ? 0 : off * Math.min(1, (a * a - a * b + b * b) / (6 * a * b));
    out[i] = loop[i] - cy * move;
    out[i + 1] = loop[i + 1] + cx * move;
    ax = bx;
    ay = by;
    a = b;
  }
  return out;
}
