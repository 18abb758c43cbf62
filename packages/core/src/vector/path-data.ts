/** Builds path data of whole numbers, in the syntax of one kind of file. */
export interface PathData {
  move(x: number, y: number): void;
  line(x: number, y: number): void;
  /** An arc of at most half an ellipse; `turn` of its first axis in degrees, y down; `sweep` in the way x turns to y. */
  arc(rx: number, ry: number, turn: number, sweep: boolean, x: number, y: number): void;
  /** A cubic Bézier curve by its two control points and its end. */
  curve(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  close(): void;
  /** What was written so far. */
  text(): string;
}

/** Pieces of text are joined when there are so many, so that none grows without end letter by letter. */
const JOINED = 1 << 14;

/** SVG path data with relative commands, which is the shortest it can be. */
export function pathData(): PathData {
  const done: string[] = [];
  let parts: string[] = [];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  let last = '';
  /** A minus parts numbers by itself. */
  const then = (n: number) => (n < 0 ? String(n) : ` ${n}`);
  /** A command's letter is left out after another of its kind. */
  const put = (letter: string, number: number, rest: string) => {
    parts.push((letter === last && letter !== 'm' ? then(number) : letter + String(number)) + rest);
    last = letter;
    if (parts.length >= JOINED) {
      done.push(parts.join(''));
      parts = [];
    }
  };
  return {
    move(nextX, nextY) {
      const [dx, dy] = [Math.round(nextX) - x, Math.round(nextY) - y];
      [x, y] = [x + dx, y + dy];
      [startX, startY] = [x, y];
      put('m', dx, then(dy));
    },
    line(nextX, nextY) {
      const [dx, dy] = [Math.round(nextX) - x, Math.round(nextY) - y];
      if (dx === 0 && dy === 0) return;
      [x, y] = [x + dx, y + dy];
      if (dy === 0) put('h', dx, '');
      else if (dx === 0) put('v', dy, '');
      else put('l', dx, then(dy));
    },
    arc(rx, ry, turn, sweep, nextX, nextY) {
      const [dx, dy] = [Math.round(nextX) - x, Math.round(nextY) - y];
      if (dx === 0 && dy === 0) return;
      [x, y] = [x + dx, y + dy];
      const angle = rx === ry ? ' 0' : then(Number(turn.toFixed(1)));
      put('a', Math.round(rx), `${then(Math.round(ry))}${angle} 0 ${sweep ? 1 : 0}${then(dx)}${then(dy)}`);
    },
    curve(ax, ay, bx, by, nextX, nextY) {
      const to = [ax, ay, bx, by, nextX, nextY].map(Math.round);
      const [first, ...rest] = to.map((value, i) => value - (i & 1 ? y : x));
      [x, y] = [to[4], to[5]];
      put('c', first, rest.map(then).join(''));
    },
    close() {
      [x, y] = [startX, startY];
      parts.push('z');
      last = 'z';
    },
    text: () => done.join('') + parts.join(''),
  };
}

/** Paths one after another, each filled by itself: readers refuse, or crawl through, one of many megabytes. */
export interface Paths {
  /** Begins a path: nothing in it may lie within what was drawn before. */
  next(): PathData;
  /** Those that draw something. */
  texts(): string[];
}

export function paths(make: () => PathData = pathData): Paths {
  const all: PathData[] = [];
  return {
    next() {
      const path = make();
      all.push(path);
      return path;
    },
    texts: () => all.map((path) => path.text()).filter((text) => text !== ''),
  };
}
