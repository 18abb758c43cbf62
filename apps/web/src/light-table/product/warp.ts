/** Where a point of a print, in shares of its width and height, comes to lie in a picture. */
export type Warp = (u: number, v: number) => { readonly x: number; readonly y: number };

/** Cells each way that a print is cut into. */
const CELLS = 28;
/** Pixels that neighbours overlap by, so that no seam shows. */
const OVERLAP = 1.2;

/** Draws a picture through a warp, as many small triangles. */
export function drawWarped(
  context: CanvasRenderingContext2D,
  picture: CanvasImageSource & { readonly width: number; readonly height: number },
  warp: Warp,
): void {
  const { width, height } = picture;
  const cell = { width: width / CELLS, height: height / CELLS };
  for (let j = 0; j < CELLS; j++) {
    for (let i = 0; i < CELLS; i++) {
      const at = (di: number, dj: number) => ({
        from: { x: (i + di) * cell.width, y: (j + dj) * cell.height },
        to: warp((i + di) / CELLS, (j + dj) / CELLS),
      });
      const [a, b, c, d] = [at(0, 0), at(1, 0), at(1, 1), at(0, 1)];
      drawTriangle(context, picture, a, b, d);
      drawTriangle(context, picture, c, d, b);
    }
  }
}

/** A part of a print, in shares of its width and height. */
export interface Part {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Places along a print at which it is asked whether they can be seen. */
const LOOKS = 64;

/**
 * The part of a print that comes to lie in a picture, in shares of its width and height, a little more on every side; all of it where none
 * does.
 */
export function seenPart(
  warp: Warp,
  { width, height }: { readonly width: number; readonly height: number },
): Part {
  let [left, top, right, foot] = [1, 1, 0, 0];
  for (let j = 0; j <= LOOKS; j++) {
    for (let i = 0; i <= LOOKS; i++) {
      const [u, v] = [i / LOOKS, j / LOOKS];
      const { x, y } = warp(u, v);
      if (x < 0 || y < 0 || x > width || y > height) continue;
      [left, right] = [Math.min(left, u), Math.max(right, u)];
      [top, foot] = [Math.min(top, v), Math.max(foot, v)];
    }
  }
  // Nothing of what lies between two looks is left out.
  const more = 1 / LOOKS;
  [left, top] = [Math.max(0, left - more), Math.max(0, top - more)];
  [right, foot] = [Math.min(1, right + more), Math.min(1, foot + more)];
  return right > left && foot > top
    ? { x: left, y: top, width: right - left, height: foot - top }
    : { x: 0, y: 0, width: 1, height: 1 };
}

interface Corner {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}

function drawTriangle(
  context: CanvasRenderingContext2D,
  picture: CanvasImageSource,
  a: Corner,
  b: Corner,
  c: Corner,
): void {
  const [ux, uy] = [b.from.x - a.from.x, b.from.y - a.from.y];
  const [vx, vy] = [c.from.x - a.from.x, c.from.y - a.from.y];
  const [px, py] = [b.to.x - a.to.x, b.to.y - a.to.y];
  const [qx, qy] = [c.to.x - a.to.x, c.to.y - a.to.y];
  const area = ux * vy - uy * vx;
  const xx = (px * vy - qx * uy) / area;
  const xy = (qx * ux - px * vx) / area;
  const yx = (py * vy - qy * uy) / area;
  const yy = (qy * ux - py * vx) / area;
  const middle = { x: (a.to.x + b.to.x + c.to.x) / 3, y: (a.to.y + b.to.y + c.to.y) / 3 };
  context.save();
  context.beginPath();
  for (const { to } of [a, b, c]) {
    const [dx, dy] = [to.x - middle.x, to.y - middle.y];
    const length = Math.hypot(dx, dy) || 1;
    context.lineTo(to.x + (dx / length) * OVERLAP, to.y + (dy / length) * OVERLAP);
  }
  context.clip();
  context.transform(
    xx,
    yx,
    xy,
    yy,
    a.to.x - xx * a.from.x - xy * a.from.y,
    a.to.y - yx * a.from.x - yy * a.from.y,
  );
  context.drawImage(picture, 0, 0);
  context.restore();
}
