import { labToHex } from '@brachytone/core';
import { labWords, parseLab } from './lab.ts';

describe('colours that are typed', () => {
  it.each<[string, [number, number, number]]>([
    ['46 -24 -30', [46, -24, -30]],
    ['46 · −24 · −30', [46, -24, -30]],
    ['46,5; -24; 0', [46.5, -24, 0]],
    ['L 50 a 10.25 b -3', [50, 10.25, -3]],
    ['#ffffff', [100, 0, 0]],
    ['000000', [0, 0, 0]],
  ])('%s', (text, lab) => {
    expect(parseLab(text)).toEqual(lab);
  });
  it('a density is that of a neutral: 1.0 D reflects a tenth, which is L* 37.8', () => {
    const [l, a, b] = parseLab('1.0 D')!;
    expect(l).toBeCloseTo(37.84, 1);
    expect(Math.abs(a) + Math.abs(b)).toBeLessThan(0.05);
    expect(parseLab('D 0')).toEqual([100, 0, 0]);
  });
  it.each(['', 'blue', '46 -24', '146 0 0', '50 400 0', '#12345', '9 D', '1 2 3 4'])(
    '“%s” is none',
    (text) => {
      expect(parseLab(text)).toBeUndefined();
    },
  );
  it('are told as they can be typed again', () => {
    expect(labWords([46.2, -24.4, -30])).toBe('46 · −24 · −30');
    expect(parseLab(labWords([46, -24, -30]))).toEqual([46, -24, -30]);
    expect(labToHex(parseLab('#2f6f8f')!)).toBe('#2f6f8f');
  });
});
