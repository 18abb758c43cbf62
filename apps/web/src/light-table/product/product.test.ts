import { likelyScene, SCENES } from './scenes.ts';

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
