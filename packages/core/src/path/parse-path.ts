import type { Contour } from './contour.ts';

/** The contours of plain path data: absolute M, L, C, Q and Z alone, as resvg writes them. Anything else is passed over. */
export function parseContours(d: string): Contour[] {
  const out: Contour[] = [];
  let start: [number, number] = [0, 0];
  let at: [number, number] = start;
  let parts: number[][] = [];
  const finish = (closed: boolean) => {
    if (parts.length > 0) out.push({ start, parts, closed });
    parts = [];
  };
  for (const [, command, rest] of d.matchAll(/([MLCQZ])([^MLCQZ]*)/g)) {
    const numbers = rest
      .trim()
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number);
    if (command === 'Z') {
      finish(true);
      at = start;
      continue;
    }
    if (command === 'M') {
      finish(false);
      start = [numbers[0], numbers[1]];
      at = start;
      for (let i = 2; i + 1 < numbers.length; i += 2) parts.push([numbers[i], numbers[i + 1]]);
    }
    if (parts.length === 0 && command !== 'M') start = at;
    if (command === 'L')
      for (let i = 0; i + 1 < numbers.length; i += 2) parts.push([numbers[i], numbers[i + 1]]);
    if (command === 'C') for (let i = 0; i + 5 < numbers.length; i += 6) parts.push(numbers.slice(i, i + 6));
    if (command === 'Q') {
      for (let i = 0; i + 3 < numbers.length; i += 4) {
        const [x, y] = parts.length > 0 ? parts[parts.length - 1].slice(-2) : at;
        const [cx, cy, ex, ey] = numbers.slice(i, i + 4);
        // The cubic that is the same curve.
        parts.push([
          x + (2 / 3) * (cx - x),
          y + (2 / 3) * (cy - y),
          ex + (2 / 3) * (cx - ex),
          ey + (2 / 3) * (cy - ey),
          ex,
          ey,
        ]);
      }
    }
    const last = parts[parts.length - 1];
    if (last) at = [last[last.length - 2], last[last.length - 1]];
  }
  finish(false);
  return out;
}
