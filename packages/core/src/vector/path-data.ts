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
  /** Begins a shape about a point that touches no other, where such are written by themselves: it is to be drawn into what is returned, at once. */
  alone?(x: number, y: number): PathData;
  /** What was written so far. */
  text(): string;
}

const [MOVE, LINE, LEVEL, UPRIGHT, ARC, CURVE, CLOSE] = Array.from('mlhvacz', (letter) =>
  letter.charCodeAt(0),
);
const SPACE = 32;

/** SVG path data with relative commands, which is the shortest it can be. */
class SvgPathData implements PathData {
  private readonly written = new NumberText();
  private x = 0;
  private y = 0;
  private startX = 0;
  private startY = 0;
  private last = 0;

  move(nextX: number, nextY: number): void {
    const dx = Math.round(nextX) - this.x;
    const dy = Math.round(nextY) - this.y;
    this.startX = this.x += dx;
    this.startY = this.y += dy;
    this.put(MOVE, dx);
    this.then(dy);
  }

  line(nextX: number, nextY: number): void {
    const dx = Math.round(nextX) - this.x;
    const dy = Math.round(nextY) - this.y;
    if (dx === 0 && dy === 0) return;
    this.x += dx;
    this.y += dy;
    if (dy === 0) this.put(LEVEL, dx);
    else if (dx === 0) this.put(UPRIGHT, dy);
    else {
      this.put(LINE, dx);
      this.then(dy);
    }
  }

  arc(rx: number, ry: number, turn: number, sweep: boolean, nextX: number, nextY: number): void {
    const dx = Math.round(nextX) - this.x;
    const dy = Math.round(nextY) - this.y;
    if (dx === 0 && dy === 0) return;
    this.x += dx;
    this.y += dy;
    this.put(ARC, Math.round(rx));
    this.then(Math.round(ry));
    const angle = rx === ry ? 0 : Number(turn.toFixed(1));
    if (angle >= 0) this.written.letter(SPACE);
    this.written.ascii(`${angle} 0 ${sweep ? 1 : 0}`);
    this.then(dx);
    this.then(dy);
  }

  curve(ax: number, ay: number, bx: number, by: number, nextX: number, nextY: number): void {
    const { x, y } = this;
    this.put(CURVE, Math.round(ax) - x);
    this.then(Math.round(ay) - y);
    this.then(Math.round(bx) - x);
    this.then(Math.round(by) - y);
    const dx = Math.round(nextX) - x;
    const dy = Math.round(nextY) - y;
    this.then(dx);
    this.then(dy);
    this.x += dx;
    this.y += dy;
  }

  close(): void {
    this.x = this.startX;
    this.y = this.startY;
    this.written.letter(CLOSE);
    this.last = CLOSE;
  }

  text(): string {
    return this.written.toString();
  }

  /** A number after another: a minus parts them by itself. */
  private then(number: number): void {
    if (number >= 0) this.written.letter(SPACE);
    this.written.whole(number);
  }

  /** A command with its first number; its letter is left out after another of its kind. */
  private put(letter: number, number: number): void {
    if (letter === this.last && letter !== MOVE) this.then(number);
    else {
      this.written.letter(letter);
      this.written.whole(number);
    }
    this.last = letter;
  }
}

/** Begins SVG path data. */
export const pathData = (): PathData => new SvgPathData();

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
