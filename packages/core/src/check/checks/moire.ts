import type { Check, Checked, Found, Mend } from '../finding.ts';
import { angleDial, meshBeats, pairBeats, straightPlates, tripleBeat, type LoudBeat } from '../loudness.ts';
import { mendPlate } from '../mend.ts';
import { inkName, listed, plain } from '../words.ts';

/** Contrast of light from which on a pattern will not be forgiven. */
const LOUD = 0.04;

const severityOf = ({ contrast }: LoudBeat): 'fail' | 'risky' => (contrast >= LOUD ? 'fail' : 'risky');

const beatWords = ({ period, contrast }: LoudBeat): string =>
  `every ${plain(period)} mm, contrast ${plain(100 * contrast)} %`;

function quietMend({ recipe }: Checked, plate: number): Mend[] {
  const dial = angleDial(recipe, plate);
  if (!dial || dial.quiet === dial.angle) return [];
  return [
    mendPlate(plate, `${inkName(recipe, plate)} at ${plain(dial.quiet)}°`, ({ screen }) => ({
      screen: { ...screen, settings: { ...screen.settings, angle: dial.quiet } },
    })),
  ];
}

export const moireWithMesh: Check = {
  id: 'moire-mesh',
  why: 'Dots and threads that nearly fit one another make bands far wider than either.',
  uses: ['mesh'],
  find: (checked) =>
    straightPlates(checked.recipe).flatMap((plate): Found[] => {
      const { recipe } = checked;
      const beat = meshBeats(recipe, plate)();
      if (!beat) return [];
      return [
        {
          severity: severityOf(beat),
          says: `${inkName(recipe, plate)} at ${plain(Number(recipe.plates[plate].screen.settings.angle))}° beats with the mesh ${beatWords(beat)}.`,
          places: [],
          mends: quietMend(checked, plate),
          dial: recipe.plates[plate].id,
        },
      ];
    }),
};

export const moireBetweenPlates: Check = {
  id: 'moire-plates',
  why: 'Screens that nearly fit one another make bands far wider than their dots.',
  uses: ['mesh'],
  find(checked) {
    const { recipe } = checked;
    const straight = straightPlates(recipe);
    const found: Found[] = [];
    const tell = (beat: LoudBeat): void => {
      const last = beat.plates[beat.plates.length - 1];
      found.push({
        severity: severityOf(beat),
        says: `${listed(beat.plates.map((plate) => inkName(recipe, plate)))} beat with one another ${beatWords(beat)}.`,
        places: [],
        mends: beat.plates.toReversed().flatMap((plate) => quietMend(checked, plate)),
        dial: recipe.plates[last].id,
      });
    };
    straight.forEach((plate, i) => {
      for (const other of straight.slice(i + 1)) {
        const beat = pairBeats(recipe, plate, other)();
        if (beat) tell(beat);
      }
    });
    if (found.length > 0) return found;
    // Of three, only what no two of them make already.
    for (let a = 0; a < straight.length; a++)
      for (let b = a + 1; b < straight.length; b++)
        for (let c = b + 1; c < straight.length; c++) {
          const beat = tripleBeat(recipe, [straight[a], straight[b], straight[c]]);
          if (beat) tell(beat);
        }
    return found;
  },
};
