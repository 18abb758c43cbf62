import { tintGradient } from '../testing.ts';
import { BT709, weightsOf, type HueWeights } from '../tone/grey.ts';
import { gradientCoverage, toneAlong, type Gradient } from './gradient.ts';

const straight = Uint16Array.from({ length: 65536 }, (_, i) => i);
const base = tintGradient(0, {
  ratio: 0.5,
  stops: [
    { at: 0, tone: 0, middle: 0.5 },
    { at: 1, tone: 100, middle: 0.5 },
  ],
});
const size = { width: 4000, height: 2000 };
const at = (gradient: Gradient, x: number, y: number) =>
  (gradientCoverage(gradient, size, straight, { x, y, width: 1, height: 1 }).data[0] / 65535) * 100;

describe('gradients', () => {
  it('linear, run evenly and never step by more than they must: no banding', () => {
    const { data } = gradientCoverage(base, size, straight, { x: 0, y: 7, width: 4000, height: 1 });
    for (let x = 1; x < 4000; x++) {
      expect(data[x] - data[x - 1]).toBeGreaterThanOrEqual(16);
      expect(data[x] - data[x - 1]).toBeLessThanOrEqual(17);
    }
    expect(at(base, 2000, 3)).toBeCloseTo(50, 1);
  });
  it('limited, 100 % becomes the limit and the rest keeps its share', () => {
    expect(at({ ...base, limit: 85 }, 3999, 0)).toBeCloseTo(85, 1);
    expect(at({ ...base, limit: 85 }, 2000, 0)).toBeCloseTo(42.5, 1);
  });
  it('radial and elliptical, reach the same tone all around', () => {
    const radial: Gradient = { ...base, shape: 'radial', from: { x: 0.5, y: 0.5 }, to: { x: 0.75, y: 0.5 } };
    for (const [x, y] of [
      [2500, 1000],
      [2000, 1500],
      [1500, 1000],
    ]) {
      expect(at(radial, x, y)).toBeCloseTo(50, 0);
    }
    const ellipse: Gradient = { ...radial, shape: 'elliptical', width: 0.5 };
    expect(at(ellipse, 2500, 1000)).toBeCloseTo(50, 0);
    expect(at(ellipse, 2000, 1250)).toBeCloseTo(50, 0);
  });
  it('of points, take each point’s tone at the point and lie between them elsewhere', () => {
    const points: Gradient = {
      ...base,
      shape: 'points',
      points: [
        { x: 0.25, y: 0.5, tone: 10 },
        { x: 0.75, y: 0.5, tone: 90 },
      ],
    };
    expect(at(points, 1000, 1000)).toBeCloseTo(10, 1);
    expect(at(points, 3000, 1000)).toBeCloseTo(90, 1);
    expect(at(points, 2000, 300)).toBeCloseTo(50, 0);
  });
  it('have the middle of two tones where it is set', () => {
    const stops = [
      { at: 0.2, tone: 20, middle: 0.3 },
      { at: 0.7, tone: 60, middle: 0.5 },
    ];
    expect(toneAlong(stops, 0.2 + 0.5 * 0.3)).toBeCloseTo(40, 9);
    expect(toneAlong(stops, 0)).toBe(20);
    expect(toneAlong(stops, 0.9)).toBe(60);
  });
  it('of colours, weigh each colour’s hue, and join colours straight in sRGB', () => {
    const coloured: Gradient = {
      ...base,
      stops: [
        { at: 0, tone: 0, middle: 0.5, colour: '#ff0000' },
        { at: 1, tone: 0, middle: 0.5, colour: '#0000ff' },
      ],
    };
    const channel = (weights: HueWeights, x: number) =>
      100 -
      (gradientCoverage(coloured, size, straight, { x, y: 5, width: 1, height: 1 }, undefined, weights)
        .data[0] /
        65535) *
        100;
    expect(channel(weightsOf(1, 0, 0), 0)).toBeCloseTo(100, 1);
    expect(channel(weightsOf(1, 0, 0), 2000)).toBeCloseTo(50, 1);
    expect(channel(weightsOf(0, 0, 1), 3999)).toBeCloseTo(100, 1);
    expect(channel(weightsOf(0, 1, 0), 2000)).toBeCloseTo(0, 1);
    // ITU-R BT.709-6, item 3.2: red weighs 0.2126, blue 0.0722.
    expect(channel(BT709, 0)).toBeCloseTo(21.26, 1);
    expect(channel(BT709, 3999)).toBeCloseTo(7.22, 1);
    const points: Gradient = {
      ...coloured,
      shape: 'points',
      points: [
        { x: 0.25, y: 0.5, tone: 0, colour: '#ff0000' },
        { x: 0.75, y: 0.5, tone: 0, colour: '#0000ff' },
      ],
    };
    const read = gradientCoverage(points, size, straight, { x: 1000, y: 1000, width: 1, height: 1 });
    expect(100 - (read.data[0] / 65535) * 100).toBeCloseTo(21.26, 1);
  });
  it('of greys given as colours, are those of their tones', () => {
    const grey: Gradient = {
      ...base,
      stops: [
        { at: 0, tone: 0, middle: 0.3, colour: '#ffffff' },
        { at: 1, tone: 100, middle: 0.5, colour: '#000000' },
      ],
    };
    const tones: Gradient = { ...grey, stops: grey.stops.map(({ colour: _, ...stop }) => stop) };
    for (const x of [0, 700, 1900, 3300, 3999]) expect(at(grey, x, 9)).toBeCloseTo(at(tones, x, 9), 1);
  });
});
