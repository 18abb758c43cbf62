import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';

const { imul } = Math;

/** Plain loops for diffusing errors; `assembly/` says what each does. */
export function plainDiffuse({ u8, u16, i32 }: MemoryViews): Pick<Kernels, 'diffuseRow'> {
  return {
    diffuseRow(coverage, here, next, after, made, noise, modulation, feedback, kernel, way, width) {
      const [h, n, a] = [here >> 2, next >> 2, after >> 2];
      const divisor = [16, 48, 42, 2][kernel];
      const half = divisor >> 1;
      let [before, behind] = [0, 0];
      for (let i = 0; i < width; i++) {
        const x = way > 0 ? i : width - 1 - i;
        const asked = u16[(coverage >> 1) + x];
        const above = u8[made + x];
        let ink = 0;
        if (asked === 65535) ink = 1;
        else if (asked > 0) {
          const carried = i32[h + x];
          const taken =
            kernel === 0
              ? (carried + 8) >> 4
              : Math.trunc((carried + (carried < 0 ? -half : half)) / divisor);
          const value = Math.max(-131072, Math.min(196608, asked + taken));
          let bar = 32768;
          if (noise) bar += imul(u16[(noise >> 1) + x] - 32768, modulation) >> 16;
          if (feedback) {
            const near = 22 * before + 56 * above + 25 * (u8[made + x + way] + behind);
            bar += imul(feedback, 64 - near) >> 7;
          }
          ink = value >= bar ? 1 : 0;
          const error = value - (ink ? 65535 : 0);
          if (kernel === 0) {
            i32[h + x + way] += 7 * error;
            i32[n + x - way] += 3 * error;
            i32[n + x] += 5 * error;
            i32[n + x + way] += error;
          } else if (kernel === 3) {
            i32[h + x + way] += error;
            i32[n + x] += error;
          } else {
            const [ahead, ring] =
              kernel === 1
                ? [
                    [7, 5],
                    [
                      [3, 5, 7, 5, 3],
                      [1, 3, 5, 3, 1],
                    ],
                  ]
                : [
                    [8, 4],
                    [
                      [2, 4, 8, 4, 2],
                      [1, 2, 4, 2, 1],
                    ],
                  ];
            for (let k = 1; k <= 2; k++) i32[h + x + k * way] += ahead[k - 1] * error;
            for (let k = -2; k <= 2; k++) {
              i32[n + x + k * way] += ring[0][k + 2] * error;
              i32[a + x + k * way] += ring[1][k + 2] * error;
            }
          }
        }
        u8[made + x] = ink;
        before = ink;
        behind = above;
      }
    },
  };
}
