import { MM_PER_INCH } from '../../raster/frame.ts';
import { latticeOf } from '../../screen/screen.ts';
import type { Check } from '../finding.ts';
import { alike, mendPress, mendRuling } from '../mend.ts';
import { inkName, listed, plain } from '../words.ts';

/** Threads to a dot below which the mesh cannot hold it; common practice, no source. */
const [RISKY, FAILS] = [4, 3];
/** What a mend brings it to. */
const GOOD = 4.5;

/** Threads per inch of a mesh told per cm. */
const perInch = (count: number): number => (count * MM_PER_INCH) / 10;

export const rulingAgainstMesh: Check = {
  id: 'ruling-against-mesh',
  why: 'A dot needs threads to sit on: with too few, small ones fall through the mesh.',
  uses: ['mesh'],
  find({ recipe, press }) {
    const { mesh } = press;
    if (!mesh) return [];
    const threads = perInch(mesh.count);
    const rulings = new Map<number, number[]>();
    recipe.plates.forEach(({ screen, printed }, plate) => {
      const lattice = printed && screen.coarse === 0 ? latticeOf(screen) : undefined;
      if (lattice) rulings.set(lattice.ruling, [...(rulings.get(lattice.ruling) ?? []), plate]);
    });
    return [...rulings].flatMap(([ruling, plates]) => {
      const ratio = threads / ruling;
      if (ratio >= RISKY) return [];
      const wanted = Math.floor(threads / GOOD);
      const count = Math.ceil((ruling * GOOD * 10) / MM_PER_INCH);
      return [
        {
          severity: ratio < FAILS ? 'fail' : 'risky',
          says: `${listed(plates.map((plate) => inkName(recipe, plate)))} at ${plain(ruling)} lpi on mesh of ${mesh.count} a cm: ${plain(ratio)} threads to a dot, where ${RISKY} are wanted.`,
          places: [],
          mends: [
            mendRuling(alike(recipe, plates[0], 'ruling'), wanted),
            mendPress(`Mesh of ${count} a cm`, () => ({
              // Finer fabric is woven of thinner threads.
              mesh: { ...mesh, count, thread: Math.round((mesh.thread * mesh.count) / count) },
            })),
          ],
        } as const,
      ];
    });
  },
};
