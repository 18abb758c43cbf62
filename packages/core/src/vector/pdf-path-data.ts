import { arcCurves } from './arc-curves.ts';
import { NumberText } from './number-text.ts';
import type { PathData } from './path-data.ts';

const [MOVE, LINE, CURVE, CLOSE] = Array.from('mlch', (letter) => letter.charCodeAt(0));
const [SPACE, BREAK] = [32, 10];

/** A point that others are told from, in units. */
interface Origin {
  x: number;
  y: number;
}

/** Path operators of PDF (ISO 32000-1, section 8.5.2); arcs become curves. */
class PdfPathData implements PathData {
  private x = 0;
  private y = 0;
  private startX = 0;
  private startY = 0;

  /**
   * @param by      units that one of what is written stands for
   * @param written they are written to
   * @param from    where what is written is told from; it may be moved before each outline
   */
  constructor(
    private readonly by: number,
    private readonly written = new NumberText(),
    private readonly from: Readonly<Origin> = { x: 0, y: 0 },
  ) {}

  move(nextX: number, nextY: number): void {
    this.to(this.across(nextX), this.down(nextY));
    this.operator(MOVE);
    this.startX = this.x;
    this.startY = this.y;
  }

  line(nextX: number, nextY: number): void {
    const px = this.across(nextX);
    const py = this.down(nextY);
    if (px === this.x && py === this.y) return;
    this.to(px, py);
    this.operator(LINE);
  }

  arc(rx: number, ry: number, turn: number, sweep: boolean, nextX: number, nextY: number): void {
    if (this.across(nextX) === this.x && this.down(nextY) === this.y) return;
    const start = [this.x * this.by + this.from.x, this.y * this.by + this.from.y] as const;
    for (const [ax, ay, bx, other, endX, endY] of arcCurves(start, rx, ry, turn, sweep, [nextX, nextY]))
      this.curve(ax, ay, bx, other, endX, endY);
  }

  curve(ax: number, ay: number, bx: number, by: number, nextX: number, nextY: number): void {
    this.number(this.across(ax));
    this.number(this.down(ay));
    this.number(this.across(bx));
    this.number(this.down(by));
    this.to(this.across(nextX), this.down(nextY));
    this.operator(CURVE);
  }

  close(): void {
    this.x = this.startX;
    this.y = this.startY;
    this.operator(CLOSE);
  }

  text(): string {
    return this.written.toString().trimEnd();
  }

  private across(value: number): number {
    return Math.round((value - this.from.x) / this.by);
  }

  private down(value: number): number {
    return Math.round((value - this.from.y) / this.by);
  }

  private to(x: number, y: number): void {
    this.x = x;
    this.y = y;
    this.number(x);
    this.number(y);
  }

  private number(value: number): void {
    this.written.whole(value);
    this.written.letter(SPACE);
  }

  /** A line of its own. */
  private operator(letter: number): void {
    this.written.letter(letter);
    this.written.letter(BREAK);
  }
}

/** Begins path operators of PDF. */
export const pdfPathData = (): PathData => new PdfPathData(1);

/** Paints a path by the even-odd rule. */
const PAINT = 'f*\n';

/** After so many dots the way begins anew: readers that keep places in single precision would go astray in the end. */
const WAY = 64;

/**
 * The operators that paint dots, by the even-odd rule: all of them in one path, but for those that touch no other. Each of these is a path
 * about its own middle, to which the one before it leads: numbers are short then, and the same for all dots of a size, so that they pack well.
 */
class PdfDotsData extends PdfPathData {
  private readonly lone = new NumberText();
  private readonly middle = { x: 0, y: 0 };
  private readonly fine: number;
  private readonly shape: PathData;
  private lastX = 0;
  private lastY = 0;
  private count = 0;

  constructor(
    by: number,
    private readonly finer: number,
  ) {
    super(by);
    this.fine = by / finer;
    this.shape = new PdfPathData(this.fine, this.lone, this.middle);
  }

  alone(x: number, y: number): PathData {
    const { lone, middle, fine } = this;
    const px = Math.round(x / fine);
    const py = Math.round(y / fine);
    if (this.count > 0) lone.ascii(PAINT);
    if (this.count++ % WAY === 0) {
      lone.ascii(this.count > 1 ? 'Q\nq\n' : 'q\n');
      this.lastX = this.lastY = 0;
    }
    lone.ascii(`1 0 0 1 ${px - this.lastX} ${py - this.lastY} cm\n`);
    this.lastX = px;
    this.lastY = py;
    middle.x = x;
    middle.y = y;
    return this.shape;
  }

  override text(): string {
    const { finer } = this;
    const [alone, together] = [this.lone.toString(), super.text()];
    return [
      ...(alone === '' ? [] : [`q ${1 / finer} 0 0 ${1 / finer} 0 0 cm\n${alone}${PAINT}Q\nQ`]),
      ...(together === '' ? [] : [`${together}\nf*`]),
    ].join('\n');
  }
}

/**
 * Begins the operators that paint dots.
 *
 * @param by    units that one of what is written stands for
 * @param finer how many times as finely dots are written that stand alone: where those of a size are the same, all of them are rounded alike,
 *              while others, each rounded its own way, are right in the mean
 */
export const pdfDotsData = (by = 1, finer = 1): PathData => new PdfDotsData(by, finer);
