/**
 * What a press costs: a painted photograph on A3 in four process inks at 1200 dpi, with and without one. Ratios are between turns taken in pairs.
 * Run by `npm run bench`.
 */
import { readFile } from 'node:fs/promises';
import {
  buildPyramid,
  filmFrame,
  plateBits,
  PLAIN_LOOK,
  pressCheck,
  pressProof,
  startOf,
  stepKind,
  type Press,
  type Recipe,
  type Scene,
} from '@brachytone/core';
import {
  newJob,
  placeOnSheet,
  pressOf,
  PRINTING_CONDITIONS,
  SHIPPED_PRESSES,
  withCondition,
} from '@brachytone/job';
import sharp from 'sharp';

const FIT = { columns: 446, rows: 631 };

const { data, info } = await sharp(await readFile('demo/originals/moon-over-reeds.jpg'))
  .raw()
  .toBuffer({ resolveWithObject: true });
const picture = { width: info.width, height: info.height, channels: 3 as const, data: new Uint8Array(data) };
const facts = { sha256: 'p'.repeat(64), name: 'photograph.jpg', width: info.width, height: info.height };
const sheet = { width: 297, height: 420, bleed: 0, resolution: 1200 };
const job = newJob(facts);
const [original] = job.recipe.originals;
const crop = { x: 0, y: 0, width: 1, height: 1, turn: 0 };
const placed: Recipe = {
  ...job.recipe,
  sheet,
  originals: [
    {
      ...original,
      content: { kind: 'picture', picture: facts.sha256, crop, line: null, cut: null },
      placement: placeOnSheet(sheet, facts, crop),
    },
  ],
};
const bare = withCondition(placed, original.id, PRINTING_CONDITIONS[0]);
const press = pressOf(SHIPPED_PRESSES.find(({ id }) => id === 'offset-coated') ?? SHIPPED_PRESSES[0]);
const onPress = (change: Partial<Press> = {}, recipe: Recipe = bare): Recipe => ({
  ...recipe,
  press: { id: 'press', press: { ...press, ...change }, compensates: true },
});
const pictures = new Map([[facts.sha256, buildPyramid(picture)]]);
const sceneOf = (recipe: Recipe): Scene => ({ recipe, pictures, drawings: new Map(), typefaces: new Map() });

const timed = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const median = (times: readonly number[]): number => times.toSorted((a, b) => a - b)[times.length >> 1];

/** Median of the ratios of turns taken in pairs, which goes first changing. */
function ratio(one: () => void, other: () => void, pairs = 15): number {
  one();
  other();
  return median(
    Array.from({ length: pairs }, (_, i) => {
      if (i % 2 === 0) {
        const first = timed(one);
        return first / timed(other);
      }
      const second = timed(other);
      return timed(one) / second;
    }),
  );
}

const frame = filmFrame(bare);
/** Rows of a film that nothing was made of yet, as a run asks for them: the next strip each time. */
const STRIP = 128;
let strip = 0;
const films = (recipe: Recipe) => (): void => {
  const y = (STRIP * strip++) % (frame.height - STRIP);
  plateBits(sceneOf(recipe), 0, frame, { x: 0, y, width: frame.width, height: STRIP });
};
const small = filmFrame({ sheet: { ...sheet, resolution: 76 } });
let shift = 0;
const first = (recipe: Recipe) => (): void => {
  const view = { x: ++shift / 1024, y: 0, width: small.width, height: small.height, ...FIT };
  pressProof(
    { scene: sceneOf(recipe), frame: small, view, rows: { first: 0, count: FIT.rows }, plates: [0, 1, 2, 3] },
    PLAIN_LOOK,
  );
};

console.log('\nWhat a press costs, A3 in four inks at 1200 dpi, one core:\n');
console.log(
  `- a film’s rows with a press against without: × ${ratio(films(onPress()), films(bare), 61).toFixed(3)} (target ≤ 1.03)`,
);
console.log(
  `- a coarse picture of four inks with a press against without: × ${ratio(first(onPress()), first(bare)).toFixed(3)}`,
);
const checks = (recipe: Recipe): number => timed(() => pressCheck(sceneOf(recipe)));
const opened = checks(onPress());
const changed = Array.from({ length: 3 }, (_, i) => {
  const [one] = bare.originals;
  const settings = { ...startOf(stepKind('levels')), bare: 2 + i };
  const steps = [{ id: 'levels', kind: 'levels', on: true, settings }];
  return checks(onPress({}, { ...bare, originals: [{ ...one, tone: { ...one.tone, steps } }] }));
});
const screened = Array.from({ length: 3 }, (_, i) =>
  checks(
    onPress(
      {},
      {
        ...bare,
        plates: bare.plates.map((plate) => ({
          ...plate,
          screen: { ...plate.screen, settings: { ...plate.screen.settings, ruling: 60 + i } },
        })),
      },
    ),
  ),
);
const numbers = Array.from({ length: 5 }, (_, i) => checks(onPress({ leastDot: 40 + i })));
const milliseconds = (time: number): string => `${time.toFixed(0)} ms`;
console.log(`- the press check, the first time: ${milliseconds(opened)}`);
console.log(`- after a change of tones: ${milliseconds(median(changed))} (target ≤ 1500 ms)`);
console.log(`- after a change of all rulings: ${milliseconds(median(screened))} (target ≤ 1500 ms)`);
console.log(
  `- after a change of one of the press’s numbers: ${milliseconds(median(numbers))} (target ≤ 100 ms)`,
);
