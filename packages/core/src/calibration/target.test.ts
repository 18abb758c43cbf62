import { bitAt, countInk, cropBits, type Bits } from '../raster/bits.ts';
import type { Picture } from '../raster/picture.ts';
import { SCREEN_KINDS } from '../screen/kinds/index.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { sceneOf, TEST_PRESS, testInk } from '../testing.ts';
import { calibrated, fittedGain, layoutOf, type Calibration } from './calibration.ts';
import { simulatedJobPrint } from './simulated/simulated-job.ts';
import { truthOf } from './simulated/press-loop.ts';
import { simulatedScan, STRAIGHT_SCAN } from './simulated/simulated-scan.ts';
import { simulatedPressFor, simulatedReadings, simulatedTarget } from './simulated/simulated-target.ts';
import { straightScan } from './straight-scan.ts';
import { targetFilm, targetFrame } from './target-bits.ts';
import { PATCH, targetLayout, type Patch } from './target-layout.ts';
import { targetReading } from './target-reading.ts';
import { readScan } from './read-scan.ts';
import type { Lab } from '../colour/lab.ts';

const RESOLUTION = 400;

/** A calibration of inks of these colours, not read yet. */
function calibrationOf(
  stock: Lab,
  labs: readonly Lab[],
  screens: readonly Screen[],
  opacity = 0.1,
): Calibration {
  return {
    press: 'test',
    stock: { name: 'Stock', lab: stock, texture: 'smooth', soak: 0, yuleNielsen: 1 },
    resolution: RESOLUTION,
    inks: labs.map((lab, i) => ({
      ink: testInk(`Ink ${i + 1}`, lab, opacity),
      screen: screens[i],
      readings: [],
      without: [],
      ladders: null,
    })),
    source: null,
    simulatedGain: null,
    scan: null,
    made: '2026-11-20T10:00:00.000Z',
    taken: null,
  };
}

const dots = (angle: number): Screen => newScreen('dots', { ruling: 25, angle });

describe('the film of a target', () => {
  const layout = targetLayout(1);
  const { width, height } = targetFrame(layout, RESOLUTION);
  const partOf = (film: Bits, { x, y }: Patch): Bits => {
    const pixels = RESOLUTION / 25.4;
    const [left, top] = [x - PATCH / 2, y - PATCH / 2].map((mm) => Math.round(mm * pixels));
    return cropBits(film, {
      x: left,
      y: top,
      width: Math.round(PATCH * pixels),
      height: Math.round(PATCH * pixels),
    });
  };

  it.each(SCREEN_KINDS.filter(({ kind }) => kind !== 'threshold').map(({ kind }) => kind))(
    'has its tones in a screen of the kind %s',
    (kind) => {
      const screen =
        kind === 'dots' || kind === 'lines' ? newScreen(kind, { ruling: 40, angle: 20 }) : newScreen(kind);
      const film = targetFilm(layout, 0, screen, RESOLUTION, { x: 0, y: 0, width, height });
      for (const patch of layout.patches) {
        const bits = partOf(film, patch);
        const inked = (100 * countInk(bits)) / (bits.width * bits.height);
        // A square of 8 mm cuts marks at its edges.
        expect(Math.abs(inked - patch.tone)).toBeLessThan(patch.tone === 0 || patch.tone === 100 ? 1e-9 : 5);
      }
    },
  );

  it('is made without the smallest and the largest dot of its screen', () => {
    const limited = newScreen('dots', { ruling: 40, angle: 20 }, { smallest: 30, largest: 70 });
    const film = targetFilm(layout, 0, limited, RESOLUTION, { x: 0, y: 0, width, height });
    const free = targetFilm(layout, 0, { ...limited, smallest: 0, largest: 100 }, RESOLUTION, {
      x: 0,
      y: 0,
      width,
      height,
    });
    expect(film.data).toEqual(free.data);
  });

  it.each(['dots', 'diffused', 'clumps'])('in strips is the whole film: %s', (kind) => {
    const screen = newScreen(kind);
    const whole = targetFilm(layout, 0, screen, RESOLUTION, { x: 0, y: 0, width, height });
    for (let y = 0; y < height; y += 97) {
      const strip = { x: 0, y, width, height: Math.min(97, height - y) };
      expect(targetFilm(layout, 0, screen, RESOLUTION, strip).data).toEqual(cropBits(whole, strip).data);
    }
  });

  it('has its marks on the film of one ink, and crosses on all', () => {
    const two = targetLayout(2, 1);
    const frame = targetFrame(two, RESOLUTION);
    const films = [0, 1].map((ink) =>
      targetFilm(two, ink, dots(20), RESOLUTION, { x: 0, y: 0, width: frame.width, height: frame.height }),
    );
    const at = (mm: number): number => Math.round((mm / 25.4) * RESOLUTION);
    // On the ring of the first corner mark, and in the middle of a register cross.
    expect(films.map((film) => bitAt(film, at(10 + 2.8), at(10)))).toEqual([0, 1]);
    expect(films.map((film) => bitAt(film, at(38), at(10)))).toEqual([1, 1]);
  });
});

describe('a target off the simulated press', () => {
  it.each([
    [
      'a pale ink and a dark one',
      [95, 0, 2],
      [
        [88, -5, 80],
        [25, 10, -40],
      ],
      0.1,
    ],
    ['a pale ink alone', [95, 0, 2], [[85, -5, 45]], 0.1],
    ['opaque white on dark cloth', [16, 0, 0], [[94, 0, 2]], 0.95],
  ] as const)('is read by scan as by instrument: %s', (_name, stock, labs, opacity) => {
    const calibration = calibrationOf(stock, labs, [dots(20), dots(50)], opacity);
    const press = simulatedPressFor(calibration, 24);
    const scan = simulatedScan(simulatedTarget(calibration, press, 200), {
      ...STRAIGHT_SCAN,
      ppi: 150,
      turn: -1.2,
    });
    const { inks, ppi } = targetReading(scan, layoutOf(calibration));
    expect(Math.abs(ppi - 150)).toBeLessThan(2);
    simulatedReadings(calibration, press).forEach((measured, ink) => {
      const scanned = inks[ink].readings.filter(({ film }) => film > 0);
      expect(scanned).toHaveLength(measured.length);
      measured.forEach(({ film, printed }, i) => {
        expect(scanned[i].film).toBe(film);
        // Coarse films, and dots cut at the edges of the patches.
        expect(Math.abs(scanned[i].printed - printed)).toBeLessThan(3);
      });
    });
  });

  it('loses ink to the threads of its mesh, and grows where it is dragged', () => {
    const calibration = calibrationOf([95, 0, 2], [[25, 10, -40]], [dots(20)]);
    const mesh = { count: 30, angle: 0, thread: 150 };
    const plain = { ...simulatedPressFor(calibration, 10), spread: 0.02, takes: 0.5, slur: 0, starvation: 0 };
    const inked = (press: typeof plain): number =>
      truthOf({ screen: dots(20), resolution: RESOLUTION, press })(30);
    // Sharp edges that take at one half print what the film has; a drag of a tenth of a millimetre adds at the feet of dots alone.
    expect(Math.abs(inked(plain) - 30)).toBeLessThan(1.5);
    expect(inked({ ...plain, slur: 0.1 })).toBeGreaterThan(32);
    const light = (press: typeof plain): number => {
      const { data } = simulatedTarget(calibration, press, 100);
      return data.reduce((sum, value) => sum + value, 0);
    };
    // Marks of threads too wide to run together leave stock bare.
    expect(light({ ...plain, spread: 0.01, mesh })).toBeGreaterThan(
      1.005 * light({ ...plain, spread: 0.01 }),
    );
  });

  it('is laid straight so that its corner marks are where the layout has them', () => {
    const calibration = calibrationOf([95, 0, 2], [[25, 10, -40]], [dots(20)]);
    const print = simulatedTarget(calibration, simulatedPressFor(calibration, 20), 200);
    const scan = simulatedScan(print, { ...STRAIGHT_SCAN, ppi: 150, turn: 7, perspective: [0.06, 0.04] });
    const layout = layoutOf(calibration);
    const straight = straightScan(scan, readScan(scan, layout).map, layout, 100);
    const lightAt = (x: number, y: number): number =>
      straight.data[3 * (Math.round((y / 25.4) * 100) * straight.width + Math.round((x / 25.4) * 100))];
    for (const { x, y } of layout.corners) {
      expect(lightAt(x, y)).toBeGreaterThan(180);
      for (const [dx, dy] of [
        [2.8, 0],
        [-2.8, 0],
        [0, 2.8],
        [0, -2.8],
      ])
        expect(lightAt(x + dx, y + dy)).toBeLessThan(120);
    }
  });
});

describe('a press with what was measured', () => {
  const measured = (): Calibration => {
    const calibration = calibrationOf(
      [95, 0, 2],
      [
        [25, 10, -40],
        [50, 40, 30],
      ],
      [dots(20), dots(50)],
    );
    const readings = [10, 30, 50, 70, 90].map((film) => ({
      film,
      printed: film + 0.2 * film * (1 - film / 100),
    }));
    const [first, second] = calibration.inks;
    return {
      ...calibration,
      source: 'scan',
      inks: [
        { ...first, readings, ladders: { leastDot: 0.1, leastLine: 0.2, edgeGain: 0.031 } },
        {
          ...second,
          readings: readings.slice(0, 3),
          ladders: { leastDot: 0.16, leastLine: null, edgeGain: 0.0274 },
        },
      ],
    };
  };

  it('has the curves that were read, in the place of older ones, and those of other inks as they were', () => {
    const own = { by: 'number', middle: 9, shape: 1 } as const;
    const inkGains = [
      { ink: 'INK 1 ', gain: own, calibrated: '2025-01-01T00:00:00.000Z' },
      { ink: 'Other', gain: own, calibrated: null },
    ];
    const press = { ...TEST_PRESS, inkGains, leastDot: 50, leastLine: 0.1, edgeGain: 0.01 };
    const made = calibrated(press, measured(), '2026-11-21T10:00:00.000Z', false);
    expect(made.inkGains.map(({ ink, calibrated: date }) => [ink, date])).toEqual([
      ['Other', null],
      ['Ink 1', '2026-11-21T10:00:00.000Z'],
    ]);
    expect(made.inkGains[1].gain).toEqual({ by: 'points', points: fittedGain(measured().inks[0])!.points });
    expect({ ...made, inkGains }).toEqual(press);
  });

  it('has the limits that its ladders show, the worst ink deciding', () => {
    const made = calibrated(TEST_PRESS, measured(), '2026-11-21T10:00:00.000Z', true);
    expect([made.leastDot, made.leastLine, made.edgeGain]).toEqual([160, 0.2, 0.031]);
  });

  it('has no curve of readings that are too few, or were left out', () => {
    const { inks } = measured();
    expect(fittedGain(inks[1])).toBeUndefined();
    expect(fittedGain({ ...inks[0], without: [2] })).toBeUndefined();
  });
});

it('a job is printed as asked once its press is measured: by counting what is inked', () => {
  const picture: Picture = {
    width: 240,
    height: 160,
    channels: 1,
    data: Uint8Array.from(
      { length: 240 * 160 },
      (_, i) => 40 + ((i % 240) * 180) / 240 + 20 * Math.sin(i / 900),
    ),
  };
  const plain = sceneOf(picture, { width: 48, height: 32, resolution: RESOLUTION }, dots(30));
  const calibration = calibrationOf([100, 0, 0], [[0, 0, 0]], [dots(30)]);
  const simulated = simulatedPressFor(calibration, 26);
  const printedWith = (press: typeof TEST_PRESS | null) => {
    const recipe = { ...plain.recipe, press: press && { id: 'test', press, compensates: true } };
    return simulatedJobPrint({ ...plain, recipe }, [0], simulated, 300);
  };
  const [before] = printedWith(null).shares;
  expect(before.printed - before.asked).toBeGreaterThan(15);
  const [inkReadings] = simulatedReadings(calibration, simulated);
  const [one] = calibration.inks;
  const read = {
    ...calibration,
    inks: [{ ...one, ink: { ...one.ink, name: 'ink-1' }, readings: inkReadings }],
  };
  const { picture: print, shares } = printedWith(calibrated(TEST_PRESS, read, read.made, false));
  expect(Math.abs(shares[0].printed - shares[0].asked)).toBeLessThan(1);
  expect(Math.max(print.width, print.height)).toBeLessThanOrEqual(300);
});
