import { clearBits, type Bits } from './bits.ts';
import { grownBits } from './grown-bits.ts';

/**
 * The parts of bits that are thinner than a width: what an opening by a disc takes away (J. Serra, "Image Analysis and Mathematical
 * Morphology", 1982). Corners lose a little too; who counts parts drops small ones.
 *
 * @param width pixels; discs are odd numbers of pixels wide, so that it counts in steps of two and never too much
 */
export function thinParts(bits: Bits, width: number): Bits {
  const radius = discFor(width);
  const thin = { ...bits, data: bits.data.slice() };
  if (radius === 0) {
    thin.data.fill(0);
    return thin;
  }
  clearBits(thin, grownBits(grownBits(bits, -radius), radius));
  return thin;
}

/** Radius of the disc that fits in whatever is at least so many pixels wide. */
export const discFor = (width: number): number => Math.floor((Math.ceil(width - 1e-9) - 1) / 2);
