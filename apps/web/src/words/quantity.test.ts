import { lengthUnit } from './lengths.ts';
import {
  coarseOn,
  dotUnit,
  DEGREES,
  formatQuantity,
  LPI,
  MM,
  parseQuantity,
  PERCENT,
  SMALL_MM,
} from './quantity.ts';

describe('numbers as typed', () => {
  it.each([
    ['1.5mm', MM, 1.5],
    ['1,5', MM, 1.5],
    ['2 in', MM, 50.8],
    ['1in + 3 mm', MM, 28.4],
    ['45lpi', LPI, 45],
    ['20 l/cm', LPI, 50.8],
    ['300/4', LPI, 75],
    ['(300 − 60) ÷ 4', LPI, 60],
    ['2 × 3 + 4 × 5', MM, 26],
    ['2mm', LPI, 12.7],
    ['0.5in', LPI, 2],
    ['85µm', SMALL_MM, 0.085],
    ['0.3', SMALL_MM, 0.3],
    ['-15°', DEGREES, -15],
    ['12 %', PERCENT, 12],
    ['.5', MM, 0.5],
    ['5px', lengthUnit('mm', 'mm', { resolution: 1200 }), (5 * 25.4) / 1200],
    ['60ppi', lengthUnit('mm', 'mm', { resolution: 1200 }), 25.4 / 60],
    ['5 mm', coarseOn(1200), 25.4 / 5],
    ['20px', coarseOn(1200), 60],
    // A square dot 0.5 mm wide on a cell of 1 mm covers a quarter of it.
    ['0.5mm', dotUnit((coverage) => Math.sqrt(coverage)), 25],
    ['500 µm', dotUnit((coverage) => Math.sqrt(coverage)), 25],
  ])('%s', (text, unit, value) => {
    expect(parseQuantity(text, unit)).toBeCloseTo(value, 9);
  });
  it.each(['', 'abc', '3 kg', '4 +', '(2', '1 2', '5/0', '1..2', '3)'])('“%s” is no number', (text) => {
    expect(parseQuantity(text, MM)).toBeUndefined();
  });
  it('as shown', () => {
    expect(formatQuantity(45, LPI)).toBe('45 lpi');
    expect(formatQuantity(22.54, DEGREES)).toBe('22.5°');
    expect(formatQuantity(0.25, { symbol: '', decimals: 2, step: 1 })).toBe('0.25');
  });
});
