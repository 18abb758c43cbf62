import type { Warp } from './warp.ts';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Something a print can be seen on, drawn by ourselves; all lengths in mm, the origin at its left top. */
export interface ProductScene {
  readonly id: string;
  readonly name: string;
  /** How much of it has to be seen, for a print of a size. */
  readonly extent: (print: Size) => Size;
  /** Draws what lies under the print; `stock` is the stock's colour. */
  readonly under: (context: CanvasRenderingContext2D, print: Size, stock: string) => void;
  /** Where the print comes to lie. */
  readonly place: (print: Size) => Warp;
  /** The shape the print may fill; all of it unless given. */
  readonly shape?: (print: Size) => Path2D;
  /** Draws what lies over the print: folds, light, edges. */
  readonly over?: (context: CanvasRenderingContext2D, print: Size) => void;
  /** What a print of a size is too large for, if it is. */
  readonly tooLarge?: (print: Size) => boolean;
}

const INK = '#1f1d1a';

/** Farther than any table shows. */
const FAR = 1e5;

/** Fills everything from a height down, beyond what has to be seen too. */
function ground(context: CanvasRenderingContext2D, colour: string, from = -FAR): void {
  context.fillStyle = colour;
  context.fillRect(-FAR, from, 2 * FAR, 2 * FAR);
}

/** Strokes that a soft line is made of. */
const SOFT = 4;

/** A fold in cloth: dark along its middle, running out to both sides. */
function softLine(context: CanvasRenderingContext2D, line: Path2D, wide: number, dark: number): void {
  context.lineCap = 'round';
  context.strokeStyle = `rgb(31 29 26 / ${(2 * dark) / SOFT})`;
  for (let i = 1; i <= SOFT; i++) {
    context.lineWidth = (2 * wide * i) / SOFT;
    context.stroke(line);
  }
}

/** A wall, its floor and a bench 450 mm high beside the poster, whose middle hangs at the height of the eye. */
const wall: ProductScene = (() => {
  const height = (print: Size) => Math.max(1900, print.height + 900);
  const extent = (print: Size) => ({ width: Math.max(2500, print.width + 1700), height: height(print) });
  const floor = (print: Size) => height(print) - 170;
  const corner = (print: Size) => {
    const middle = Math.min(floor(print) - 1400, floor(print) - 200 - print.height / 2);
    return { x: extent(print).width * 0.4 - print.width / 2, y: Math.max(120, middle - print.height / 2) };
  };
  return {
    id: 'wall',
    name: 'Wall',
    extent,
    under: (context, print) => {
      const size = extent(print);
      ground(context, '#c4c0b6');
      ground(context, '#b4afa3', floor(print) - 90);
      ground(context, '#8f8a7e', floor(print));
      const { x, y } = corner(print);
      context.fillStyle = 'rgb(31 29 26 / 0.16)';
      context.fillRect(x + 9, y + 12, print.width, print.height);
      // The bench.
      const left = size.width * 0.4 + print.width / 2 + 160;
      const seat = floor(print) - 450 + 60;
      context.fillStyle = '#6d5a43';
      context.fillRect(left, seat, 950, 44);
      context.fillStyle = '#574735';
      for (const leg of [60, 840]) context.fillRect(left + leg, seat + 44, 50, 406 - 10);
    },
    place: (print) => {
      const { x, y } = corner(print);
      return (u, v) => ({ x: x + u * print.width, y: y + v * print.height });
    },
  };
})();

/** A board with a pencil 175 mm long on it, for what is held in the hand. */
const desk: ProductScene = (() => {
  const extent = (print: Size) => ({
    width: Math.max(300, print.width * 1.9),
    height: Math.max(210, print.height * 1.8),
  });
  const turn = (-7 * Math.PI) / 180;
  const place =
    (print: Size): Warp =>
    (u, v) => {
      const { width, height } = extent(print);
      const [x, y] = [(u - 0.5) * print.width, (v - 0.5) * print.height];
      return {
        x: width * 0.46 + x * Math.cos(turn) - y * Math.sin(turn),
        y: height * 0.5 + x * Math.sin(turn) + y * Math.cos(turn),
      };
    };
  const outline = (context: CanvasRenderingContext2D, print: Size, by: number) => {
    const at = place(print);
    context.beginPath();
    for (const [u, v] of [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ]) {
      const { x, y } = at(u, v);
      context.lineTo(x + by, y + by);
    }
    context.closePath();
  };
  return {
    id: 'desk',
    name: 'Desk',
    extent,
    under: (context, print) => {
      const size = extent(print);
      ground(context, '#7c8783');
      // A cutting board, ruled every 10 mm.
      context.strokeStyle = 'rgb(31 29 26 / 0.07)';
      context.lineWidth = 0.5;
      context.beginPath();
      for (let at = -1000; at < 2000; at += 10) {
        context.moveTo(at, -1000);
        context.lineTo(at, 2000);
        context.moveTo(-1000, at);
        context.lineTo(2000, at);
      }
      context.stroke();
      outline(context, print, 1.2);
      context.fillStyle = 'rgb(31 29 26 / 0.3)';
      context.fill();
      context.save();
      context.translate(size.width * 0.46 + print.width / 2 + 28, size.height * 0.5 + 80);
      context.rotate(-1.2);
      context.fillStyle = '#b8432a';
      context.fillRect(0, 0, 140, 7);
      context.fillStyle = '#e6d3ae';
      context.beginPath();
      context.moveTo(140, 0);
      context.lineTo(168, 3.5);
      context.lineTo(140, 7);
      context.fill();
      context.fillStyle = INK;
      context.beginPath();
      context.moveTo(163, 2.9);
      context.lineTo(175, 3.5);
      context.lineTo(163, 4.1);
      context.fill();
      context.fillStyle = '#8a857b';
      context.fillRect(-8, 0, 10, 7);
      context.restore();
    },
    place,
  };
})();

/** A bag of 380 × 420 mm, hanging. */
const tote: ProductScene = (() => {
  const bag = { x: 210, y: 300, width: 380, height: 420 };
  const fold = (x: number, y: number) =>
    3 * Math.sin((x - bag.x) / 62 + y / 210) * ((y - bag.y) / bag.height);
  const path = () => {
    const shape = new Path2D();
    shape.moveTo(bag.x, bag.y);
    shape.lineTo(bag.x + bag.width, bag.y);
    shape.bezierCurveTo(
      bag.x + bag.width + 6,
      bag.y + 150,
      bag.x + bag.width + 4,
      bag.y + 300,
      bag.x + bag.width - 6,
      bag.y + bag.height,
    );
    shape.quadraticCurveTo(bag.x + bag.width / 2, bag.y + bag.height + 16, bag.x + 6, bag.y + bag.height);
    shape.bezierCurveTo(bag.x - 4, bag.y + 300, bag.x - 6, bag.y + 150, bag.x, bag.y);
    shape.closePath();
    return shape;
  };
  return {
    id: 'tote',
    name: 'Tote',
    extent: () => ({ width: 800, height: 800 }),
    under: (context, _, stock) => {
      ground(context, '#cbc7bd');
      context.fillStyle = '#6d5a43';
      context.fillRect(392, 40, 16, 40);
      context.strokeStyle = stock;
      context.lineWidth = 26;
      for (const spread of [78, 92]) {
        context.beginPath();
        context.moveTo(400 - spread, bag.y + 20);
        context.bezierCurveTo(400 - spread, 120, 388, 74, 400, 72);
        context.bezierCurveTo(412, 74, 400 + spread, 120, 400 + spread, bag.y + 20);
        context.stroke();
      }
      context.fillStyle = 'rgb(31 29 26 / 0.14)';
      context.save();
      context.translate(8, 10);
      context.fill(path());
      context.restore();
      context.fillStyle = stock;
      context.fill(path());
    },
    place: (print) => {
      const x = bag.x + (bag.width - print.width) / 2;
      const y = bag.y + Math.max(30, (bag.height - print.height) / 2);
      return (u, v) => {
        const [px, py] = [x + u * print.width, y + v * print.height];
        return { x: px + fold(px, py), y: py + 0.5 * fold(px, py) };
      };
    },
    shape: path,
    over: (context) => {
      context.save();
      context.clip(path());
      for (const [at, wide, dark] of [
        [0.2, 34, 0.05],
        [0.47, 26, 0.04],
        [0.78, 40, 0.06],
      ]) {
        const x = bag.x + bag.width * at;
        const line = new Path2D();
        line.moveTo(x, bag.y + 60);
        line.quadraticCurveTo(x - 20, bag.y + 240, x + 14, bag.y + 440);
        softLine(context, line, wide, dark);
      }
      context.strokeStyle = 'rgb(31 29 26 / 0.28)';
      context.lineWidth = 1.2;
      context.setLineDash([5, 4]);
      context.strokeRect(bag.x + 3, bag.y + 24, bag.width - 6, 0);
      context.restore();
    },
    tooLarge: ({ width, height }) => width > bag.width - 20 || height > bag.height - 40,
  };
})();

/** A shirt 540 mm wide, laid out; the print lies 95 mm below the collar. */
const shirt: ProductScene = (() => {
  const middle = 500;
  const path = () => {
    const shape = new Path2D();
    const half = (side: 1 | -1) => {
      const x = (mm: number) => middle + side * mm;
      return { x };
    };
    const { x: r } = half(1);
    const { x: l } = half(-1);
    shape.moveTo(l(95), 130);
    shape.quadraticCurveTo(middle, 205, r(95), 130);
    shape.lineTo(r(240), 180);
    shape.quadraticCurveTo(r(300), 200, r(335), 265);
    shape.lineTo(r(405), 400);
    shape.lineTo(r(300), 455);
    shape.lineTo(r(268), 400);
    shape.quadraticCurveTo(r(276), 640, r(272), 850);
    shape.quadraticCurveTo(middle, 872, l(272), 850);
    shape.quadraticCurveTo(l(276), 640, l(268), 400);
    shape.lineTo(l(300), 455);
    shape.lineTo(l(405), 400);
    shape.lineTo(l(335), 265);
    shape.quadraticCurveTo(l(300), 200, l(240), 180);
    shape.closePath();
    return shape;
  };
  /** The chest is round: what lies to the side is turned away. */
  const ROUND = 520;
  return {
    id: 'shirt',
    name: 'Shirt',
    extent: () => ({ width: 1000, height: 960 }),
    under: (context, _, stock) => {
      ground(context, '#cbc7bd');
      context.fillStyle = 'rgb(31 29 26 / 0.14)';
      context.save();
      context.translate(8, 12);
      context.fill(path());
      context.restore();
      context.fillStyle = stock;
      context.fill(path());
    },
    place: (print) => (u, v) => {
      const across = (u - 0.5) * print.width;
      const down = 272 + v * print.height;
      return {
        x: middle + ROUND * Math.sin(across / ROUND),
        y: down + 10 * (1 - Math.cos(across / 200)) + 2 * Math.sin(down / 55 + across / 90),
      };
    },
    shape: path,
    over: (context) => {
      context.save();
      context.clip(path());
      for (const [x, y, to, down] of [
        [310, 520, 380, 830],
        [690, 500, 640, 840],
        [420, 700, 470, 860],
      ]) {
        const line = new Path2D();
        line.moveTo(x, y);
        line.quadraticCurveTo(x + 10, (y + down) / 2, to, down);
        softLine(context, line, 24, 0.035);
      }
      context.restore();
      context.strokeStyle = 'rgb(31 29 26 / 0.35)';
      context.lineWidth = 2;
      context.stroke(path());
      context.beginPath();
      context.moveTo(middle - 105, 138);
      context.quadraticCurveTo(middle, 224, middle + 105, 138);
      context.stroke();
    },
    tooLarge: ({ width, height }) => width > 420 || height > 520,
  };
})();

/** A flag on a pole, in some wind. */
const flag: ProductScene = (() => {
  const extent = (print: Size) => ({
    width: print.width * 1.5,
    height: Math.max(print.height * 1.9, print.width * 1.1),
  });
  const place =
    (print: Size): Warp =>
    (u, v) => {
      const swing = 0.045 * print.width * Math.sin(u * 8.2 - 0.6) * Math.min(1, u * 1.6);
      return {
        x: print.width * 0.22 + u * print.width * 0.965,
        y: print.height * 0.3 + v * print.height + swing + u * u * 0.05 * print.height,
      };
    };
  return {
    id: 'flag',
    name: 'Flag',
    extent,
    under: (context, print) => {
      const size = extent(print);
      ground(context, '#b9c4c9');
      ground(context, '#8b8f84', size.height * 0.93);
      context.fillStyle = '#574f45';
      const thick = Math.max(8, print.width * 0.016);
      context.fillRect(print.width * 0.22 - thick, print.height * 0.2, thick, size.height);
    },
    place,
    over: (context, print) => {
      // Where the cloth turns from the light.
      const at = place(print);
      const STRIPS = 120;
      for (let i = 0; i < STRIPS; i++) {
        const u = i / STRIPS;
        const slope = Math.cos(u * 8.2 - 0.6) * Math.min(1, u * 1.6);
        context.fillStyle =
          slope > 0 ? `rgb(31 29 26 / ${0.2 * slope})` : `rgb(255 255 255 / ${-0.12 * slope})`;
        const [a, b, c, d] = [at(u, 0), at(u + 1 / STRIPS, 0), at(u + 1 / STRIPS, 1), at(u, 1)];
        context.beginPath();
        for (const { x, y } of [a, b, c, d]) context.lineTo(x, y);
        context.fill();
      }
    },
  };
})();

export const SCENES: readonly ProductScene[] = [wall, shirt, tote, desk, flag];

/** What a print of a size on a stock is most likely for. */
export function likelyScene(print: Size, cloth: boolean): string {
  const longer = Math.max(print.width, print.height);
  if (cloth) return longer > 600 ? 'flag' : longer > 300 ? 'shirt' : 'tote';
  return longer < 240 ? 'desk' : 'wall';
}
