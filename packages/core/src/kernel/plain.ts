import type { Kernels } from './kernels.ts';
import { memoryViews } from './memory-views.ts';
import { PAGES } from './pages.ts';
import { plainCell } from './plain-cell.ts';
import { plainColour } from './plain-colour.ts';
import { plainCompare } from './plain-compare.ts';
import { plainLight } from './plain-light.ts';
import { plainRange } from './plain-range.ts';
import { plainDiffuse } from './plain-diffuse.ts';
import { plainGroup4 } from './plain-group4.ts';
import { plainResample } from './plain-resample.ts';

/** Bytes of memory, as many as the compiled kernels cannot do without. */
const BYTES = PAGES.least << 16;

/**
 * The loops of `assembly/` in plain TypeScript, bit for bit the same, for machines whose WebAssembly has no SIMD. What
 * each does is said there.
 */
export function plainKernels(): Kernels {
  const buffer = new ArrayBuffer(BYTES);
  const views = memoryViews(buffer);
  return {
    memory: { buffer },
    ...plainCompare(views),
    ...plainResample(views),
    ...plainColour(views),
    ...plainLight(views),
    ...plainRange(views),
    ...plainDiffuse(views),
    ...plainCell(views),
    ...plainGroup4(views.u8, views.i32),
  };
}
