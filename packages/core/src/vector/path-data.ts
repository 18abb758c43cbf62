/** Builds SVG path data of whole numbers with relative commands, which is the shortest it can be. */
export interface PathData {
  move(x: number, y: number): void;
  line(x: number, y: number): void;
  /** An arc of less than half an ellipse; `turn` of its first axis in degrees, y down; `sweep` in the way x turns to y. */
  arc(rx: number, ry: number, turn: number, sweep: boolean, x: number, y: number): void;
  close(): void;
  /** What was written so far. */
  text(): string;
}

/** Pieces of text are joined when there are so many, so that none grows without end letter by letter. */
const JOINED = 1 << 14;

export function pathData(): PathData {
  const done: string[] = [];
  let parts: string[] = [];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  /** A minus parts numbers by itself. */
  const then = (n: number) => (n < 0 ? String(n) : ` ${n}`);
  const put = (text: string) => {
    if (parts.push(text) >= JOINED) {
      done.push(parts.join(''));
      parts = [];
    }
  };
  const to = (nextX: number, nextY: number): [number, number] => {
    const [dx, dy] = [Math.round(nextX) - x, Math.round(nextY) - y];
    x += dx;
    y += dy;
    return [dx, dy];
  };
  return {
    move(nextX, nextY) {
      const [dx, dy] = to(nextX, nextY);
      [startX, startY] = [x, y];
      put(`m${dx}${then(dy)}`);
    },
    line(nextX, nextY) {
      const [dx, dy] = to(nextX, nextY);
      if (dx === 0 && dy === 0) return;
      put(dy === 0 ? `h${dx}` : dx === 0 ? `v${dy}` : `l${dx}${then(dy)}`);
    },
    arc(rx, ry, turn, sweep, nextX, nextY) {
      const [dx, dy] = to(nextX, nextY);
      if (dx === 0 && dy === 0) return;
      const round = rx === ry ? '0' : String(Number(turn.toFixed(2)));
      put(`a${Math.round(rx)} ${Math.round(ry)} ${round} 0 ${sweep ? 1 : 0}${then(dx)}${then(dy)}`);
    },
    close() {
      [x, y] = [startX, startY];
      put('z');
    },
    text: () => done.join('') + parts.join(''),
  };
}
