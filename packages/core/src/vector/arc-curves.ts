type Point = readonly [x: number, y: number];
/** Two control points and an end. */
type Curve = readonly [number, number, number, number, number, number];

/**
 * An arc of an ellipse of at most a half as Bézier curves of a quarter at most, which stray from it by less than 0.03 % of its radius.
 *
 * Source: SVG 1.1, appendix F.6.5 (from ends to the middle), with the large-arc flag off.
 *
 * @param turn  of the ellipse's first axis in degrees, y down
 * @param sweep in the way x turns to y
 */
export function arcCurves(
  [x0, y0]: Point,
  rx: number,
  ry: number,
  turn: number,
  sweep: boolean,
  [x1, y1]: Point,
): Curve[] {
  const angle = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [dx, dy] = [(x0 - x1) / 2, (y0 - y1) / 2];
  // Half the chord on a circle of radius 1.
  const u = (cos * dx + sin * dy) / rx;
  const v = (cos * dy - sin * dx) / ry;
  const chord = Math.hypot(u, v);
  // Radii too small for the chord grow until they reach.
  const grown = Math.max(1, chord);
  const [a, b] = [rx * grown, ry * grown];
  const [p, q] = [u / grown, v / grown];
  const length = Math.min(1, chord / grown);
  const off = (sweep ? 1 : -1) * (length > 0 ? Math.sqrt(Math.max(0, 1 - length * length)) / length : 0);
  const [mx, my] = [off * q, -off * p];
  const from = Math.atan2(q - my, p - mx);
  let sweepAngle = Math.atan2(-q - my, -p - mx) - from;
  if (sweep && sweepAngle < 0) sweepAngle += 2 * Math.PI;
  if (!sweep && sweepAngle > 0) sweepAngle -= 2 * Math.PI;
  const pieces = Math.max(1, Math.ceil(Math.abs(sweepAngle) / (Math.PI / 2) - 1e-6));
  const step = sweepAngle / pieces;
  const pull = (4 / 3) * Math.tan(step / 4);
  const [turnCos, turnSin] = [Math.cos(step), Math.sin(step)];
  const [middleX, middleY] = [(x0 + x1) / 2, (y0 + y1) / 2];
  // From the ellipse's middle to the sheet.
  const [centreX, centreY] = [middleX + cos * a * mx - sin * b * my, middleY + sin * a * mx + cos * b * my];
  const [xx, xy, yx, yy] = [a * cos, -b * sin, a * sin, b * cos];
  const curves: Curve[] = [];
  // Where the ellipse begins, on a circle of radius 1; each piece goes on from the end of the one before.
  let [c0, s0] = [Math.cos(from), Math.sin(from)];
  for (let i = 0; i < pieces; i++) {
    const [c1, s1] = [c0 * turnCos - s0 * turnSin, s0 * turnCos + c0 * turnSin];
    const [ac, as] = [c0 - pull * s0, s0 + pull * c0];
    const [bc, bs] = [c1 + pull * s1, s1 - pull * c1];
    const isLast = i === pieces - 1;
    curves.push([
      centreX + xx * ac + xy * as,
      centreY + yx * ac + yy * as,
      centreX + xx * bc + xy * bs,
      centreY + yx * bc + yy * bs,
      isLast ? x1 : centreX + xx * c1 + xy * s1,
      isLast ? y1 : centreY + yx * c1 + yy * s1,
    ]);
    [c0, s0] = [c1, s1];
  }
  return curves;
}
