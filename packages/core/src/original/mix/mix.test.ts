import { SOLID, type Plane } from '../../raster/plane.ts';
import { bitsFrom, dotScreen } from '../../testing.ts';
import type { MixBlend } from '../../colour/mix-blends.ts';
import type { Mix } from '../../recipe/mix.ts';
import { mixed, mixPlane, mixSoftly } from './mix.ts';

const screen = dotScreen({ ruling: 20 });
const mixOf = (name: MixBlend, strength: number): Mix => ({ screen, blend: name, strength });

describe('blends', () => {
  it('of a dot and of the bare place between, by the specification’s formulas worked out by hand', () => {
    // Soft light, Cs = 0: B = Cb − Cb(1 − Cb) = Cb². Cs = 1: B = D(Cb) = √Cb above a quarter.
    expect(mixed(mixOf('soft-light', 100), 0.6, 0)).toBeCloseTo(0.36, 12);
    expect(mixed(mixOf('soft-light', 100), 0.49, 1)).toBeCloseTo(0.7, 12);
    // Overlay, Cs = 0: nothing below one half, 2Cb − 1 above; half strength is half the way.
    expect(mixed(mixOf('overlay', 100), 0.8, 0)).toBeCloseTo(0.6, 12);
    expect(mixed(mixOf('overlay', 50), 0.8, 0)).toBeCloseTo(0.7, 12);
    expect(mixed(mixOf('multiply', 30), 0.5, 0)).toBeCloseTo(0.35, 12);
  });
});

describe('a mix', () => {
  const tone: Plane = { width: 4, height: 1, data: Uint16Array.of(0, 20000, 40000, SOLID) };
  const dots = bitsFrom(4, 1, (x) => x % 2 === 0);
  it('at no strength leaves the tones as they are', () => {
    expect([...mixPlane(tone, dots, mixOf('multiply', 0)).data]).toEqual([...tone.data]);
  });
  it('on two levels is dark or light, as tone and soft dot together reach 100 % or not', () => {
    const soft: Plane = { ...tone, data: Uint16Array.of(SOLID, 50000, 20000, 30000) };
    // Lights: 1 + 0, 0.695 + 0.237, 0.39 + 0.695, 0 + 0.542.
    expect([...mixSoftly(tone, soft, mixOf('two-levels', 100)).data]).toEqual([0, SOLID, 0, SOLID]);
  });
  it('with hard dots given as soft ones is the same', () => {
    const same = { ...tone, data: Uint16Array.from([0, 1, 2, 3], (x) => (x % 2 === 0 ? SOLID : 0)) };
    for (const blend of ['multiply', 'overlay', 'soft-light', 'two-levels'] as const)
      expect([...mixSoftly(tone, same, mixOf(blend, 70)).data]).toEqual([
        ...mixPlane(tone, dots, mixOf(blend, 70)).data,
      ]);
  });
  it('at full strength, normal, is the dots alone', () => {
    expect([...mixPlane(tone, dots, mixOf('normal', 100)).data]).toEqual([SOLID, 0, SOLID, 0]);
  });
});
