import { inkOfColour, type Ink, type OriginalRecipe, rounded } from '@brachytone/core';
import { inkForJob, inkNames } from '@brachytone/job';
import { inWorker } from '../../../../engine/engine.ts';
import { useDocument } from '../../../../store/use-job.ts';

/** Inks for an original's colours, new to the job; on dark stock they cover, over white. */
export function usePickInks(): (original: OriginalRecipe, count: number) => Promise<Ink[]> {
  const { recipe } = useDocument();
  return async (original, count) => {
    const { lab } = recipe.stock;
    const dark = lab[0] < 50;
    const colours = await inWorker((worker) => worker.pickColours(original, count, lab));
    const picked = colours.slice(0, dark ? count - 1 : count).map((colour): Ink['lab'] => {
      const [l, a, b] = inkOfColour(colour, lab);
      return [rounded(l, 1), rounded(a, 1), rounded(b, 1)];
    });
    const names = inkNames(
      picked,
      recipe.inks.map(({ name }) => name),
    );
    const inks: Ink[] = [];
    const add = (name: string, colour: Ink['lab'], opacity: number) => {
      const one = { name, lab: colour, opacity, fountain: null };
      inks.push(inkForJob({ inks: [...recipe.inks, ...inks] }, one));
    };
    if (dark) add('White, covering', [96, -0.5, 1], 0.97);
    picked.forEach((ink, i) => add(names[i], ink, dark ? 0.6 : 0));
    return inks;
  };
}
