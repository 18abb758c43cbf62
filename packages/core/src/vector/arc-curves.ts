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
  const [middleX, middleY] = [(x0 + x1) / 2, (y0 + y1) / 2];
  const onSheet = (s: number, t: number): Point => {
    const [ex, ey] = [a * (s + mx), b * (t + my)];
    return [middleX + cos * ex - sin * ey, middleY + sin * ex + cos * ey];
  };
  return Array.from({ length: pieces }, (_, i): Curve => {
    const [start, end] = [from + i * step, from + (i + 1) * step];
    const [c0, s0, c1, s1] = [Math.cos(start), Math.sin(start), Math.cos(end), Math.sin(end)];
    const last: Point = i === pieces - 1 ? [x1, y1] : onSheet(c1, s1);
    return [...onSheet(c0 - pull * s0, s0 + pull * c0), ...onSheet(c1 + pull * s1, s1 - pull * c1), ...last];
  });
}
