import { placesBy, runningNumbers } from './places.ts';
import { placeSegmentsBy, SEGMENT } from './segments.ts';

const numbers = Float64Array.from(
  runningNumbers({
    // Ten pixels to a cell, rings about a middle within the rows that are looked at.
    mm: 0.02,
    perCell: 5,
    cos: 1,
    sin: 0,
    waveLength: 1,
    waveHeight: 0,
    middleX: 5.013,
    middleY: 4.477,
    start: 0.1,
    plain: 0,
    wobble: 0,
    seed: 1,
  }),
);
const WIDTH = 640;

/** Distance between two places of a cell, whose ends are one. */
const apart = (a: number, b: number): number => Math.abs(a - b - Math.round(a - b));

/** Places of a row's pixels as its segments say them, in cells. */
function placed(kind: 'arc' | 'spiral', y: number, step: number): { u: number; v: number }[] {
  const out = new Int32Array(SEGMENT * WIDTH);
  placeSegmentsBy(kind, numbers, 0, y, step, WIDTH / step, out);
  const places: { u: number; v: number }[] = [];
  for (let at = 0; places.length < WIDTH; at += SEGMENT) {
    const [u, du, v, dv, , , length] = out.subarray(at, at + SEGMENT);
    for (let j = 0; j < length; j++) places.push({ u: (u + du * j) / 2 ** 32, v: (v + dv * j) / 2 ** 32 });
  }
  return places;
}

describe.each(['arc', 'spiral'] as const)('dots along rings, %s', (kind) => {
  const place = placesBy(kind, numbers);

  it('stand where they stand pixel by pixel, over the edges of rings and the end of a turn', () => {
    const here = new Float64Array(3);
    let [across, along, edges] = [0, 0, 0];
    for (let y = 0; y < 450; y += 7) {
      placed(kind, y, 8).forEach(({ u, v }, x) => {
        place(x, y, here);
        across = Math.max(across, apart(v, here[1]));
        // A pixel at the very edge of a ring may be taken for one of the next.
        if (apart(here[1], 0) < 0.02) edges++;
        else along = Math.max(along, apart(u, here[0]));
      });
    }
    expect(edges).toBeLessThan(0.06 * WIDTH * 65);
    expect(across).toBeLessThan(0.02);
    expect(along).toBeLessThan(0.02);
  });

  it('are the same from wherever a row is begun', () => {
    const whole = new Int32Array(SEGMENT * WIDTH);
    const part = new Int32Array(SEGMENT * WIDTH);
    placeSegmentsBy(kind, numbers, 0, 300, 8, 80, whole);
    placeSegmentsBy(kind, numbers, 400, 300, 8, 30, part);
    let [at, passed] = [0, 0];
    for (; passed < 400; at += SEGMENT) passed += whole[at + 6];
    expect(passed).toBe(400);
    expect(part.slice(0, 30 * SEGMENT)).toEqual(whole.slice(at, at + 30 * SEGMENT));
  });
});
