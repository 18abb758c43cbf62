import { newJob } from './defaults.ts';
import type { JobDocument } from './document.ts';
import { gangPlan, type GangWish } from './gang.ts';

const plain = newJob({ sha256: 'a'.repeat(64), name: 'marsh.png', width: 300, height: 200 });
const jobOf = (
  name: string,
  width: number,
  height: number,
  change: Partial<JobDocument['recipe']> = {},
): JobDocument => ({
  ...plain,
  name,
  recipe: { ...plain.recipe, sheet: { width, height, bleed: 2, resolution: 600 }, ...change },
});
const wish = (...copies: number[]): GangWish => ({
  sheet: { width: 420, height: 297 },
  gap: 4,
  jobs: copies.map((one, i) => ({ jobId: String(i), copies: one })),
});

it('four tickets and a card lie on one film: apart by the gap, within it, none over another', () => {
  const plan = gangPlan(wish(4, 1), [jobOf('Ticket', 120, 60), jobOf('Card', 105, 148)]);
  expect(plan.places).toHaveLength(5);
  expect(plan.places.filter(({ job }) => job === 0)).toHaveLength(4);
  const gap = Math.round((4 / 25.4) * 600);
  for (const [i, a] of plan.places.entries()) {
    expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(0);
    expect(a.x + a.width).toBeLessThanOrEqual(plan.width);
    expect(a.y + a.height).toBeLessThanOrEqual(plan.height);
    for (const b of plan.places.slice(i + 1)) {
      const apart =
        a.x + a.width + gap <= b.x ||
        b.x + b.width + gap <= a.x ||
        a.y + a.height + gap <= b.y ||
        b.y + b.height + gap <= a.y;
      expect(apart).toBe(true);
    }
  }
});

const blue = { ...plain.recipe.inks[0], id: 'ink-2', name: 'Tide' };
const twoInks = (order: readonly string[]): Partial<JobDocument['recipe']> => ({
  inks: [...plain.recipe.inks, blue],
  plates: order.map((ink) => ({ ...plain.recipe.plates[0], id: `plate-${ink}`, ink })),
});

it('a job with fewer inks lies beside one with more', () => {
  const plan = gangPlan(wish(1, 1), [
    jobOf('One', 50, 50),
    jobOf('Two', 50, 50, twoInks(['ink-1', 'ink-2'])),
  ]);
  expect(plan.inks).toEqual(['Black', 'Tide']);
});

it.each<[string, JobDocument[], GangWish, RegExp]>([
  ['nothing', [], wish(), /Choose a job/],
  ['too many', [jobOf('Ticket', 120, 60)], wish(40), /holds \d+ of the 40/],
  ['one that is too large', [jobOf('Banner', 600, 60)], wish(1), /larger than the film/],
  [
    'another resolution',
    [
      jobOf('A', 50, 50),
      jobOf('B', 50, 50, { sheet: { width: 50, height: 50, bleed: 0, resolution: 1200 } }),
    ],
    wish(1, 1),
    /one resolution/,
  ],
  [
    'another stock',
    [jobOf('A', 50, 50), jobOf('B', 50, 50, { stock: { ...plain.recipe.stock, name: 'Oat board' } })],
    wish(1, 1),
    /Oat board/,
  ],
  [
    'inks that are others',
    [jobOf('A', 50, 50), jobOf('B', 50, 50, { inks: [{ ...blue, id: 'ink-1' }] })],
    wish(1, 1),
    /ink, (Tide|Black)/,
  ],
  [
    'another printing order',
    [jobOf('A', 50, 50, twoInks(['ink-1', 'ink-2'])), jobOf('B', 50, 50, twoInks(['ink-2', 'ink-1']))],
    wish(1, 1),
    /another order/,
  ],
])('%s is refused with a sentence', (_name, documents, asked, words) => {
  expect(() => gangPlan(asked, documents)).toThrow(words);
});
