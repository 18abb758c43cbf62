import { arcCurves } from './arc-curves.ts';
import type { PathData } from './path-data.ts';

/** Pieces of text are joined when there are so many. */
const JOINED = 1 << 14;

/** Path operators of PDF (ISO 32000-1, section 8.5.2); arcs become curves. */
export function pdfPathData(): PathData {
  const done: string[] = [];
  let parts: string[] = [];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  const put = (text: string) => {
    parts.push(text);
    if (parts.length < JOINED) return;
    done.push(parts.join('\n'));
    parts = [];
  };
  const to = (nextX: number, nextY: number): string => {
    [x, y] = [Math.round(nextX), Math.round(nextY)];
    return `${x} ${y}`;
  };
  const data: PathData = {
    move(nextX, nextY) {
      put(`${to(nextX, nextY)} m`);
      [startX, startY] = [x, y];
    },
    line(nextX, nextY) {
      if (Math.round(nextX) === x && Math.round(nextY) === y) return;
      put(`${to(nextX, nextY)} l`);
    },
    arc(rx, ry, turn, sweep, nextX, nextY) {
      if (Math.round(nextX) === x && Math.round(nextY) === y) return;
      for (const curve of arcCurves([x, y], rx, ry, turn, sweep, [nextX, nextY])) data.curve(...curve);
    },
    curve(ax, ay, bx, by, nextX, nextY) {
      const controls = [ax, ay, bx, by].map(Math.round).join(' ');
      put(`${controls} ${to(nextX, nextY)} c`);
    },
    close() {
      [x, y] = [startX, startY];
      put('h');
    },
    text: () => [...done, ...(parts.length > 0 ? [parts.join('\n')] : [])].join('\n'),
  };
  return data;
}
