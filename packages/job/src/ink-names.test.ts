import { hexToLab } from '@brachytone/core';
import { inkNames } from './ink-names.ts';

const named = (...colours: string[]) => inkNames(colours.map(hexToLab), []);

describe('names of inks by their colours', () => {
  // Names that most people give these colours (common practice, no source).
  it.each([
    ['#c8202c', 'Red'],
    ['#f0a8b4', 'Pink'],
    ['#e87818', 'Orange'],
    ['#f4d820', 'Yellow'],
    ['#2c9040', 'Green'],
    ['#189898', 'Teal'],
    ['#2050b0', 'Blue'],
    ['#7038a0', 'Violet'],
    ['#6b4423', 'Brown'],
    ['#8a7048', 'Brown'],
    ['#808080', 'Grey'],
    ['#181818', 'Black'],
    ['#f8f8f8', 'White'],
  ])('%s is %s', (colour, name) => {
    expect(named(colour)).toEqual([name]);
  });
  it('tell several of one hue apart by their lightness, wherever they stand', () => {
    expect(named('#6b4423', '#2050b0', '#8a7048', '#4a2c14')).toEqual([
      'Brown',
      'Blue',
      'Light brown',
      'Dark brown',
    ]);
    expect(named('#2050b0', '#102858')).toEqual(['Light blue', 'Dark blue']);
  });
  it('are never the same, nor one that is taken', () => {
    const browns = ['#6b4423', '#8a7048', '#4a2c14', '#5a3818', '#7a5430', '#3c2410', '#644020'];
    expect(new Set(named(...browns)).size).toBe(browns.length);
    expect(inkNames([hexToLab('#2050b0')], ['Blue', 'Blue 2'])).toEqual(['Blue 3']);
  });
});
