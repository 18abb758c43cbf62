import { inkOfColour, type Ink, type OriginalRecipe, rounded } from '@brachytone/core';
import { inkForJob } from '@brachytone/job';
import { inWorker } from '../../../../engine/engine.ts';
import { useDocument } from '../../../../store/use-job.ts';

/** Names for picked inks, by hue; greys and what is near white have their own. */
const HUES = [
  'Rosehip',
  'Ember',
  'Lantern',
  'Samphire',
  'Reed',
  'Sea glass',
  'Tide',
  'Night blue',
  'Heather',
];

function nameOf([l, a, b]: Ink['lab']): string {
  if (Math.hypot(a, b) < 9) return l > 75 ? 'Mist' : l > 35 ? 'Slate' : 'Soot';
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  return HUES[Math.floor(((hue + 15) % 360) / 40)];
}

/** Inks for an original's colours, new to the job; on dark stock they cover, over white. */
export function usePickInks(): (original: OriginalRecipe, count: number) => Promise<Ink[]> {
  const { recipe } = useDocument();
  return async (original, count) => {
    const { lab } = recipe.stock;
    const dark = lab[0] < 50;
    const colours = await inWorker((worker) => worker.pickColours(original, count, lab));
    const inks: Ink[] = [];
    const add = (name: string, colour: Ink['lab'], opacity: number) => {
      const same = inks.filter((ink) => ink.name.startsWith(name)).length;
      const one = { name: same ? `${name} ${same + 1}` : name, lab: colour, opacity, fountain: null };
      inks.push(inkForJob({ inks: [...recipe.inks, ...inks] }, one));
    };
    if (dark) add('White, covering', [96, -0.5, 1], 0.97);
    for (const colour of colours.slice(0, dark ? count - 1 : count)) {
      const [l, a, b] = inkOfColour(colour, lab);
      const ink: Ink['lab'] = [rounded(l, 1), rounded(a, 1), rounded(b, 1)];
      add(nameOf(ink), ink, dark ? 0.6 : 0);
    }
    return inks;
  };
}
