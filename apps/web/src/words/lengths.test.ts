import { lengthUnit } from './lengths.ts';
import { formatQuantity, parseQuantity, stepOf, type LengthsIn } from './quantity.ts';

const SIZES = { resolution: 2540, ppi: 254 };

describe('lengths in the unit that is wished', () => {
  it.each([
    // 1 mm is 10 pixels at 254 ppi and 100 at 2540 dpi.
    ['mm', 'mm', 0.4, '0.4 mm', '4 px'],
    ['mm', 'picture', 0.4, '4 px', '0.4 mm'],
    ['mm', 'film', 0.4, '40 px', '0.4 mm · film'],
    ['picture', 'mm', 4, '0.4 mm', '4 px'],
    ['picture', 'picture', 4, '4 px', '0.4 mm'],
    ['picture', 'film', 4, '40 px', '0.4 mm · film'],
  ] as const)('kept in %s, shown in %s', (kept, shown, value, words, also) => {
    const unit = lengthUnit(kept, shown, SIZES);
    expect(formatQuantity(value, unit)).toBe(words);
    expect(unit.also?.words(value)).toBe(also);
    expect(parseQuantity(words, unit)).toBeCloseTo(value, 9);
    expect(parseQuantity(words.split(' ')[0], unit)).toBeCloseTo(value, 9);
    expect(parseQuantity(also.replace(' · film', ''), unit)).toBeCloseTo(value, 9);
  });
  it('every unit may be typed in every other', () => {
    for (const shown of ['mm', 'picture', 'film'] as LengthsIn[]) {
      const unit = lengthUnit('picture', shown, SIZES);
      for (const text of ['1.5mm', '0.15cm', '1500µm', shown === 'film' ? '150px' : '15px'])
        expect(parseQuantity(text, unit)).toBeCloseTo(15, 9);
    }
  });
  it('where there is no picture, pixels are the film’s', () => {
    const unit = lengthUnit('mm', 'picture', { resolution: 2540 });
    expect(formatQuantity(0.4, unit)).toBe('0.4 mm');
    expect(unit.also?.words(0.4)).toBe('40 px film');
    expect(parseQuantity('40px', unit)).toBeCloseTo(0.4, 9);
  });
  it('an arrow key moves by a step of what is shown', () => {
    expect(stepOf(lengthUnit('picture', 'mm', SIZES))).toBeCloseTo(0.5, 9);
    expect(stepOf(lengthUnit('mm', 'picture', SIZES))).toBeCloseTo(0.05, 9);
  });
});
