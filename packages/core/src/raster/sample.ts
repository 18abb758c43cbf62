import { mapPoint, type Affine } from './affine.ts';
import { SOLID, type Plane } from './plane.ts';
import { intersect, type Region } from './region.ts';
import { cutRows, type Rows } from './rows.ts';

const WEIGHT_BITS = 14;
const WEIGHT_ONE = 1 << WEIGHT_BITS;
/** Output columns done at once, so that a turned strip reads a small window of its source at a time. */
const TILE = 256;

/**
 * Bilinear reading of rows through any map, into a plane of the region's size. Beyond the source's edge its outermost
 * pixels repeat. Everything comes from absolute positions, so any part equals that part of the whole.
 *
 * @param map from output pixels (centres at halves) to source pixels
 */
export function sampleInto(source: Rows, map: Affine, region: Region, out: Plane): void {
  for (let x = 0; x < region.width; x += TILE) {
    const width = Math.min(TILE, region.width - x);
    sampleTile(source, map, { ...region, x: region.x + x, width }, out, x);
  }
}

function sampleTile(source: Rows, map: Affine, region: Region, out: Plane, outX: number): void {
  const whole = { x: 0, y: 0, width: source.width, height: source.height };
  const corners = [0, region.width].flatMap((x) =>
    [0, region.height].map((y) => mapPoint(map, region.x + x, region.y + y)),
  );
  const low = (of: (p: { x: number; y: number }) => number, limit: number) =>
    Math.min(limit - 1, Math.max(0, Math.floor(Math.min(...corners.map(of))) - 1));
  const high = (of: (p: { x: number; y: number }) => number, limit: number) =>
    Math.min(limit, Math.max(1, Math.ceil(Math.max(...corners.map(of))) + 2));
  const x0 = low((p) => p.x, source.width);
  const y0 = low((p) => p.y, source.height);
  const window = intersect(whole, {
    x: x0,
    y: y0,
    width: Math.max(1, high((p) => p.x, source.width) - x0),
    height: Math.max(1, high((p) => p.y, source.height) - y0),
  });
  const { data, width } = cutRows(source, window);
  const right = window.x + window.width - 1;
  const bottom = window.y + window.height - 1;
  for (let j = 0; j < region.height; j++) {
    const y = region.y + j + 0.5;
    let to = j * out.width + outX;
    for (let i = 0; i < region.width; i++, to++) {
      const x = region.x + i + 0.5;
      const u = map.xx * x + map.xy * y + map.x0 - 0.5;
      const v = map.yx * x + map.yy * y + map.y0 - 0.5;
      const left = Math.floor(u);
      const top = Math.floor(v);
      const wx = Math.floor((u - left) * WEIGHT_ONE);
      const wy = Math.floor((v - top) * WEIGHT_ONE);
      const a = (left < window.x ? window.x : left > right ? right : left) - window.x;
      const b = (left + 1 < window.x ? window.x : left + 1 > right ? right : left + 1) - window.x;
      const upper = ((top < window.y ? window.y : top > bottom ? bottom : top) - window.y) * width;
      const lower =
        ((top + 1 < window.y ? window.y : top + 1 > bottom ? bottom : top + 1) - window.y) * width;
      const above = data[upper + a] + (((data[upper + b] - data[upper + a]) * wx) >> WEIGHT_BITS);
      const below = data[lower + a] + (((data[lower + b] - data[lower + a]) * wx) >> WEIGHT_BITS);
      out.data[to] = above + (((below - above) * wy) >> WEIGHT_BITS);
    }
  }
}

/**
 * 65535 where a map takes a pixel's centre into the unit square (its left and top edges included), else 0.
 *
 * @param map from output pixels to shares of a box
 */
export function insideBox(map: Affine, region: Region): Plane {
  const data = new Uint16Array(region.width * region.height);
  for (let j = 0, i = 0; j < region.height; j++) {
    const y = region.y + j + 0.5;
    for (let k = 0; k < region.width; k++, i++) {
      const x = region.x + k + 0.5;
      const u = map.xx * x + map.xy * y + map.x0;
      const v = map.yx * x + map.yy * y + map.y0;
      if (u >= 0 && u < 1 && v >= 0 && v < 1) data[i] = SOLID;
    }
  }
  return { width: region.width, height: region.height, data };
}
