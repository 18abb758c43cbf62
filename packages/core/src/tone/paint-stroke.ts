import { mapPoint, type Affine } from '../raster/affine.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import type { Stroke } from '../base/field.ts';
import { pointsOf } from './stroke-points.ts';

/**
 * Paints a stroke on a plane. Within one stroke the brush does not add to itself.
 *
 * @param map from the stroke's shares to pixels of the plane; it turns and scales, and never stretches
 */
export function paintStroke(plane: Plane, stroke: Stroke, map: Affine): void {
  const reach = stroke.radius * Math.sqrt(map.xx * map.xx + map.yx * map.yx);
  const points = pointsOf(stroke).map(([px, py, pressure]) => {
    const { x, y } = mapPoint(map, px, py);
    return [x, y, pressure] as const;
  });
  const left = Math.max(0, Math.floor(Math.min(...points.map(([px]) => px)) - reach));
  const right = Math.min(plane.width, Math.ceil(Math.max(...points.map(([px]) => px)) + reach) + 1);
  const top = Math.max(0, Math.floor(Math.min(...points.map(([, py]) => py)) - reach));
  const bottom = Math.min(plane.height, Math.ceil(Math.max(...points.map(([, py]) => py)) + reach) + 1);
  if (left >= right || top >= bottom) return;
  const width = right - left;
  const share = new Float32Array(width * (bottom - top));
  const core = 1 - Math.min(100, Math.max(0, stroke.softness)) / 100;
  for (let k = 0; k < points.length; k++) {
    const [ax, ay, ap] = points[k];
    const [bx, by, bp] = points[Math.min(points.length - 1, k + 1)];
    const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
    const fromY = Math.max(top, Math.floor(Math.min(ay, by) - reach));
    const toY = Math.min(bottom, Math.ceil(Math.max(ay, by) + reach) + 1);
    const fromX = Math.max(left, Math.floor(Math.min(ax, bx) - reach));
    const toX = Math.min(right, Math.ceil(Math.max(ax, bx) + reach) + 1);
    for (let j = fromY; j < toY; j++) {
      for (let i = fromX; i < toX; i++) {
        const dx = i + 0.5 - ax;
        const dy = j + 0.5 - ay;
        const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, (dx * (bx - ax) + dy * (by - ay)) / length2));
        const distance = Math.sqrt((dx - t * (bx - ax)) ** 2 + (dy - t * (by - ay)) ** 2);
        const pressure = ap + (bp - ap) * t;
        const radius = reach * pressure;
        if (distance >= radius) continue;
        const fade = core >= 1 ? 1 : Math.min(1, (1 - distance / radius) / (1 - core));
        const soft = fade * fade * (3 - 2 * fade);
        const at = (j - top) * width + (i - left);
        if (soft > share[at]) share[at] = soft;
      }
    }
  }
  const strength = stroke.strength / 100;
  for (let j = top; j < bottom; j++) {
    for (let i = left; i < right; i++) {
      const by = share[(j - top) * width + (i - left)] * strength;
      if (by === 0) continue;
      const at = j * plane.width + i;
      const c = plane.data[at];
      plane.data[at] = Math.round(by > 0 ? c + (SOLID - c) * by : c + c * by);
    }
  }
}
