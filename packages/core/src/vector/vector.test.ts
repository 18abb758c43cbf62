import { Resvg } from '@resvg/resvg-js';
import type { Drawing, Shape } from '../drawing/drawing.ts';
import type { Contour } from '../path/contour.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Scene } from '../recipe/scene.ts';
import { bitAt } from '../raster/bits.ts';
import type { Picture } from '../raster/picture.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { SPOTS } from '../screen/spot/index.ts';
import { greyPicture, sceneOf, testInk, toneOf, toneStep } from '../testing.ts';
import { spotOf } from '../screen/spot/index.ts';
import { areaOf } from '../path/piece.ts';
import { platesSvg, plateSvg } from '../film/svg.ts';
import type { DotOutlines } from './dots-path.ts';
import { pdfDotsData, pdfPathData } from './pdf-path-data.ts';
import { perMmOf, plateParts, plateShapes } from './plate-group.ts';
import { unitsOf } from './units.ts';

const PURE = { smooth: 0, outlines: 'pure' } as const;

const SIDE = 20;
const sheet = { width: SIDE, height: SIDE, resolution: 600 };
const ramp = greyPicture(
  400,
  400,
  (x, y) => 255 - Math.min(255, Math.max(0, (x / 400) * 275 - 10 + 8 * Math.sin(y / 30))),
);
const MOTIF = newScreen('dots').settings.motif as string;

/** Alpha of a file rasterised by resvg, 0–1, `fine` times as fine as the film: its own edges are not quite true. */
function rasterised(
  svg: string,
  { width: film }: { width: number },
  fine: number,
): { width: number; alpha: (x: number, y: number) => number } {
  const { width, pixels } = new Resvg(svg, { fitTo: { mode: 'width', value: film * fine } }).render();
  return { width, alpha: (x, y) => pixels[(y * width + x) * 4 + 3] / 255 };
}

/** Inked shares of squares of 10 mm. */
function shares(width: number, at: (x: number, y: number) => number): number[] {
  const side = Math.floor(width / (SIDE / 10));
  return Array.from({ length: (SIDE / 10) ** 2 }, (_, k) => {
    let sum = 0;
    const [left, top] = [(k % (SIDE / 10)) * side, Math.floor(k / (SIDE / 10)) * side];
    for (let y = 0; y < side; y++) for (let x = 0; x < side; x++) sum += at(left + x, top + y);
    return sum / (side * side);
  });
}

function compare(scene: Scene, text = plateSvg(scene, 0, 'test', PURE).text): number {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  const { width, alpha } = rasterised(text, frame, 2);
  const film = shares(bits.width, (x, y) =>
    bitAt(bits, Math.min(x, bits.width - 1), Math.min(y, bits.height - 1)),
  );
  const drawn = shares(width, alpha);
  return Math.max(...film.map((share, i) => Math.abs(share - drawn[i])));
}

describe.each(SPOTS.map(({ id }) => id))('the geometry of %s dots', (spot) => {
  const shape = spotOf(spot, { aspect: 0.72, motif: MOTIF }).outline;
  it('grows from nothing to the whole cell', () => {
    let before = 0;
    for (let k = 1; k <= 40; k++) {
      const area = areaOf(shape.pieces((k / 40) * shape.most));
      expect(area).toBeGreaterThanOrEqual(before - 1e-9);
      before = area;
    }
    expect(areaOf(shape.pieces(shape.most))).toBeCloseTo(1, 6);
    expect(areaOf(shape.pieces(1e-4))).toBeLessThan(0.001);
  });
  it('rasterised by resvg, covers what its film covers within 0.5 % over every 10 mm square', () => {
    const screen = newScreen('dots', { spot, ruling: 25, angle: 22 });
    const scene = sceneOf(ramp, sheet, screen);
    expect(plateSvg(scene, 0, 'test', PURE).manner).toBe('dots');
    expect(compare(scene)).toBeLessThanOrEqual(0.005);
  });
});

describe('files', () => {
  it('dots are cut at the edge of the sheet', () => {
    const { text } = plateSvg(
      sceneOf(ramp, sheet, newScreen('dots', { spot: 'motif', ruling: 12 })),
      0,
      'test',
      PURE,
    );
    const [, width, height] = /viewBox="0 0 (\d+) (\d+)"/.exec(text)!.map(Number);
    for (const points of loopsOf(/ d="([^"]*)"/.exec(text)![1])) {
      for (const [x, y] of points) {
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(width);
        expect(y).toBeLessThanOrEqual(height);
      }
    }
  });
  it('joined motifs leave no crumbs between them', () => {
    const scene = sceneOf(ramp, sheet, newScreen('dots', { spot: 'motif', ruling: 25, angle: 22 }));
    const { text } = plateSvg(scene, 0, 'test', PURE);
    const perMm = Number(/viewBox="0 0 (\d+)/.exec(text)![1]) / 19.9813;
    const cell = ((25.4 / 25) * perMm) ** 2;
    const areas = loopAreas(/ d="([^"]*)"/.exec(text)![1]);
    expect(areas.length).toBeGreaterThan(200);
    expect(areas.filter((area) => Math.abs(area) < cell * 0.9e-4)).toHaveLength(0);
  });
  it('dots that lie wholly beyond the sheet are not there', () => {
    const scene = sceneOf(ramp, sheet, newScreen('dots', { spot: 'motif', ruling: 12, apart: 0.1 }));
    const { text } = plateSvg(scene, 0, 'test', PURE);
    const [, width, height] = /viewBox="0 0 (\d+) (\d+)"/.exec(text)!.map(Number);
    const loops = loopsOf(/ d="([^"]*)"/.exec(text)![1]);
    expect(loops.length).toBeGreaterThan(50);
    const beyond = loops.filter(
      (points) =>
        points.every(([x]) => x < 0) ||
        points.every(([x]) => x > width) ||
        points.every(([, y]) => y < 0) ||
        points.every(([, y]) => y > height),
    );
    expect(beyond).toHaveLength(0);
  });
  it('round dots that stand apart are circles of their very area, one after another, with nothing in between', () => {
    // A sheet of whole cells, so that none is cut.
    const scene = sceneOf(
      greyPicture(8, 8, () => 255 - 51),
      { ...sheet, width: 20.32, height: 20.32 },
      newScreen('dots', { ruling: 10, angle: 0 }),
    );
    const { text, inked } = plateSvg(scene, 0, 'test', PURE);
    const [, d] = / d="([^"]*)"/.exec(text)!;
    expect(d).toMatch(/^(?:[Mm]-?\d+[ -]\d+a\d+ \d+ 0 0 1[ -]\d+[ -]\d+ \d+ \d+ 0 0 1[ -]\d+[ -]\d+z)+$/);
    // From one end of a circle to the other and back: its diameter.
    const [, dx, dy] = /0 0 1([ -]\d+)([ -]\d+)/.exec(d)!;
    const radius = Math.hypot(Number(dx), Number(dy)) / 2 / 1000;
    expect(Math.PI * radius ** 2).toBeCloseTo(0.2 * 2.54 ** 2, 2);
    expect(Math.abs(inked - 0.2)).toBeLessThan(0.01);
    expect(text.match(/<path/g)).toHaveLength(1);
    expect(text).not.toMatch(/white|#fff|<rect/);
    expect(text).toContain('fill-rule="evenodd"');
    expect(text).toContain('width="20.32mm"');
  });
  it.each<[string, Screen]>([
    ['diffusion', newScreen('diffused', { spot: 0.4 })],
    ['grain', newScreen('grain', { size: 0.15 })],
    ['a threshold', newScreen('threshold')],
  ])('of %s are the very pixels of the film', (_, screen) => {
    const scene = sceneOf(ramp, sheet, screen);
    const { text, manner } = plateSvg(scene, 0, 'test', PURE);
    expect(manner).toBe('outlines');
    expect(differing(scene, text)).toBe(0);
  });
  it('smoothed by as much as two pixels of a fine film, grain keeps its area and takes half the room', () => {
    const scene = sceneOf(ramp, { ...sheet, resolution: 1200 }, newScreen('grain', { size: 0.25 }));
    const { text } = plateSvg(scene, 0, 'test', { ...PURE, smooth: 2 });
    expect(compare(scene, text)).toBeLessThanOrEqual(0.005);
    expect(text.length).toBeLessThan(plateSvg(scene, 0, 'test', PURE).text.length * 0.5);
  });
  it('a path of outlines is never longer than readers take, and where two meet no ink is missing', () => {
    const scene = sceneOf(
      ramp,
      { width: 120, height: 60, resolution: 1200 },
      newScreen('grain', { size: 0.1 }),
    );
    const { text } = plateSvg(scene, 0, 'test', PURE);
    const lengths = [...text.matchAll(/ d="([^"]*)"/g)].map(([, d]) => d.length);
    expect(lengths.length).toBeGreaterThan(2);
    expect(Math.max(...lengths)).toBeLessThan(1.2e6);
    expect(differing(scene, text)).toBe(0);
  });
  it('smoothed, outlines keep their area and have fewer corners', () => {
    const scene = sceneOf(ramp, sheet, newScreen('grain', { size: 0.2 }));
    expect(compare(scene, plateSvg(scene, 0, 'test', { ...PURE, smooth: 0.6 }).text)).toBeLessThanOrEqual(
      0.005,
    );
    expect(plateSvg(scene, 0, 'test', { ...PURE, smooth: 0.6 }).text.length).toBeLessThan(
      plateSvg(scene, 0, 'test', PURE).text.length * 0.85,
    );
  });
});

const bent = (path: string, more: Record<string, number | string> = {}): Screen =>
  newScreen('lines', { path, ruling: 18, angle: 20, ...more });

describe.each<[string, Screen]>([
  ['straight lines', bent('straight')],
  ['arcs', bent('arc', { x: -3, y: 4 })],
  ['waves', bent('wave', { length: 9, height: 3 })],
  ['a spiral', bent('spiral')],
  ['lines that follow the form', bent('form')],
  ['crossed lines', bent('form', { crossed: 35 })],
  ['lines that wobble', bent('straight', { wobble: 60 })],
  ['round dots in waves', bent('wave', { length: 12, height: 3, spot: 'round' })],
  ['dots out of place', newScreen('dots', { ruling: 18, place: 60 })],
  ['dots out of size', newScreen('dots', { ruling: 18, size: 70 })],
  ['twisted dots', newScreen('dots', { ruling: 18, angle: 15, twist: 200, twistReach: 9 })],
  ['lines in an uneven lattice', bent('straight', { uneven: 80, unevenLength: 5 })],
  ['ragged dots', newScreen('dots', { ruling: 12, ragged: 80 })],
  [
    'smallest and largest dots, out of place',
    newScreen('dots', { ruling: 18, place: 40 }, { smallest: 5, largest: 80 }),
  ],
])('the geometry of %s', (_, screen) => {
  // On a finer film, for what is out of place runs evenly between some of its pixels.
  const scene = sceneOf(ramp, { ...sheet, resolution: 1200 }, screen);
  it('is made from the tone and covers what the film covers, square by square and nearly pixel by pixel', () => {
    const { text, manner } = plateSvg(scene, 0, 'test', PURE);
    expect(manner).toBe('dots');
    expect(text.match(/<path/g)).toHaveLength(1);
    expect(compare(scene, text)).toBeLessThanOrEqual(0.005);
    expect(differing(scene, text)).toBeLessThan(0.03);
  });
});

/** Share of film pixels of which the file covers less than half though they have ink, or the other way. */
function differing(scene: Scene, text: string): number {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  const { alpha } = rasterised(text, frame, 1);
  let wrong = 0;
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) if (Math.round(alpha(x, y)) !== bitAt(bits, x, y)) wrong++;
  }
  return wrong / (bits.width * bits.height);
}

/** Recipes with hard edges: what they do to the one original, and what lies over it. */
type Original = Recipe['originals'][number];
const withOriginals = (scene: Scene, change: Partial<Original>, ...more: Original[]): Scene => {
  const [first] = scene.recipe.originals;
  return { ...scene, recipe: { ...scene.recipe, originals: [{ ...first, ...change }, ...more] } };
};
const shape = (ink: boolean, contours: Contour[]): Shape => ({ ink, contours, rule: 'nonzero', clips: [] });
const circle = (x: number, y: number, r: number): Contour => {
  const k = r * 0.5522847;
  return {
    closed: true,
    start: [x + r, y],
    parts: [
      [x + r, y + k, x + k, y + r, x, y + r],
      [x - k, y + r, x - r, y + k, x - r, y],
      [x - r, y - k, x - k, y - r, x, y - r],
      [x + k, y - r, x + r, y - k, x + r, y],
    ],
  };
};
/** A dark ring with a light disc in it and a bar across. */
const EMBLEM: Drawing = {
  width: 10_000,
  height: 10_000,
  clips: [],
  shapes: [
    shape(true, [circle(5000, 5000, 4200)]),
    shape(false, [circle(5000, 5000, 2600)]),
    shape(true, [
      {
        closed: true,
        start: [1500, 4700],
        parts: [
          [8500, 4700],
          [8500, 5300],
          [1500, 5300],
        ],
      },
    ]),
  ],
};
const emblem = (scene: Scene, change: Partial<Original> = {}): Original => ({
  ...scene.recipe.originals[0],
  id: 'emblem',
  content: { kind: 'drawing', drawing: 'emblem', ratio: 1 },
  placement: { x: 4, y: 3, width: 12, turn: 10, mirrored: false },
  ...change,
});
const ellipse = { shape: 'ellipse', path: null, margin: 0, edge: 'cut', feather: 0 } as const;

describe('hard edges', () => {
  const plain = sceneOf(ramp, sheet, newScreen('dots', { ruling: 25, angle: 22 }));
  const lined = sceneOf(ramp, sheet, bent('wave', { length: 9, height: 3 }));
  const drawings = new Map([['emblem', EMBLEM]]);
  const inner = { x: 3, y: 2.5, width: 13, turn: 12, mirrored: false };
  it.each<[string, Scene]>([
    ['dots in a picture that is smaller than the sheet', withOriginals(plain, { placement: inner })],
    [
      'dots in a turned picture whose corners all lie beyond the sheet',
      withOriginals(plain, { placement: { x: -1, y: -1, width: 22, turn: 45, mirrored: false } }),
    ],
    ['dots in a container', withOriginals(plain, { container: ellipse })],
    [
      'bent lines in a container with a margin',
      withOriginals(lined, { container: { ...ellipse, margin: -2 } }),
    ],
    [
      'dots in a container with a torn edge',
      withOriginals(plain, { container: { ...ellipse, torn: { depth: 2, grain: 1.5, seed: 3 } } }),
    ],
    [
      'one picture over another',
      withOriginals(
        plain,
        {},
        { ...plain.recipe.originals[0], id: 'b', placement: inner, tone: toneOf(toneStep('invert')) },
      ),
    ],
    [
      'one picture printed over another',
      withOriginals(
        plain,
        { placement: inner },
        { ...plain.recipe.originals[0], id: 'b', placement: { ...inner, x: 8 }, overprint: true },
      ),
    ],
    ['line art over dots', { ...withOriginals(plain, {}, emblem(plain)), drawings }],
    ['line art over bent lines', { ...withOriginals(lined, {}, emblem(lined)), drawings }],
    [
      'line art in a container',
      { ...withOriginals(plain, {}, emblem(plain, { container: ellipse })), drawings },
    ],
    [
      'a picture over line art',
      {
        ...withOriginals(plain, emblem(plain), { ...plain.recipe.originals[0], id: 'b', placement: inner }),
        drawings,
      },
    ],
    [
      'line art that another ink prints',
      { ...withOriginals(plain, {}, emblem(plain, { route: { kind: 'ink', ink: 'other' } })), drawings },
    ],
  ])('of %s are cut as the film cuts them', (_, scene) => {
    const { text, manner } = plateSvg(scene, 0, 'test', PURE);
    expect(manner).toBe('dots');
    expect(compare(scene, text)).toBeLessThanOrEqual(0.005);
    expect(differing(scene, text)).toBeLessThan(0.03);
  });
  it('line art keeps its curves, and what is light in it takes nothing but what lies under it', () => {
    const scene = { ...withOriginals(plain, {}, emblem(plain)), drawings };
    const { text } = plateSvg(scene, 0, 'test', PURE);
    // The ring had its middle taken out; the bar over it has nothing to lose. A dark disc by itself would keep its curves.
    const whole = new Map([['emblem', { ...EMBLEM, shapes: [EMBLEM.shapes[0]] }]]);
    const disc = plateSvg({ ...scene, drawings: whole }, 0, 'test', PURE).text;
    expect(disc.match(/c-?\d/g)).toHaveLength(1);
    const dots = plateSvg(plain, 0, 'test', PURE).text.match(/<path/g)!.length;
    expect(disc.match(/<path/g)!.length).toBeLessThanOrEqual(dots + 1);
    expect(text.match(/<path/g)!.length).toBeGreaterThan(1);
    expect(text).not.toMatch(/white|#fff|<rect|mask|clip/);
  });
  it('line art over error diffusion is geometry, and the pixels round it are the film’s', () => {
    const scene = sceneOf(ramp, sheet, newScreen('diffused', { spot: 0.25 }));
    const full = { ...withOriginals(scene, {}, emblem(scene)), drawings };
    const { text, manner } = plateSvg(full, 0, 'test', PURE);
    expect(manner).toBe('outlines');
    expect(text).toMatch(/c-?\d|l-?\d/);
    expect(differing(full, text)).toBeLessThan(0.005);
  });
  it('a picture that is clear in parts hides line art only where it is not', () => {
    const [first] = plain.recipe.originals;
    const data = new Uint8Array(40 * 40 * 4).map((_, i) => (i % 4 < 3 ? 128 : (i >> 2) % 40 < 20 ? 255 : 0));
    const clear: Picture = { width: 40, height: 40, channels: 4, data };
    const over = { ...first, id: 'b', content: { ...first.content, picture: 'clear' } } as Original;
    const scene = {
      ...withOriginals(plain, emblem(plain), over),
      drawings,
      pictures: new Map([...plain.pictures, ['clear', buildPyramid(clear)]]),
    };
    expect(compare(scene)).toBeLessThanOrEqual(0.005);
    expect(differing(scene, plateSvg(scene, 0, 'test', PURE).text)).toBe(0);
  });
  it('a picture drawn as line work becomes smooth outlines', () => {
    const disc = greyPicture(200, 200, (x, y) => (Math.hypot(x - 99.5, y - 99.5) < 70 ? 20 : 240));
    const scene = sceneOf(disc, sheet, newScreen('dots'));
    const [first] = scene.recipe.originals;
    const content = { ...first.content, line: { threshold: 50, smooth: 1 } } as Original['content'];
    const lines = withOriginals(scene, { content });
    const { text, manner } = plateSvg(lines, 0, 'test', PURE);
    expect(manner).toBe('dots');
    expect(compare(lines, text)).toBeLessThanOrEqual(0.005);
    expect(differing(lines, text)).toBeLessThan(0.002);
    // Nothing but the outline of the disc.
    expect(text.match(/z"/g)).toHaveLength(1);
    expect(text.match(/[Mm]\d/g)).toHaveLength(1);
  });
  it('several plates share a file, a group for each ink that prints something', () => {
    const [first] = plain.recipe.originals;
    const two: Recipe = {
      ...plain.recipe,
      originals: [first, { ...first, id: 'again', route: { kind: 'ink', ink: 'second' }, overprint: true }],
      inks: [...plain.recipe.inks, testInk('second', [50, 60, 40]), testInk('unused', [50, 0, 0])],
      plates: [
        ...plain.recipe.plates,
        plainPlate('p2', 'second', newScreen('lines')),
        plainPlate('p3', 'unused', newScreen('lines')),
      ],
    };
    const { text } = platesSvg({ ...plain, recipe: two }, [0, 1, 2], 'both', PURE);
    expect(text.match(/<g id="[^"]+" fill="#/g)).toHaveLength(2);
    expect(text.match(/<title>/g)).toHaveLength(1);
  });
});

/** Areas that the outlines of a path of straight pieces enclose, in its own units. */
const loopAreas = (d: string): number[] =>
  loopsOf(d).map((points) => {
    let sum = 0;
    points.forEach(([x, y], i) => {
      const [nextX, nextY] = points[(i + 1) % points.length];
      sum += x * nextY - nextX * y;
    });
    return sum / 2;
  });

/** Points of the outlines of a path of straight pieces. */
function loopsOf(d: string): [number, number][][] {
  let [x, y] = [0, 0];
  return [...d.matchAll(/[Mm](-?\d+) ?(-?\d+)([^Mm]*)z/g)].map(([, dx, dy, rest]) => {
    [x, y] = [x + Number(dx), y + Number(dy)];
    const [startX, startY] = [x, y];
    const points: [number, number][] = [[x, y]];
    const to = (nextX: number, nextY: number) => {
      [x, y] = [nextX, nextY];
      points.push([x, y]);
    };
    for (const [, command, numbers] of rest.matchAll(/([lhv])([^lhv]*)/g)) {
      const list = numbers.match(/-?\d+/g)!.map(Number);
      if (command === 'h') to(x + list[0], y);
      else if (command === 'v') to(x, y + list[0]);
      else for (let k = 0; k < list.length; k += 2) to(x + list[k], y + list[k + 1]);
    }
    [x, y] = [startX, startY];
    return points;
  });
}

it.each<[string, Screen, DotOutlines]>([
  ['pure shapes', newScreen('dots', { ruling: 60, angle: 20 }), 'pure'],
  ['shapes as on film', newScreen('dots', { ruling: 60, angle: 20 }), 'film'],
  ['lines in waves', bent('wave', { length: 9, height: 3, ruling: 100 }), 'pure'],
])('parts of a plate, %s, are the same in whatever order they are drawn', (_, screen, outlines) => {
  const scene = sceneOf(ramp, { ...sheet, width: 40, height: 60 }, screen);
  const drawn = (order: (parts: number[]) => number[]): string[] => {
    const { parts, dots } = plateShapes(scene, 0, unitsOf(scene.recipe, perMmOf(scene.recipe, [0])), {
      ...PURE,
      outlines,
    });
    expect(parts).toBe(plateParts(scene, 0));
    expect(parts).toBeGreaterThan(3);
    const made: string[] = [];
    for (const part of order([...Array(parts).keys()])) made[part] = dots(part).paths.join(' ');
    return made;
  };
  expect(drawn((parts) => parts.reverse())).toEqual(drawn((parts) => parts));
});

it.each<DotOutlines>(['pure', 'film'])('bare cells write nothing in a PDF, dots %s', (outlines) => {
  const halfBare = greyPicture(400, 400, (x) => (x < 200 ? 255 : 120));
  const drawn = (picture: Picture): string => {
    const scene = sceneOf(picture, sheet, newScreen('dots', { ruling: 30, angle: 20 }));
    const units = unitsOf(scene.recipe, perMmOf(scene.recipe, [0]));
    const { parts, dots } = plateShapes(scene, 0, units, { ...PURE, outlines }, pdfPathData, pdfDotsData);
    return Array.from({ length: parts }, (_, part) => dots(part).paths.join('\n')).join('');
  };
  expect(drawn(greyPicture(400, 400, () => 255))).toBe('');
  const operators = drawn(halfBare).split('\n');
  expect(operators.filter((line) => line === 'f*').length).toBeGreaterThan(100);
  // What is painted is a path that ends.
  operators.forEach((line, i) => {
    if (line === 'f*') expect(operators[i - 1]).toBe('h');
  });
});
