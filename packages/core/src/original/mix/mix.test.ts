import { SOLID, type Plane } from '../../raster/plane.ts';
import { bitsFrom, dotScreen } from '../../testing.ts';
import type { Blend } from '../../colour/blend.ts';
import type { Mix } from '../../recipe/mix.ts';
import { mixed, mixPlane } from './mix.ts';

const screen = dotScreen({ ruling: 20 });
const mixOf = (name: Blend, strength: number): Mix => ({ screen, blend: name, strength });

describe('blends', () => {
  it('of a dot and of the bare place between, by the specification’s formulas worked out by hand', () => {
    // Soft light, Cs = 0: B = Cb − Cb(1 − Cb) = Cb². Cs = 1: B = D(Cb) = √Cb above a quarter.
    expect(mixed(mixOf('soft-light', 100), 0.6, true)).toBeCloseTo(0.36, 12);
    expect(mixed(mixOf('soft-light', 100), 0.49, false)).toBeCloseTo(0.7, 12);
    // Overlay, Cs = 0: nothing below one half, 2Cb − 1 above; half strength is half the way.
    expect(mixed(mixOf('overlay', 100), 0.8, true)).toBeCloseTo(0.6, 12);
    expect(mixed(mixOf('overlay', 50), 0.8, true)).toBeCloseTo(0.7, 12);
    expect(mixed(mixOf('multiply', 30), 0.5, true)).toBeCloseTo(0.35, 12);
  });
});

describe('a mix', () => {
  const tone: Plane = { width: 4, height: 1, data: Uint16Array.of(0, 20000, 40000, SOLID) };
  const dots = bitsFrom(4, 1, (x) => x % 2 === 0);
  it('at no strength leaves the tones as they are', () => {
    expect([...mixPlane(tone, dots, mixOf('multiply', 0)).data]).toEqual([...tone.data]);
  });
  it('at full strength, normal, is the dots alone', () => {
    expect([...mixPlane(tone, dots, mixOf('normal', 100)).data]).toEqual([SOLID, 0, SOLID, 0]);
  });
});
