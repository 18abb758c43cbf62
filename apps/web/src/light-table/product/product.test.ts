import { likelyScene, SCENES } from './scenes.ts';
import { seenPart } from './warp.ts';

const A3 = { width: 297, height: 420 };

describe('products', () => {
  it.each(SCENES)('$name: a print lies on it true to scale, but for what bends', ({ place, extent }) => {
    const at = place(A3);
    const [a, b, c] = [at(0.45, 0.5), at(0.55, 0.5), at(0.5, 0.6)];
    const middle = at(0.5, 0.5);
    // A tenth of the print's width and height, near its middle.
    expect(Math.hypot(b.x - a.x, b.y - a.y) / 29.7).toBeGreaterThan(0.9);
    expect(Math.hypot(b.x - a.x, b.y - a.y) / 29.7).toBeLessThan(1.1);
    expect(Math.hypot(c.x - middle.x, c.y - middle.y) / 42).toBeGreaterThan(0.9);
    expect(Math.hypot(c.x - middle.x, c.y - middle.y) / 42).toBeLessThan(1.1);
    const seen = extent(A3);
    expect(middle.x).toBeGreaterThan(0);
    expect(middle.x).toBeLessThan(seen.width);
    expect(middle.y).toBeGreaterThan(0);
    expect(middle.y).toBeLessThan(seen.height);
  });
  it('says when a print is too large', () => {
    const large = SCENES.filter(({ tooLarge }) => tooLarge?.({ width: 600, height: 800 })).map(
      ({ id }) => id,
    );
    expect(large).toEqual(['shirt', 'tote']);
    expect(SCENES.some(({ tooLarge }) => tooLarge?.({ width: 200, height: 250 }))).toBe(false);
  });
  it('guesses what a job is for', () => {
    expect(likelyScene(A3, false)).toBe('wall');
    expect(likelyScene({ width: 148, height: 105 }, false)).toBe('desk');
    expect(likelyScene({ width: 260, height: 290 }, true)).toBe('tote');
    expect(likelyScene(A3, true)).toBe('shirt');
    expect(likelyScene({ width: 1200, height: 800 }, true)).toBe('flag');
  });
});

describe('the part of a print that is seen', () => {
  const flat = (zoom: number, left: number, top: number) => (u: number, v: number) => ({
    x: (u * 100 - left) * zoom,
    y: (v * 100 - top) * zoom,
  });
  const table = { width: 200, height: 100 };
  it('is all of it where all of it is', () => {
    expect(seenPart(flat(0.5, 0, 0), table)).toEqual({ x: 0, y: 0, width: 1, height: 1 });
  });
  it('holds everything that can be seen, and little more', () => {
    // Twenty by ten of a hundred, from (30, 50).
    const { x, y, width, height } = seenPart(flat(10, 30, 50), table);
    expect(x).toBeLessThanOrEqual(0.3);
    expect(y).toBeLessThanOrEqual(0.5);
    expect(x + width).toBeGreaterThanOrEqual(0.5);
    expect(y + height).toBeGreaterThanOrEqual(0.6);
    expect(width).toBeLessThan(0.27);
    expect(height).toBeLessThan(0.17);
  });
});
