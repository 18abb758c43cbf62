import { randomAt } from '../base/random.ts';
import { cutRows } from '../raster/rows.ts';
import { toneOf, toneStep } from '../testing.ts';
import type { Picture } from '../raster/picture.ts';
import { pictureSource } from './picture-source.ts';
import { toneRows, toTones } from './tone-rows.ts';
import type { Tone } from './tone.ts';

const WIDTH = 90;
const HEIGHT = 230;
let made = 0;
/** A picture of its own each time, so that nothing is known of it yet. */
function freshSource() {
  const data = Uint8Array.from(
    { length: WIDTH * HEIGHT },
    (_, i) => 60 + ((i / WIDTH) % 90) + (randomAt(5, i, 0) >>> 27),
  );
  const picture: Picture = { width: WIDTH, height: HEIGHT, channels: 1, data };
  return { ...pictureSource(picture, 1, 300), key: `fresh ${made++}` };
}

const whole = (tone: Tone, source = freshSource()) => {
  const rows = toneRows(source, tone);
  return cutRows(rows, { x: 0, y: 0, width: rows.width, height: rows.height }).data.slice();
};

const steps = (mid: number, amount: number, times: number) =>
  toneOf(
    toneStep('levels', { mid }),
    toneStep('recover', { shadows: 40, highlights: 30, radius: 12 }),
    toneStep('blur', { radius: 0.8 }),
    toneStep('sharpen', { amount, radius: 1.4 }),
    toneStep('noise', { amount: 6, grain: 3 }),
    toneStep('invert', {}),
    toneStep('specks', { size: 3 }),
    toneStep('densify', { times }),
  );

describe('tones of rows', () => {
  it('are the same whatever was asked for before: kept steps change nothing', () => {
    const source = freshSource();
    const turns: [number, number, number][] = [
      [1, 100, 1.2],
      [1, 140, 1.2],
      [1, 140, 1.5],
      [1.3, 140, 1.5],
      [1.3, 90, 1.5],
      [1, 100, 1.2],
    ];
    for (const turn of turns) expect(whole(steps(...turn), source)).toEqual(whole(steps(...turn)));
  });
  it('are the same asked for from the foot up', () => {
    const tone = steps(1, 120, 1.3);
    const straight = whole(tone);
    const rows = toneRows(freshSource(), tone);
    for (let y = HEIGHT - 1; y >= 0; y--) {
      expect(rows.row(y)).toEqual(straight.subarray(y * WIDTH, (y + 1) * WIDTH));
    }
  });
  it('are the same in bands of any least size', () => {
    const tone = steps(1, 120, 1.3);
    const rows = toneRows(freshSource(), tone, 7);
    expect(cutRows(rows, { x: 0, y: 0, width: WIDTH, height: HEIGHT }).data).toEqual(whole(tone));
  });
  it('are opened and held back on a grid too coarse for the blur, too', () => {
    const coarse = { ...freshSource(), scale: 16 };
    const opened = whole(toneOf(toneStep('recover', { shadows: 60, highlights: 0, radius: 2 })), coarse);
    const plain = whole(toneOf(), { ...freshSource(), scale: 16 });
    expect(opened.filter((value, i) => value < plain[i]).length).toBeGreaterThan(0.3 * plain.length);
  });
  it('hang on the order of the steps', () => {
    const tone = steps(1, 120, 1.3);
    const turned = { ...tone, steps: [...tone.steps.slice(0, 3), ...tone.steps.slice(3).reverse()] };
    expect(whole(turned)).not.toEqual(whole(tone));
  });
  it('on a finer grid are as many more, and are found there', () => {
    const tone = toneOf(toneStep('refine', { times: '2' }), toneStep('blur', { radius: 1 }));
    const source = freshSource();
    const rows = toneRows(source, tone);
    expect([rows.width, rows.height]).toEqual([2 * WIDTH, 2 * HEIGHT]);
    const map = toTones({ x0: 0, xx: 1, xy: 0, y0: 0, yx: 0, yy: 1 }, source, rows);
    expect([map.xx, map.yy]).toEqual([2, 2]);
  });
});
