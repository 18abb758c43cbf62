import {
  COUNTED_PLATES,
  STRIP,
  STRIP_BYTES,
  WORK_BITS,
  WORK_PLANE,
  bytesAt,
  pixelsAt,
} from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from './bits.ts';
import { createPlane, type Plane } from './plane.ts';

/** What returned memory is overwritten with while loans are checked: bytes that no film has by chance. */
const POISON = 0x5a;

let checking = false;
let planeLent = false;
let bitsLent = false;
let stripLent = false;

/** Has returned work memory overwritten, so that a test that goes on reading it fails. */
export function checkLoans(): void {
  checking = true;
}

/**
 * Lends a bare plane in the kernels' memory, where they read and write it without a copy. It is the borrower's until `use` returns and
 * must not be kept; what is asked for meanwhile, or does not fit there, is ordinary memory.
 */
export function withWorkPlane<Made>(width: number, height: number, use: (plane: Plane) => Made): Made {
  const count = width * height;
  if (planeLent || 2 * count > WORK_PLANE.bytes) return use(createPlane(width, height));
  const data = pixelsAt(WORK_PLANE.address, count).fill(0);
  planeLent = true;
  try {
    return use({ width, height, data });
  } finally {
    planeLent = false;
    if (checking) bytesAt(WORK_PLANE.address, 2 * count).fill(POISON);
  }
}

/**
 * Lends bits for several plates at once, in the kernels' memory as far as they fit there. They are the borrower's until `use` returns;
 * what is in them is left from before.
 */
export function withWorkBits<Made>(
  plates: number,
  width: number,
  height: number,
  use: (bits: readonly Bits[]) => Made,
): Made {
  const stride = strideOf(width);
  const ours = bitsLent || stride * height > WORK_BITS.bytes ? 0 : Math.min(plates, COUNTED_PLATES);
  const lent = Array.from({ length: plates }, (_, plate): Bits => {
    if (plate >= ours) return createBits(width, height);
    const data = bytesAt(WORK_BITS.address + plate * WORK_BITS.stride, stride * height);
    return { width, height, stride, data };
  });
  bitsLent ||= ours > 0;
  try {
    return use(lent);
  } finally {
    if (ours > 0) bitsLent = false;
    if (checking) for (const { data } of lent.slice(0, ours)) data.fill(POISON);
  }
}

/**
 * Lends bits of a strip of a film, where they are packed without a copy. They are the borrower's until `use` returns; what is in them is
 * left from before.
 */
export function withStripBits<Made>(width: number, height: number, use: (bits: Bits) => Made): Made {
  const stride = strideOf(width);
  const bytes = stride * height;
  if (stripLent || bytes > STRIP_BYTES.data) return use(createBits(width, height));
  const data = bytesAt(STRIP.data, bytes);
  stripLent = true;
  try {
    return use({ width, height, stride, data });
  } finally {
    stripLent = false;
    if (checking) data.fill(POISON);
  }
}
