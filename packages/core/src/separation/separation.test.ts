import fc from 'fast-check';
import { difference2000 } from '../colour/difference.ts';
import type { Lab } from '../colour/lab.ts';
import { anyAmounts, invert } from '../ink/invert.ts';
import { predict } from '../ink/model.ts';
import { SOLID } from '../raster/plane.ts';
import { testInk } from '../testing.ts';
import { WHITE_STOCK } from '../recipe/plain-plate.ts';
import { inkOfColour, pickColours } from './pick-inks.ts';
import type { InkSet } from '../ink/ink-set.ts';
import { isColourRoute, lineInks, modelTables, routeInks, routeModel, type RouteModel } from './route.ts';
import type { Route } from './routes/index.ts';
import type { ProcessRoute } from './routes/process.ts';
import type { SpotRoute } from './routes/spot.ts';
import { separateRow, type SeparationTable } from './table.ts';
import { targetOf } from './target.ts';

const press: InkSet = {
  stock: { ...WHITE_STOCK, lab: [95, 0, -2] },
  // Printed black first.
  inks: [
    testInk('k', [16, 0, 0]),
    testInk('c', [56, -37, -49]),
    testInk('m', [49, 75, -2]),
    testInk('y', [92, -5, 95]),
  ],
  overprints: [],
};
/** How a route goes by the ink model, which it must. */
function modelledBy(route: Route, inkSet: InkSet): RouteModel {
  const modelled = routeModel(route, inkSet);
  if (!modelled) throw new Error(`“${route.kind}” does not go by the ink model.`);
  return modelled;
}

const tableFor = (route: Route, inkSet: InkSet, draft: boolean): SeparationTable =>
  modelledBy(route, inkSet).table(draft);

const rule: ProcessRoute = {
  kind: 'process',
  cyan: 'c',
  magenta: 'm',
  yellow: 'y',
  black: 'k',
  generation: 60,
  replacement: 40,
  from: 20,
  limit: 300,
};

/** Amounts for a colour (0–1 each), through a table. */
function amountsOf(table: SeparationTable, [r, g, b]: readonly number[]): number[] {
  const row = (value: number) => Uint16Array.of(Math.round((1 - value) * SOLID));
  const out = Array.from({ length: table.inks }, () => new Uint16Array(1));
  separateRow(table, row(r), row(g), row(b), out, 0);
  return out.map(([one]) => one / SOLID);
}

const colour = fc.tuple(
  fc.double({ min: 0, max: 1, noNaN: true }),
  fc.double({ min: 0, max: 1, noNaN: true }),
  fc.double({ min: 0, max: 1, noNaN: true }),
);
/** Colours spread evenly, not mostly at the ends. */
const step = fc.integer({ min: 0, max: 96 }).map((one) => one / 96);
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

describe('a table', () => {
  it.each<[string, Route]>([
    ['process', rule],
    ['spot', { kind: 'spot', inks: ['k', 'm', 'y'], limit: 250 }],
  ])('that films go by is named once, and found by its name: %s', (_, route) => {
    const [wanted, ...others] = modelTables([route, route], press);
    expect(others).toEqual([]);
    expect(wanted.make()).toEqual(tableFor(route, press, false));
    const darker = press.inks.map((ink) => (ink.id === 'm' ? testInk('m', [40, 70, 0]) : ink));
    expect(modelTables([route], { ...press, inks: darker })[0].name).not.toBe(wanted.name);
  });
  it('gives its nodes as they are, and what is linear between them', () => {
    const size = 5;
    const data = new Uint16Array(size ** 3 * 2);
    for (let r = 0, i = 0; r < size; r++) {
      for (let g = 0; g < size; g++) {
        for (let b = 0; b < size; b++) {
          data[i++] = 1000 * r + 2000 * g + 4000 * b;
          data[i++] = 65535 - 3000 * r;
        }
      }
    }
    const table = { size, inks: 2, data };
    fc.assert(
      fc.property(colour, (rgb) => {
        const [first, second] = amountsOf(table, rgb);
        const at = rgb.map((one) => (Math.round((1 - one) * SOLID) / SOLID) * (size - 1));
        // Rounded down; ways into cells are counted in 32768ths.
        const want = 1000 * at[0] + 2000 * at[1] + 4000 * at[2];
        expect(first * SOLID - want).toBeGreaterThan(-1.9);
        expect(first * SOLID - want).toBeLessThan(0.9);
        expect(second * SOLID - (65535 - 3000 * at[0])).toBeGreaterThan(-1.9);
        expect(second * SOLID - (65535 - 3000 * at[0])).toBeLessThan(0.9);
      }),
    );
  });
});

it('any number of inks is interpolated over the four corners that the order of the channels picks', () => {
  const size = 6;
  for (const inks of [1, 3, 4, 5, 8]) {
    const data = Uint16Array.from({ length: size ** 3 * inks }, (_, i) => Math.imul(i + 7, 40503) & 65535);
    const node = (place: readonly number[], k: number) =>
      data[((place[0] * size + place[1]) * size + place[2]) * inks + k];
    fc.assert(
      fc.property(colour, (rgb) => {
        const at = rgb.map((one) => (Math.round((1 - one) * SOLID) / SOLID) * (size - 1));
        const low = at.map((one) => Math.min(size - 2, Math.floor(one)));
        const into = at.map((one, k) => one - low[k]);
        // The plainest way: from the low corner step along one channel after another, the farthest in first.
        const order = [0, 1, 2].sort((a, b) => into[b] - into[a]);
        const corners = [low];
        for (const k of order)
          corners.push(corners[corners.length - 1].map((one, j) => (j === k ? one + 1 : one)));
        const ways = [1, ...order.map((k) => into[k]), 0];
        const made = amountsOf({ size, inks, data }, rgb);
        for (let k = 0; k < inks; k++) {
          const want = corners.reduce((sum, corner, i) => sum + node(corner, k) * (ways[i] - ways[i + 1]), 0);
          expect(Math.abs(made[k] * SOLID - want)).toBeLessThan(12);
        }
      }),
      { numRuns: 60 },
    );
  }
});

describe('process separation', () => {
  const table = tableFor(rule, press, false);
  const { model } = modelledBy(rule, press);
  const target = targetOf(model, 3);
  it('has its inks in their own order, whatever is printed first', () => {
    expect(difference2000(predict(model, [1, 0, 0, 0]), predict(model, [0, 1, 0, 0]))).toBeGreaterThan(30);
    expect(predict(model, [0, 0, 1, 0])[2]).toBeGreaterThan(80);
    expect(difference2000(predict(model, [1, 0, 0, 0]), predict(model, [0, 0, 0, 1]))).toBeGreaterThan(30);
    expect(predict(model, [0, 0, 0, 1])[0]).toBeLessThan(20);
  });
  it('white is bare stock, and its target the stock’s own colour', () => {
    expect(amountsOf(table, [1, 1, 1])).toEqual([0, 0, 0, 0]);
    expect(difference2000(target(1, 1, 1), press.stock.lab)).toBeLessThan(0.01);
  });
  it('never asks for more ink than the limit', () => {
    for (const limit of [180, 240, 300]) {
      const limited = tableFor({ ...rule, limit }, press, true);
      fc.assert(
        fc.property(colour, (rgb) => {
          expect(sum(amountsOf(limited, rgb))).toBeLessThanOrEqual(limit / 100);
        }),
        { numRuns: 400 },
      );
    }
  });
  it('neutral stays neutral within 2 ΔE00', () => {
    for (let i = 0; i <= 64; i++) {
      const grey = i / 64;
      expect(
        difference2000(predict(model, amountsOf(table, [grey, grey, grey])), target(grey, grey, grey)),
      ).toBeLessThan(2);
    }
  });
  it('colours within reach come out as asked, nearly', () => {
    const errors: number[] = [];
    fc.assert(
      fc.property(fc.tuple(step, step, step), ([r, g, b]) => {
        const wanted = target(r, g, b);
        const best = new Float64Array(4).fill(0.3);
        if (invert(model, wanted, anyAmounts(4, 3), best, 1e-4) > 0.3) return;
        errors.push(difference2000(predict(model, amountsOf(table, [r, g, b])), wanted));
      }),
      { numRuns: 600 },
    );
    expect(errors.length).toBeGreaterThan(60);
    errors.sort((a, b) => a - b);
    expect(errors[Math.floor(errors.length / 2)]).toBeLessThan(0.6);
    expect(errors[Math.floor(errors.length * 0.95)]).toBeLessThan(2.5);
  });
  it('takes more black for the other three as it is told', () => {
    const grey = [0.35, 0.35, 0.35];
    const made = [0, 50, 100].map((generation) =>
      amountsOf(tableFor({ ...rule, generation, from: 0 }, press, true), grey),
    );
    expect(made[0][3]).toBeLessThan(made[1][3] - 0.1);
    expect(made[1][3]).toBeLessThan(made[2][3] - 0.1);
    expect(sum(made[2])).toBeLessThan(sum(made[0]) - 0.3);
    // All three look the same.
    for (const one of made)
      expect(difference2000(predict(model, one), target(0.35, 0.35, 0.35))).toBeLessThan(2);
  });
  it('keeps black out of lights, and out of strong colours unless told otherwise', () => {
    const of = (part: Partial<ProcessRoute>, rgb: number[]) =>
      amountsOf(tableFor({ ...rule, generation: 100, ...part }, press, true), rgb)[3];
    expect(of({ from: 60 }, [0.75, 0.75, 0.75])).toBeLessThan(0.02);
    const brown = [0.45, 0.2, 0.15];
    expect(of({ from: 0, replacement: 0 }, brown)).toBeLessThan(
      of({ from: 0, replacement: 100 }, brown) - 0.1,
    );
  });
});

describe('spot separation', () => {
  const dark: InkSet = {
    stock: { ...WHITE_STOCK, lab: [17, 1, 2] },
    inks: [
      testInk('w', [96, 0, 1], 0.97),
      testInk('o', [72, 22, 58], 0.5),
      testInk('b', [44, -12, -36], 0.5),
    ],
    overprints: [],
  };
  const route: SpotRoute = { kind: 'spot', inks: ['w', 'o', 'b'], limit: 250 };
  const table = tableFor(route, dark, false);
  const { model } = modelledBy(route, dark);
  it('dark cloth shows through where the picture is black; white is made of the white ink', () => {
    expect(sum(amountsOf(table, [0, 0, 0]))).toBeLessThan(0.03);
    const [white, orange, blue] = amountsOf(table, [1, 1, 1]);
    expect(white).toBeGreaterThan(0.97);
    expect(orange + blue).toBeLessThan(0.05);
  });
  it('an ink’s own solid is that ink', () => {
    const target = targetOf(model, 2.5);
    const wanted = predict(model, [1, 1, 0]);
    // The colour of a picture whose target is nearest.
    let best = [0, 0, 0];
    let least = Infinity;
    for (let r = 0; r <= 20; r++) {
      for (let g = 0; g <= 20; g++) {
        for (let b = 0; b <= 20; b++) {
          const error = difference2000(target(r / 20, g / 20, b / 20), wanted);
          if (error < least) [least, best] = [error, [r / 20, g / 20, b / 20]];
        }
      }
    }
    expect(amountsOf(table, best)[1]).toBeGreaterThan(0.8);
    expect(amountsOf(table, best)[2]).toBeLessThan(0.15);
  });
  it('never passes its limit', () => {
    fc.assert(fc.property(colour, (rgb) => expect(sum(amountsOf(table, rgb))).toBeLessThanOrEqual(2.5)));
  });
});

describe('picking inks from a picture', () => {
  const scattered = (lab: Lab, count: number): Lab[] =>
    Array.from({ length: count }, (_, i) => [
      lab[0] + ((i * 7) % 5) - 2,
      lab[1] + ((i * 11) % 5) - 2,
      lab[2] + ((i * 13) % 5) - 2,
    ]);
  const centres: Lab[] = [
    [30, 10, -45],
    [62, 50, 55],
    [55, -45, 30],
  ];
  const stock: Lab = [96, 0, 2];
  it('finds the colours a picture is made of, those of most pixels first; the stock is none of them', () => {
    const pixels = [
      ...scattered(centres[0], 100),
      ...scattered(centres[1], 300),
      ...scattered(centres[2], 200),
      ...scattered(stock, 500),
    ];
    const picked = pickColours(pixels, 3, stock);
    expect(picked).toHaveLength(3);
    [centres[1], centres[2], centres[0]].forEach((lab, i) =>
      expect(difference2000(picked[i], lab)).toBeLessThan(2),
    );
  });
  it('needs no more inks than there are colours', () => {
    expect(pickColours(scattered(stock, 50), 4, stock)).toEqual([]);
    expect(pickColours([], 4, stock)).toEqual([]);
  });
  it('makes inks fuller than what they stand for on light stock', () => {
    expect(inkOfColour([60, 40, 20], stock)[0]).toBeLessThan(60);
    expect(inkOfColour([60, 40, 20], stock)[1]).toBeGreaterThan(40);
    expect(inkOfColour([60, 40, 20], [17, 0, 0])).toEqual([60, 40, 20]);
  });
});

describe('routes', () => {
  const curve = [
    { in: 0, out: 0 },
    { in: 100, out: 40 },
  ];
  it.each<[Route, string[], string[]]>([
    [{ kind: 'ink', ink: 'a' }, ['a'], ['a']],
    [
      {
        kind: 'tones',
        inks: [
          { ink: 'a', curve: [curve[0], { in: 100, out: 100 }] },
          { ink: 'b', curve },
        ],
      },
      ['a', 'b'],
      ['a'],
    ],
    [rule, ['c', 'm', 'y', 'k'], ['k']],
    [{ kind: 'channels', red: 'a', green: 'b', blue: 'c', ink: 'dark' }, ['a', 'b', 'c'], ['a', 'b', 'c']],
    [{ kind: 'spot', inks: ['a', 'b'], limit: 200 }, ['a', 'b'], ['b']],
    [
      { kind: 'bands', at: [50], inks: [null, 'a'], painted: [{ ink: 'b', from: 0, to: 100, strokes: [] }] },
      ['a', 'b'],
      ['a'],
    ],
  ])('%j names its inks, and those of line work', (route, all, line) => {
    expect(routeInks(route)).toEqual(all);
    expect(lineInks(route)).toEqual(line);
  });
  it('only some keep colours', () => {
    expect(isColourRoute(rule)).toBe(true);
    expect(isColourRoute({ kind: 'ink', ink: 'a' })).toBe(false);
  });
});
