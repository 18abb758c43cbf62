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

/**
 * Path operators of PDF (ISO 32000-1, section 8.5.2); arcs become curves.
 *
 * @param by   units that one of what is written stands for
 * @param text they are written to
 * @param from where what is written is told from; it may be moved before each outline
 */
export function pdfPathData(
  by = 1,
  text = new NumberText(),
  from: Readonly<Origin> = { x: 0, y: 0 },
): PathData {
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;
  const across = (value: number): number => Math.round((value - from.x) / by);
  const down = (value: number): number => Math.round((value - from.y) / by);
  const number = (value: number): void => {
    text.whole(value);
    text.letter(SPACE);
  };
  /** A line of its own. */
  const operator = (letter: number): void => {
    text.letter(letter);
    text.letter(BREAK);
  };
  const to = (nextX: number, nextY: number): void => {
    x = nextX;
    y = nextY;
    number(x);
    number(y);
  };
  const data: PathData = {
    move(nextX, nextY) {
      to(across(nextX), down(nextY));
      operator(MOVE);
      startX = x;
      startY = y;
    },
    line(nextX, nextY) {
      const [px, py] = [across(nextX), down(nextY)];
      if (px === x && py === y) return;
      to(px, py);
      operator(LINE);
    },
    arc(rx, ry, turn, sweep, nextX, nextY) {
      if (across(nextX) === x && down(nextY) === y) return;
      const start = [x * by + from.x, y * by + from.y] as const;
      for (const [ax, ay, bx, other, endX, endY] of arcCurves(start, rx, ry, turn, sweep, [nextX, nextY]))
        data.curve(ax, ay, bx, other, endX, endY);
    },
    curve(ax, ay, bx, other, nextX, nextY) {
      number(across(ax));
      number(down(ay));
      number(across(bx));
      number(down(other));
      to(across(nextX), down(nextY));
      operator(CURVE);
    },
    close() {
      x = startX;
      y = startY;
      operator(CLOSE);
    },
    text: () => text.toString().trimEnd(),
  };
  return data;
}

/** After so many dots the way begins anew: readers that keep places in single precision would go astray in the end. */
const WAY = 64;

/**
 * The operators that paint dots, by the even-odd rule: all of them in one path, but for those that touch no other. Each of these is a path
 * about its own middle, to which the one before it leads: numbers are short then, and the same for all dots of a size, so that they pack well.
 *
 * @param by    units that one of what is written stands for
 * @param finer how many times as finely dots are written that stand alone: where those of a size are the same, all of them are rounded alike,
 *              while others, each rounded its own way, are right in the mean
 */
export function pdfDotsData(by = 1, finer = 1): PathData {
  const joined = pdfPathData(by);
  const lone = new NumberText();
  const middle = { x: 0, y: 0 };
  const fine = by / finer;
  const shape = pdfPathData(fine, lone, middle);
  let [lastX, lastY, count] = [0, 0, 0];
  return {
    ...joined,
    alone(x, y, draw) {
      const [px, py] = [Math.round(x / fine), Math.round(y / fine)];
      if (count++ % WAY === 0) {
        lone.ascii(count > 1 ? 'Q\nq\n' : 'q\n');
        [lastX, lastY] = [0, 0];
      }
      lone.ascii(`1 0 0 1 ${px - lastX} ${py - lastY} cm\n`);
      [lastX, lastY] = [px, py];
      [middle.x, middle.y] = [x, y];
      draw(shape);
      lone.ascii('f*\n');
    },
    text() {
      const [alone, together] = [lone.toString(), joined.text()];
      return [
        ...(alone === '' ? [] : [`q ${1 / finer} 0 0 ${1 / finer} 0 0 cm\n${alone}Q\nQ`]),
        ...(together === '' ? [] : [`${together}\nf*`]),
      ].join('\n');
    },
  };
}
