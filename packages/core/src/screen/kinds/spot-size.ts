import type { NumberField } from '../../base/field.ts';

/** Side of the smallest mark, made of whole film pixels. */
export const SPOT_SIZE = (start: number): NumberField => ({
  type: 'number',
  label: 'Spot size',
  unit: 'mm',
  least: 0.005,
  most: 10,
  usual: [0.02, 2],
  ratio: true,
  start,
});

/** `0.3 mm`, or `85 µm`. */
export const spotSizeWords = (mm: number): string =>
  mm < 0.1 ? `${Math.round(mm * 1000)} µm` : `${Number(mm.toFixed(2))} mm`;
