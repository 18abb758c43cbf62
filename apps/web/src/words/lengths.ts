import { MM_PER_INCH } from '@brachytone/core';
import { formatQuantity, type LengthsIn, type Unit } from './quantity.ts';

/** How long the pixels are. */
export interface PixelSizes {
  /** Pixels of the film an inch. */
  readonly resolution: number;
  /** Pixels of the original per inch of the sheet, where the length belongs to one. */
  readonly ppi?: number | undefined;
}

/**
 * The unit in which a length is shown and typed, whatever it is kept in, with the same length in a second one.
 *
 * @param kept mm of the sheet, or pixels of the original (then its `ppi` must be known)
 * @param shown what is wished; mm where it is the picture's pixels and there is no picture
 * @param large lengths of whole mm rather than of dots
 */
export function lengthUnit(
  kept: 'mm' | 'picture',
  shown: LengthsIn,
  { resolution, ppi }: PixelSizes,
  large = false,
): Unit {
  const mm = { mm: 1, film: MM_PER_INCH / resolution, picture: ppi ? MM_PER_INCH / ppi : 1 };
  const of = (length: number) => length / mm[kept];
  const inUnit = (one: LengthsIn): Unit => ({
    symbol: one === 'mm' ? 'mm' : 'px',
    per: of(mm[one]),
    others: {
      mm: of(1),
      cm: of(10),
      m: of(1000),
      in: of(MM_PER_INCH),
      '"': of(MM_PER_INCH),
      µm: of(0.001),
      um: of(0.001),
      px: of(mm[one === 'film' || !ppi ? 'film' : 'picture']),
    },
    inverse: { ppi: of(MM_PER_INCH), dpi: of(MM_PER_INCH), lpi: of(MM_PER_INCH) },
    decimals: one === 'mm' ? (large ? 2 : 3) : 1,
    step: one === 'mm' ? (large ? 1 : 0.05) : large ? 10 : 0.5,
  });
  const first = shown === 'picture' && !ppi ? 'mm' : shown;
  const second = first !== 'mm' ? 'mm' : ppi ? 'picture' : 'film';
  const also = inUnit(second);
  // Whose pixels they are stands beside the length, once.
  const whose = (second === 'mm' ? first : second) === 'film' ? ' film' : '';
  const words = (value: number): string =>
    formatQuantity(value, also) + (whose && second === 'mm' ? ' · film' : whose);
  return { ...inUnit(first), also: { lengthsIn: second, words } };
}
