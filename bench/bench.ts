import { pixelsAt, WORK_PLANE } from '@brachytone/core/kernel/memory.ts';
import { plainPlate, WHITE_STOCK } from '@brachytone/core';
/**
 * Measures the engine and prints a table. Everything runs in this one process, one core, medians of several turns;
 * beside each stands the ratio to a plain memory copy and, where there is one, to the naive loop, so that the figures
 * travel from machine to machine.
 */
import { cpus } from 'node:os';
import {
  bitAt,
  buildPyramid,
  filmFrame,
  newScreen,
  NO_TONE,
  plateBits,
  plateCoverage,
  beginTask,
  proof,
  isSequential,
  SCREEN_KINDS,
  screenerFor,
  type Screen,
  type Picture,
  type Recipe,
  type Scene,
  type Sink,
} from '@brachytone/core';
import { filmFacts, makeFilm } from '@brachytone/core/film/make-film.ts';
import { plateSvg } from '@brachytone/core/film/svg.ts';
import { tiffFile } from '@brachytone/core/film/tiff.ts';
import { buildThresholds, type Thresholds } from '@brachytone/core/screen/thresholds.ts';
import { encodeGroup4 } from '@brachytone/core/film/group4.ts';
import { findSupercell } from '@brachytone/core/screen/supercell.ts';
import { inkRows } from '@brachytone/core/separation/route.ts';
import { newProcess } from '@brachytone/core/separation/routes/process.ts';
import { pictureSource } from '@brachytone/core/tone/picture-source.ts';
import { overprints } from '@brachytone/core/ink/overprint.ts';
import { screenPlane } from '@brachytone/core/screen/screen-plane.ts';
import { spotOf } from '@brachytone/core/screen/spot/index.ts';
import type { Plane } from '@brachytone/core/raster/plane.ts';
import type { Tone } from '@brachytone/core/tone/tone.ts';
import { inkRoute, PRINTING_CONDITIONS, PROCESS_IDS, processInks } from '@brachytone/job';

interface Row {
  work: string;
  amount: string;
  /** Median, ms. */
  time: number;
  /** Quickest turn, ms: what is left when no other guest of the machine was in the way. */
  best: number;
  /** Million pixels a second. */
  rate?: number;
  /** Rate over that of a plain memory copy of the same number of 16-bit pixels. */
  toCopy?: number;
  toNaive?: number;
  target: string;
}

const rows: Row[] = [];

let shifts = 0;
/** A little to the right each time, so that no row of a view made before serves again. */
const shifted = (): number => ++shifts / 1024;

function measure(turns: number, work: () => void): { time: number; best: number } {
  work();
  const times = Array.from({ length: turns }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { time: times[turns >> 1], best: times[0] };
}

/** Prints what was measured so far as a table. */
function print(): void {
  const milliseconds = (time: number) => `${time.toFixed(time < 20 ? 2 : 0)} ms`;
  const cell = (text: string, width: number) => text.padStart(width);
  console.log(`${cpus()[0].model.trim()}, ${cpus().length} cores, Node.js ${process.versions.node}\n`);
  console.log('| work | amount | median | quickest | rate | to copy | to naive | target |');
  console.log('| --- | ---: | ---: | ---: | ---: | ---: | ---: | --- |');
  for (const row of rows) {
    const parts = [
      row.amount,
      milliseconds(row.time),
      milliseconds(row.best),
      row.rate ? `${row.rate.toFixed(0)} Mpx/s` : '',
      row.toCopy ? row.toCopy.toFixed(4) : '',
      row.toNaive ? `× ${row.toNaive.toFixed(1)}` : '',
    ];
    console.log(`| ${row.work} | ${parts.map((part) => cell(part, 6)).join(' | ')} | ${row.target} |`);
  }
}

/** A smooth grey picture with some detail. */
function photograph(width: number, height: number): Picture {
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data[y * width + x] = 128 + 90 * Math.sin(x / 210) * Math.cos(y / 170) + 30 * Math.sin((x * y) / 9000);
    }
  }
  return { width, height, channels: 1, data };
}

const a3: Recipe = {
  sheet: { width: 297, height: 420, bleed: 0, resolution: 1200 },
  stock: WHITE_STOCK,
  inks: [{ id: 'k', name: 'Black', lab: [5, 0, 0], opacity: 0, fountain: null }],
  overprints: [],
  press: null,
  marks: { font: '', uses: [] },
  originals: [
    {
      id: 'o',
      name: 'photograph',
      content: {
        kind: 'picture',
        picture: 'p',
        crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 },
        line: null,
        cut: null,
      },
      placement: { x: 0, y: 0, width: 297, turn: 0, mirrored: false },
      shown: true,
      locked: false,
      tone: NO_TONE,
      container: null,
      fade: null,
      mix: null,
      colourDots: null,
      route: inkRoute('k'),
      overprint: false,
    },
  ],
  plates: [plainPlate('k', 'k', newScreen('dots', { ruling: 65, angle: 45 }))],
};

/** The reference: a branch a pixel, the threshold found by its place in the brick every time. */
function naiveScreen(coverage: Plane, { brick, stride, data }: Thresholds, out: Uint8Array): void {
  const bytes = (coverage.width + 7) >> 3;
  for (let y = 0; y < coverage.height; y++) {
    for (let x = 0; x < coverage.width; x++) {
      const course = Math.floor(y / brick.height);
      const column = (((x - course * brick.shift) % brick.width) + brick.width) % brick.width;
      if (coverage.data[y * coverage.width + x] > data[(y % brick.height) * stride + column]) {
        out[y * bytes + (x >> 3)] |= 0x80 >> (x & 7);
      }
    }
  }
}

const picture = photograph(3508, 4961);
const scene: Scene = {
  recipe: a3,
  pictures: new Map([['p', buildPyramid(picture)]]),
  drawings: new Map(),
  typefaces: new Map(),
};
const frame = filmFrame(a3);
const band = { x: 0, y: 2000, width: frame.width, height: 256 };
const coverage = plateCoverage(scene, 0, frame, band);
const thresholds = buildThresholds(findSupercell(65, 45, frame.resolution), spotOf('round'));
const pixels = coverage.data.length / 1e6;

const copy = new Uint16Array(coverage.data.length);
const copyTurns = measure(25, () => copy.set(coverage.data));
const copyRate = (pixels / copyTurns.time) * 1000;
rows.push({
  work: 'memory copy, 16-bit pixels',
  amount: `${pixels.toFixed(1)} Mpx`,
  ...copyTurns,
  rate: copyRate,
  target: '—',
});

const add = (
  work: string,
  amount: number,
  turns: { time: number; best: number },
  target: string,
  naive?: number,
): void => {
  const rate = (amount / turns.time) * 1000;
  rows.push({
    work,
    amount: `${amount.toFixed(1)} Mpx`,
    ...turns,
    rate,
    toCopy: rate / copyRate,
    ...(naive ? { toNaive: rate / naive } : {}),
    target,
  });
};

const naiveOut = new Uint8Array(((frame.width + 7) >> 3) * band.height);
const naiveTime = measure(5, () => naiveScreen(coverage, thresholds, naiveOut));
const naiveRate = (pixels / naiveTime.time) * 1000;
add('dot screening, naive loop', pixels, naiveTime, '—');
// Where films have their coverage when it is screened.
const atWork = (): Plane => {
  const { width, height } = coverage;
  const data = pixelsAt(WORK_PLANE.address, width * height);
  data.set(coverage.data);
  return { width, height, data };
};
const covered = atWork();
add(
  'dot screening, 65 lpi round',
  pixels,
  measure(15, () => void screenPlane(covered, 0, 2000, thresholds)),
  'WebAssembly' in globalThis ? '≥ 2000 Mpx/s' : '≥ 400 Mpx/s',
  naiveRate,
);
add(
  'tone and resampling to film',
  pixels,
  measure(9, () => void plateCoverage(scene, 0, frame, band)),
  '—',
);

// Every kind of screen on rows of coverage that are there already: what bends, carries or looks around as it is used, at 65
// lpi or spots of one film pixel.
const plane = atWork();
const target = (screen: Screen): string =>
  !('WebAssembly' in globalThis)
    ? '—'
    : isSequential(screen)
      ? '≥ 60 Mpx/s'
      : screen.kind === 'lines' || screen.settings.place
        ? '≥ 100 Mpx/s'
        : '—';
const SCREENS: readonly [string, Screen][] = [
  ...SCREEN_KINDS.map(({ kind, name, fields }): [string, Screen] => [
    name.toLowerCase(),
    newScreen(kind, {
      ...('ruling' in fields ? { ruling: 65 } : {}),
      ...(fields.spot?.type === 'number' ? { spot: 25.4 / 1200 } : {}),
    }),
  ]),
  ['dots, irregular', newScreen('dots', { ruling: 65, place: 30, size: 30 })],
  ['lines, spiral', newScreen('lines', { path: 'spiral', ruling: 65 })],
  ['dots along a spiral', newScreen('lines', { path: 'spiral', spot: 'round', ruling: 65 })],
  ['dots along arcs', newScreen('lines', { path: 'arc', spot: 'round', ruling: 65 })],
  ['dots, ragged', newScreen('dots', { ruling: 65, ragged: 50 })],
  ['lines, wave', newScreen('lines', { path: 'wave', ruling: 65 })],
  ['diffused widely', newScreen('diffused', { kernel: 'wide', spot: 25.4 / 1200 })],
];
for (const [name, screen] of SCREENS) {
  const screener = screenerFor(screen, frame);
  const turns = screener.sequential
    ? measure(7, () => void screener.start(frame.width, plane.height).rows(plane))
    : measure(7, () => {
        // What looks around is given rows that it may look at.
        const height = plane.height - 2 * screener.margin;
        if (screener.margin === 0) screener.screen(plane, band);
        else if (height > 0) {
          const around = { ...band, x: screener.margin, width: frame.width - 2 * screener.margin, height };
          screener.screen(plane, around);
        }
      });
  const margin = screener.sequential ? 0 : screener.margin;
  const made = ((frame.width - 2 * margin) * Math.max(0, plane.height - 2 * margin)) / 1e6;
  if (made > 0) add(`screen: ${name}`, made, turns, target(screen), naiveRate);
}

if ('WebAssembly' in globalThis) {
  const dotScene: Scene = {
    ...scene,
    recipe: { ...a3, plates: [{ ...a3.plates[0], screen: newScreen('dots', { ruling: 23, angle: 22.5 }) }] },
  };
  for (const [words, outlines, target] of [
    ['geometry', 'pure', '≤ 2 s, ≤ 8 MB'],
    ['geometry as on film', 'film', '≤ 2 s (50 000 a second)'],
  ] as const) {
    let svgBytes = 0;
    const geometry = measure(
      3,
      () => (svgBytes = plateSvg(dotScene, 0, 'Bench', { smooth: 0, outlines }).text.length),
    );
    rows.push({
      work: `${words} of 102 000 dots, ${(svgBytes / 1e6).toFixed(1)} MB`,
      amount: '102 000',
      ...geometry,
      target,
    });
  }

  const wide = { ...band, height: 2048 };
  const bits = plateBits(scene, 0, frame, wide);
  const filmPixels = (frame.width * wide.height) / 1e6;
  add(
    'Group 4, 65 lpi film',
    filmPixels,
    measure(9, () => void encodeGroup4(bits)),
    '≥ 200 Mpx/s',
  );
  add(
    'a film made and shown through the low-pass',
    filmPixels,
    measure(9, () => {
      const view = { x: shifted(), y: 0, width: frame.width, height: wide.height, columns: 446, rows: 65 };
      beginTask();
      const request = { scene, frame, view, rows: { first: 0, count: 65 }, plates: [0] };
      proof(request, [
        [1, 1, 1],
        [0, 0, 0],
      ]);
    }),
    '—',
  );

  let countNaive = 0;
  const small = { ...wide, height: 256 };
  const naiveCount = measure(3, () => {
    for (let y = 0; y < small.height; y++)
      for (let x = 0; x < small.width; x++) countNaive += bitAt(bits, x, y);
  });
  const averaging = rows.at(-1)!;
  averaging.toNaive = averaging.rate! / (((small.width * small.height) / 1e6 / naiveCount.time) * 1000);

  for (const [ruling, angle] of [
    [65, 45],
    [30, 15],
    [10, 7.5],
  ]) {
    const supercell = findSupercell(ruling, angle, 1200);
    add(
      `thresholds, ${ruling} lpi at ${angle}°`,
      supercell.pixels / 1e6,
      measure(7, () => void buildThresholds(supercell, spotOf('round'))),
      '—',
    );
  }

  // A colour picture of 31 megapixels into four process inks, all bands of it, with the table already there.
  const process4 = (() => {
    const [width, height] = [6480, 4860];
    const data = new Uint8Array(width * height * 3);
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i += 3) {
        data[i] = 128 + 90 * Math.sin(x / 210);
        data[i + 1] = 128 + 90 * Math.cos(y / 170);
        data[i + 2] = (x + y) >> 4;
      }
    }
    const source = pictureSource({ width, height, channels: 3, data }, 1, 300);
    const [{ stock, limit }] = PRINTING_CONDITIONS;
    const inkSet = { stock, ...processInks(PRINTING_CONDITIONS[0]) };
    const route = newProcess(PROCESS_IDS, limit);
    const separate = (tone: Tone) => {
      const rows = Object.values(PROCESS_IDS).map((id) =>
        inkRows(route, id, {
          name: '',
          source,
          tone,
          inkSet,
          tables: undefined,
          pictures: new Map(),
          draft: false,
        })!,
      );
      for (let y = 0; y < height; y += 64) for (const { row } of rows) row(y);
    };
    return { separate, pixels: (width * height) / 1e6 };
  })();
  add(
    'separation to four inks',
    process4.pixels,
    measure(3, () => process4.separate(NO_TONE)),
    '≥ 10.5 Mpx/s a core',
  );

  const colours = overprints(a3.stock, a3.inks);
  const draftFrame = filmFrame({ ...a3, sheet: { ...a3.sheet, resolution: 76 } });
  const fit = { columns: 446, rows: 631 };
  const draft = measure(15, () => {
    const view = { x: 0, y: 0, width: draftFrame.width, height: draftFrame.height, ...fit };
    proof({ scene, frame: draftFrame, view, rows: { first: 0, count: fit.rows }, plates: [0] }, colours);
  });
  rows.push({
    work: 'first picture of an A3 sheet at fit',
    amount: '446 × 631',
    ...draft,
    target: '≤ 50 ms',
  });
  const exact = measure(3, () => {
    const view = { x: shifted(), y: 0, width: frame.width, height: frame.height, ...fit };
    proof({ scene, frame, view, rows: { first: 0, count: fit.rows }, plates: [0] }, colours);
  });
  add('exact picture of an A3 sheet at fit', (frame.width * frame.height) / 1e6, exact, '—');

  let written = 0;
  const nowhere: Sink = { write: (bytes) => void (written += bytes.length), patch: () => undefined };
  let peak = 0;
  const film = measure(3, () => {
    for (const _ of makeFilm(
      scene,
      0,
      { mirrored: false, negative: false },
      tiffFile(nowhere, filmFacts(scene, 0, 'Bench'), 'group4'),
    )) {
      peak = Math.max(peak, process.memoryUsage.rss());
    }
  });
  add('one-plate A3 film at 1200 dpi, whole', (frame.width * frame.height) / 1e6, film, '—');

  print();
  console.log(
    `\nPeak memory of the process while making the film: ${(peak / 1e6).toFixed(0)} MB (target ≤ 600 MB).`,
  );
  console.log(`Checks that nothing was skipped: ${written} bytes written, ${countNaive} pixels counted.`);
} else {
  // Only the screens are told: what the absence of WebAssembly costs.
  console.log('\nThe same screens by the plain kernels, for machines whose WebAssembly has no SIMD:\n');
  print();
}
