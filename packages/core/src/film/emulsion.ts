import { createBits, type Bits } from '../raster/bits.ts';

/** How a film is to lie and read. */
export interface Emulsion {
  /** Left and right exchanged, to be read through the back of the film. */
  readonly mirrored: boolean;
  /** Ink and clear exchanged. */
  readonly negative: boolean;
}

const REVERSED = Uint8Array.from({ length: 256 }, (_, byte) => {
  let out = 0;
  for (let i = 0; i < 8; i++) if (byte & (1 << i)) out |= 0x80 >> i;
  return out;
});

/** Whole rows of a plate as they stand on its film. */
export function toFilm(bits: Bits, emulsion: Emulsion): Bits {
  const turned = emulsion.mirrored ? mirror(bits) : bits;
  return emulsion.negative ? invert(turned) : turned;
}

function mirror(bits: Bits): Bits {
  const out = createBits(bits.width, bits.height);
  const { stride } = bits;
  const padding = stride * 8 - bits.width;
  for (let y = 0; y < bits.height; y++) {
    const row = y * stride;
    for (let i = 0; i < stride; i++) {
      const here = REVERSED[bits.data[row + stride - 1 - i]];
      const after = i + 1 < stride ? REVERSED[bits.data[row + stride - 2 - i]] : 0;
      out.data[row + i] = (here << padding) | (after >> (8 - padding));
    }
  }
  return out;
}

function invert(bits: Bits): Bits {
  const out = createBits(bits.width, bits.height);
  const { stride } = bits;
  const lastMask = 0xff << (stride * 8 - bits.width);
  for (let i = 0; i < bits.data.length; i++) out.data[i] = ~bits.data[i];
  for (let end = stride - 1; end < out.data.length; end += stride) out.data[end] &= lastMask;
  return out;
}
