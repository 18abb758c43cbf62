import { clamp } from '../base/numbers.ts';
import { bitAt } from '../raster/bits.ts';
import { viewedBits, type PlatesView } from './plates-view.ts';

/** The range of whole pixels between two positions, kept on the grid. */
function span(from: number, to: number, limit: number): { start: number; size: number } {
  const start = Math.min(limit, Math.max(0, Math.floor(from)));
  return { start, size: Math.max(0, Math.min(limit, Math.ceil(to)) - start) };
}

/** Which plates have ink under the middle of each screen pixel, a bit for each; beyond the film its outermost pixels repeat. */
export function enlargedSets(request: PlatesView): Uint16Array {
  const { frame, view, rows, plates } = request;
  const stepX = view.width / view.columns;
  const stepY = view.height / view.rows;
  const top = view.y + rows.first * stepY;
  const across = span(view.x, view.x + view.width, frame.width);
  const down = span(top, top + rows.count * stepY, frame.height);
  const region = { x: across.start, y: down.start, width: across.size, height: down.size };
  const bits = plates.map((plate) => viewedBits(request, plate, region));
  const sets = new Uint16Array(view.columns * rows.count);
  for (let j = 0, i = 0; j < rows.count; j++) {
    const y = clamp(Math.floor(view.y + (rows.first + j + 0.5) * stepY) - down.start, 0, down.size - 1);
    for (let column = 0; column < view.columns; column++, i++) {
      const x = clamp(Math.floor(view.x + (column + 0.5) * stepX) - across.start, 0, across.size - 1);
      for (let k = 0; k < bits.length; k++) if (bitAt(bits[k], x, y)) sets[i] |= 1 << k;
    }
  }
  return sets;
}
