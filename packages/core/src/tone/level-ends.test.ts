import { levelEnds } from './level-ends.ts';

/** Even tones from 20 to 70 %, in 100 bins. */
const even = Array.from({ length: 100 }, (_, i) => (i >= 20 && i < 70 ? 0.02 : 0));

describe('automatic ends of levels', () => {
  it('lie where the tones begin and end', () => {
    expect(levelEnds(even, 0)).toEqual({ bare: 20, solid: 70 });
  });
  it('leave as many pixels beyond each as is wanted', () => {
    expect(levelEnds(even, 10)).toEqual({ bare: 25, solid: 65 });
    expect(levelEnds(even, 1)).toEqual({ bare: 20.5, solid: 69.5 });
  });
  it('stay apart where all pixels have one tone, or none are wanted between', () => {
    const one = Array.from({ length: 64 }, (_, i) => (i === 63 ? 1 : 0));
    const { bare, solid } = levelEnds(one, 5);
    expect(solid - bare).toBeGreaterThanOrEqual(1);
    expect(solid).toBeLessThanOrEqual(100);
    expect(levelEnds(even, 50).solid).toBeGreaterThan(levelEnds(even, 50).bare);
    expect(levelEnds([], 1)).toEqual({ bare: 99, solid: 100 });
  });
});
