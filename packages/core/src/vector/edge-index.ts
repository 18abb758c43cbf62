import { boxOf, holds, type Area, type Box } from '../path/area.ts';

/** Squares that the box around an area is parted into, each way, to tell what comes near its edge. */
const SQUARES = 512;

export type EdgeIndex = (box: Box) => 'inside' | 'outside' | 'edge';

/** True for one rectangle along the axes. */
const isBox = (area: Area): boolean =>
  area.length === 1 &&
  area[0].length === 4 &&
  area[0].every(({ x, y }, i, { [(i + 1) % 4]: next }) => x === next.x || y === next.y);

/** Tells whether boxes lie inside an area, outside of it, or perhaps across its edge. */
export function edgeIndex(area: Area): EdgeIndex {
  const whole = boxOf(area);
  if (!whole) return () => 'outside';
  if (isBox(area)) {
    return ({ left, right, top, foot }) => {
      if (right < whole.left || left > whole.right || foot < whole.top || top > whole.foot) return 'outside';
      const isIn = left >= whole.left && right <= whole.right && top >= whole.top && foot <= whole.foot;
      return isIn ? 'inside' : 'edge';
    };
  }
  const side = Math.max(1, (whole.right - whole.left) / SQUARES, (whole.foot - whole.top) / SQUARES);
  const column = (x: number) => Math.floor((x - whole.left) / side);
  const row = (y: number) => Math.floor((y - whole.top) / side);
  const [across, down] = [column(whole.right) + 1, row(whole.foot) + 1];
  // 1 where an edge passes; −1 outside and 2 inside once something beside it was asked.
  const squares = new Int8Array(across * down);
  for (const path of area) {
    for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
      const [a, b] = [path[j], path[i]];
      const steps = Math.ceil((2 * Math.hypot(b.x - a.x, b.y - a.y)) / side) + 1;
      for (let k = 0; k <= steps; k++) {
        const [c, r] = [column(a.x + ((b.x - a.x) * k) / steps), row(a.y + ((b.y - a.y) * k) / steps)];
        // A line sampled every half square may cut a corner of a neighbour: that one counts as well.
        for (let y = Math.max(0, r - 1); y <= Math.min(down - 1, r + 1); y++)
          for (let x = Math.max(0, c - 1); x <= Math.min(across - 1, c + 1); x++) squares[y * across + x] = 1;
      }
    }
  }
  return ({ left, right, top, foot }) => {
    if (right < whole.left || left > whole.right || foot < whole.top || top > whole.foot) return 'outside';
    if (left < whole.left || right > whole.right || top < whole.top || foot > whole.foot) return 'edge';
    const [x0, x1, y0, y1] = [column(left), column(right), row(top), row(foot)];
    for (let y = y0; y <= y1; y++)
      for (let x = x0; x <= x1; x++) if (squares[y * across + x] === 1) return 'edge';
    const at = y0 * across + x0;
    if (squares[at] === 0)
      fillRun(squares, at, y0 * across, (y0 + 1) * across, holds(area, left, top) ? 2 : -1);
    return squares[at] === 2 ? 'inside' : 'outside';
  };
}

/** Gives a square a value, and those to both sides of it as far as no edge passes: they lie on the same side of all edges. */
function fillRun(squares: Int8Array, at: number, rowStart: number, rowEnd: number, value: number): void {
  let [from, to] = [at, at + 1];
  while (from > rowStart && squares[from - 1] !== 1) from--;
  while (to < rowEnd && squares[to] !== 1) to++;
  squares.fill(value, from, to);
}
