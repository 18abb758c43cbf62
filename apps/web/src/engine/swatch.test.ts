import { newScreen, SCREEN_KINDS } from '@brachytone/core';
import { drawSwatch } from './swatch.ts';

/** Share of inked pixels in columns from … to of a swatch. */
function inked(rgba: Uint8ClampedArray, width: number, from: number, to: number): number {
  let count = 0;
  let pixels = 0;
  for (let i = 0; i < rgba.length / 4; i++) {
    const x = i % width;
    if (x < from || x >= to) continue;
    pixels++;
    if (rgba[4 * i + 3] > 0) count++;
  }
  return count / pixels;
}

describe('a swatch', () => {
  it.each(SCREEN_KINDS.map(({ kind }) => kind))('of %s runs from few marks to many', (kind) => {
    const swatch = { screen: newScreen(kind), width: 240, height: 90, tones: [4, 96], mark: 12 } as const;
    const rgba = drawSwatch(swatch);
    expect(rgba).toHaveLength(240 * 90 * 4);
    const shares = [0, 1, 2].map((third) => inked(rgba, 240, 80 * third, 80 * (third + 1)));
    expect(shares[0]).toBeLessThan(0.4);
    expect(shares[1]).toBeGreaterThan(shares[0]);
    expect(shares[2]).toBeGreaterThan(shares[1]);
    expect(shares[2]).toBeGreaterThan(0.6);
  });

  it('is black where it is inked and clear elsewhere', () => {
    const solid = drawSwatch({
      screen: newScreen('dots'),
      width: 10,
      height: 4,
      tones: [100, 100],
      mark: 12,
    });
    const bare = drawSwatch({ screen: newScreen('dots'), width: 10, height: 4, tones: [0, 0], mark: 12 });
    expect([...solid.slice(0, 4)]).toEqual([31, 29, 26, 255]);
    expect(bare.filter((_, i) => i % 4 === 3).every((alpha) => alpha === 0)).toBe(true);
  });
});
