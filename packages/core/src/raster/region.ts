/** A rectangle of whole pixels, half open: x ≤ column < x + width. */
export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The part both regions share; width or height is 0 when there is none. */
export function intersect(a: Region, b: Region): Region {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  };
}

/** All of a grid. */
export const wholeOf = ({ width, height }: { readonly width: number; readonly height: number }): Region => ({
  x: 0,
  y: 0,
  width,
  height,
});

/** True when the region holds no pixel. */
export const isEmpty = (region: Region): boolean => region.width <= 0 || region.height <= 0;

/**
 * Cuts a region into bands of whole rows, top to bottom, each of about `pixels` pixels and at least
 * `least` rows: a film is made band by band so that memory grows with the band, not with the film.
 */
export function* bands(region: Region, pixels: number, least = 1): Generator<Region> {
  const rows = Math.max(least, Math.floor(pixels / Math.max(1, region.width)));
  for (let y = region.y; y < region.y + region.height; y += rows) {
    yield { ...region, y, height: Math.min(rows, region.y + region.height - y) };
  }
}

/** A region with so many pixels more on every side. */
export const grownRegion = ({ x, y, width, height }: Region, by: number): Region => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});
