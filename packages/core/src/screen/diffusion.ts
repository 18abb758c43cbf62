import { bytesAt, DIFFUSION, kernels, pixelsAt, ROWS, wholesAt } from '../kernel/memory.ts';
import { createBits, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import type { SequentialRun, SequentialScreener } from './kinds/kind.ts';
import type { Thresholds } from './thresholds.ts';
import type { Transfer } from './transfer.ts';

/** What a diffusion is set by. */
export interface Diffusion {
  /**
   * Which neighbours take how much of a pixel's error: 0 R. W. Floyd & L. Steinberg, "An adaptive algorithm for spatial
   * greyscale", Proc. SID 17 (1976); 1 J. F. Jarvis, C. N. Judice & W. H. Ninke, "A survey of techniques for the display of
   * continuous tone pictures on bilevel displays" (1976); 2 P. Stucki, "MECCA – a multiple-error correction computation
   * algorithm" (1981); 3 the next pixel and the one below, half each.
   */
  readonly kernel: 0 | 1 | 2 | 3;
  /** Noise that moves the threshold, and how far: 0–1 of its whole range. */
  readonly noise?: { readonly tile: Thresholds; readonly strength: number };
  /** How much easier it is to ink beside what was just inked: 0 = no easier. */
  readonly feedback: number;
}

/** Room to either side of a row of errors, in pixels. */
const SIDE = 2;
const EDGE = 4 * SIDE;
/** Rows that clumps begin above the sheet; an even number, so that the first row runs the usual way. */
const RUN_IN = 32;
/** Bytes before a row of pixels made. */
const MADE = 8;

/** Error diffusion, row by row, there and back. */
export const diffusing = (diffusion: Diffusion, { table }: Transfer): SequentialScreener => ({
  sequential: true,
  start: (width) => diffuse(diffusion, table, width),
});

function diffuse(
  { kernel, noise, feedback }: Diffusion,
  table: Uint16Array | undefined,
  width: number,
): SequentialRun {
  const room = width + 2 * SIDE;
  // This row's errors and those of the two below, kept here between bands.
  let errors = [0, 1, 2].map(() => new Int32Array(room));
  const above = new Uint8Array(width);
  let y = 0;
  const rows = (coverage: Plane): Bits => {
    const bits = createBits(width, coverage.height);
    const areas = [...DIFFUSION.errors];
    const views = areas.map((area) => wholesAt(area, room));
    views.forEach((view, i) => view.set(errors[i]));
    bytesAt(DIFFUSION.made, MADE).fill(0);
    const made = bytesAt(DIFFUSION.made + MADE, width + 8);
    made.set(above);
    made.fill(0, width);
    const row = pixelsAt(ROWS.upper, width);
    const out = bytesAt(ROWS.out, bits.stride);
    const modulation = noise ? Math.round(noise.strength * 65536) : 0;
    for (let j = 0; j < coverage.height; j++, y++) {
      const asked = coverage.data.subarray(j * width, (j + 1) * width);
      if (table) for (let x = 0; x < width; x++) row[x] = table[asked[x]];
      else row.set(asked);
      if (noise) layNoise(noise.tile, y, width);
      // Three rows of errors take turns; the one used up begins anew two below.
      const [here, next, after] = [0, 1, 2].map((k) => (y + k) % 3);
      kernels.diffuseRow(
        ROWS.upper,
        areas[here] + EDGE,
        areas[next] + EDGE,
        areas[after] + EDGE,
        DIFFUSION.made + MADE,
        noise ? DIFFUSION.noise : 0,
        modulation,
        Math.round(feedback * 65536),
        kernel,
        (y & 1) === 0 ? 1 : -1,
        width,
      );
      views[here].fill(0);
      kernels.packRow(DIFFUSION.made + MADE, width, ROWS.out);
      bits.data.set(out, j * bits.stride);
    }
    errors = views.map((view) => view.slice());
    above.set(made.subarray(0, width));
    return bits;
  };
  // Clumps take a while to gather: they begin above the sheet, on its first row again and again.
  let settled = feedback === 0;
  return {
    rows(coverage) {
      if (!settled && coverage.height > 0) {
        const first = coverage.data.subarray(0, width);
        const data = new Uint16Array(RUN_IN * width);
        for (let j = 0; j < RUN_IN; j++) data.set(first, j * width);
        rows({ width, height: RUN_IN, data });
        settled = true;
      }
      return rows(coverage);
    },
  };
}

/** A row of the tile, as often as it takes. */
function layNoise({ brick, stride, data }: Thresholds, y: number, width: number): void {
  const line = data.subarray((y % brick.height) * stride, (y % brick.height) * stride + brick.width);
  const out = pixelsAt(DIFFUSION.noise, width);
  for (let x = 0; x < width; x += brick.width) {
    out.set(x + brick.width <= width ? line : line.subarray(0, width - x), x);
  }
}
