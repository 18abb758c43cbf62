import { cutText } from './text-schema.ts';
import type { Ink, Lab, Overprint, Recipe, Stock } from '@brachytone/core';
import { inkForJob } from './change-route.ts';
import { onWhite, PRINTING_CONDITIONS, processInks } from './printing-conditions.ts';
import { SHIPPED_INKS } from './shipped-inks.ts';
import type { ProfileView } from './views.ts';

const IDS = ['cyan', 'magenta', 'yellow', 'black'];

/** The four process inks as a press's profile has them on white, in printing order, and all their overprints. */
export function profileInks({ solids, paper }: ProfileView): { inks: Ink[]; overprints: Overprint[] } {
  const ink = (i: number): Ink => ({
    id: IDS[i],
    name: IDS[i][0].toUpperCase() + IDS[i].slice(1),
    lab: onWhite(solids[1 << i], paper),
    opacity: 0,
    fountain: null,
  });
  return {
    // Black goes first, as on most presses.
    inks: [ink(3), ink(0), ink(1), ink(2)],
    overprints: solids.flatMap((lab, set) =>
      (set & (set - 1)) === 0
        ? []
        : [{ inks: IDS.filter((_, i) => set & (1 << i)), lab: onWhite(lab, paper) }],
    ),
  };
}

/** The stock of a press's profile, else like another. */
export const profileStock = ({ name, paper }: ProfileView, stock: Stock): Stock => ({
  ...stock,
  name: cutText(name, 120),
  lab: paper,
  yuleNielsen: 1,
});

const alike = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** What an ink of a name looks like on white: that of a press or of the shelf, or a middling grey. */
export function colourOfName(name: string): Lab {
  const { inks } = processInks(PRINTING_CONDITIONS[0]);
  const known =
    inks.find((ink) => alike(ink.name, name)) ?? SHIPPED_INKS.find((ink) => alike(ink.name, name));
  return known?.lab ?? [50, 0, 0];
}

/** Inks of a job for the channels of a separated file, by their names: the process inks as its profile has them. */
export function separatedInks(
  recipe: Recipe,
  names: readonly string[],
  profile: ProfileView | undefined,
): { inks: Ink[]; overprints: Overprint[]; stock?: Stock } {
  const { inks: process, overprints } = profile ? profileInks(profile) : processInks(PRINTING_CONDITIONS[0]);
  const inks: Ink[] = [];
  for (const name of names) {
    const own = process.find((ink) => alike(ink.name, name) && !inks.some(({ id }) => id === ink.id));
    const { inks: there } = recipe;
    inks.push(
      own ??
        inkForJob(
          { inks: [...there, ...inks] },
          { name: cutText(name, 60), lab: colourOfName(name), opacity: 0, fountain: null },
        ),
    );
  }
  const ids = new Set(inks.map(({ id }) => id));
  return {
    inks,
    overprints: overprints.filter((over) => over.inks.every((id) => ids.has(id))),
    ...(profile ? { stock: profileStock(profile, recipe.stock) } : {}),
  };
}
