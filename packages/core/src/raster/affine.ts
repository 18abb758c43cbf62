/** A map of the plane: (x, y) goes to (xx·x + xy·y + x0, yx·x + yy·y + y0). */
export interface Affine {
  readonly xx: number;
  readonly xy: number;
  readonly x0: number;
  readonly yx: number;
  readonly yy: number;
  readonly y0: number;
}

/** The map that does `first`, then `then`. */
export const after = (first: Affine, then: Affine): Affine => ({
  xx: then.xx * first.xx + then.xy * first.yx,
  xy: then.xx * first.xy + then.xy * first.yy,
  x0: then.xx * first.x0 + then.xy * first.y0 + then.x0,
  yx: then.yx * first.xx + then.yy * first.yx,
  yy: then.yx * first.xy + then.yy * first.yy,
  y0: then.yx * first.x0 + then.yy * first.y0 + then.y0,
});

/** A map that moves by so much. */
export const moved = (x: number, y: number): Affine => ({ xx: 1, xy: 0, x0: x, yx: 0, yy: 1, y0: y });
/** A map that makes so many times as large, from the origin. */
export const scaled = (x: number, y = x): Affine => ({ xx: x, xy: 0, x0: 0, yx: 0, yy: y, y0: 0 });

/** Where a point goes. */
export const mapPoint = (map: Affine, x: number, y: number): { x: number; y: number } => ({
  x: map.xx * x + map.xy * y + map.x0,
  y: map.yx * x + map.yy * y + map.y0,
});

/** The map that undoes this one; it must not flatten the plane. */
export function inverse({ xx, xy, x0, yx, yy, y0 }: Affine): Affine {
  const d = xx * yy - xy * yx;
  return {
    xx: yy / d,
    xy: -xy / d,
    x0: (xy * y0 - yy * x0) / d,
    yx: -yx / d,
    yy: xx / d,
    y0: (yx * x0 - xx * y0) / d,
  };
}

/** True when a map neither turns nor shears. */
export const isStraight = (map: Affine): boolean => map.xy === 0 && map.yx === 0;
