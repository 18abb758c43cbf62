import { NumberText } from './number-text.ts';

/** Builds path data of whole numbers, in the syntax of one kind of file. */
export interface PathData {
  move(x: number, y: number): void;
  line(x: number, y: number): void;
  /** An arc of at most half an ellipse; `turn` of its first axis in degrees, y down; `sweep` in the way x turns to y. */
  arc(rx: number, ry: number, turn: number, sweep: boolean, x: number, y: number): void;
  /** A cubic Bézier curve by its two control points and its end. */
  curve(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  close(): void;
  /** Draws a shape about a point that touches no other, where it is written by itself. */
  alone?(x: number, y: number, draw: (out: PathData) => void): void;
  /** What was written so far. */
  text(): string;
}

const [MOVE, LINE, LEVEL, UPRIGHT, ARC, CURVE, CLOSE] = Array.from('mlhvacz', (letter) =>
  letter.charCodeAt(0),
);
const SPACE = 32;

/** SVG path data with relative commands, which is the shortest it can be. */
export function pathData(): PathData {
  const text = new NumberText();
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;
  let last = 0;
  /** A number after another: a minus parts them by itself. */
  const then = (number: number): void => {
    if (number >= 0) text.letter(SPACE);
    text.whole(number);
  };
  /** A command with its first number; its letter is left out after another of its kind. */
  const put = (letter: number, number: number): void => {
    if (letter === last && letter !== MOVE) then(number);
    else {
      text.letter(letter);
      text.whole(number);
    }
    last = letter;
  };
  return {
    move(nextX, nextY) {
      const dx = Math.round(nextX) - x;
      const dy = Math.round(nextY) - y;
      startX = x += dx;
      startY = y += dy;
      put(MOVE, dx);
      then(dy);
    },
    line(nextX, nextY) {
      const dx = Math.round(nextX) - x;
      const dy = Math.round(nextY) - y;
      if (dx === 0 && dy === 0) return;
      x += dx;
      y += dy;
      if (dy === 0) put(LEVEL, dx);
      else if (dx === 0) put(UPRIGHT, dy);
      else {
        put(LINE, dx);
        then(dy);
      }
    },
    arc(rx, ry, turn, sweep, nextX, nextY) {
      const dx = Math.round(nextX) - x;
      const dy = Math.round(nextY) - y;
      if (dx === 0 && dy === 0) return;
      x += dx;
      y += dy;
      put(ARC, Math.round(rx));
      then(Math.round(ry));
      const angle = rx === ry ? 0 : Number(turn.toFixed(1));
      if (angle >= 0) text.letter(SPACE);
      text.ascii(`${angle} 0 ${sweep ? 1 : 0}`);
      then(dx);
      then(dy);
    },
    curve(ax, ay, bx, by, nextX, nextY) {
      put(CURVE, Math.round(ax) - x);
      then(Math.round(ay) - y);
      then(Math.round(bx) - x);
      then(Math.round(by) - y);
      const dx = Math.round(nextX) - x;
      const dy = Math.round(nextY) - y;
      then(dx);
      then(dy);
      x += dx;
      y += dy;
    },
    close() {
      x = startX;
      y = startY;
      text.letter(CLOSE);
      last = CLOSE;
    },
    text: () => text.toString(),
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
