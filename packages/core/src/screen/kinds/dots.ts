import { MM_PER_INCH, mmToPixels, type Frame } from '../../raster/frame.ts';
import { SOLID } from '../../raster/plane.ts';
import { cache } from '../../base/cache.ts';
import { turnOf } from '../../base/turn.ts';
import { BENT_FIELDS, bentOf, bentPlace, unbending, type Bent } from '../bent.ts';
import { largestApart } from '../apart.ts';
import type { DotLimits } from '../transfer.ts';
import { FRAYS, placesBy, scatteringNumbers } from '../../kernel/places.ts';
import { spotOf } from '../spot/index.ts';
import { findSupercell, type Supercell } from '../supercell.ts';
import { buildThresholds, type Thresholds } from '../thresholds.ts';
import { tiled } from '../tiled.ts';
import { smoothThresholds } from '../smooth-cell.ts';
import { cellTable, excessOver, screenWarped, shiftFor, type Warp } from '../warp.ts';
import { ANGLE, ASPECT, latticeFacts, MOTIF, RULING, SPOT, spotKey, spotWords } from './dot-fields.ts';
import { defineScreen } from './kind.ts';

const recentSupercells = cache<Supercell>('supercells');
const recentThresholds = cache<Thresholds>('thresholds');

/** Part of a cell that ragged edges are frayed by, at most. */
const FRAY = 0.16;

/** The screen as it can be made at a resolution (dots per inch), with its achieved ruling and angle. */
const supercellOf = (ruling: number, angle: number, resolution: number, draft = false): Supercell =>
  recentSupercells(`${ruling}/${angle}/${resolution}/${draft}`, () =>
    findSupercell(ruling, angle, resolution, draft),
  );

export const dots = defineScreen({
  kind: 'dots',
  name: 'Dots',
  says: 'Dots on a lattice that grow with the tone.',
  fields: {
    spot: SPOT('round'),
    motif: MOTIF,
    ruling: RULING,
    angle: ANGLE(45),
    aspect: ASPECT,
    apart: {
      type: 'number',
      label: 'Keep apart',
      unit: 'mm',
      least: 0,
      most: 5,
      usual: [0, 0.5],
      start: 0,
    },
    place: { type: 'number', label: 'Scatter', unit: 'percent', least: 0, most: 100, start: 0 },
    size: { type: 'number', label: 'Uneven sizes', unit: 'percent', least: 0, most: 100, start: 0 },
    ragged: { type: 'number', label: 'Ragged edge', unit: 'percent', least: 0, most: 100, start: 0 },
    seed: {
      type: 'seed',
      label: 'Variation',
      start: 1,
      when: { field: ['place', 'size', 'ragged'], above: 0 },
    },
    ...BENT_FIELDS,
  },
  words: (settings) => spotWords(settings),
  sequential: () => false,
  lattice(settings) {
    return {
      ...latticeFacts(settings),
      ...(isRegular(settings)
        ? {
            supercell: (resolution, draft) => supercellOf(settings.ruling, settings.angle, resolution, draft),
          }
        : {}),
    };
  },
  limits: (settings, limits) => keptApart(settings, limits),
  contours(settings, transfer, frame) {
    const threshold = smoothThresholds(spotKey(settings), spotOf(settings.spot, settings));
    const { place } = scatteredWarp(settings, frame);
    return { margin: 0, over: () => excessOver(threshold, transfer, place) };
  },
  make(settings, transfer, frame) {
    const { ruling, angle } = settings;
    const spot = spotOf(settings.spot, settings);
    const key = spotKey(settings);
    const { resolution, draft = false } = frame;
    if (isRegular(settings)) {
      const thresholds = recentThresholds(`${key}/${ruling}/${angle}/${resolution}/${draft}`, () =>
        buildThresholds(supercellOf(ruling, angle, resolution, draft), spot),
      );
      return tiled(thresholds, transfer);
    }
    const table = cellTable(key, spot, transfer);
    const warp = scatteredWarp(settings, frame);
    return {
      sequential: false,
      margin: 0,
      screen: (coverage, region) => screenWarped(coverage, region, table, warp),
    };
  },
});

interface Scattered extends Partial<Bent> {
  readonly ruling: number;
  readonly angle: number;
  readonly place: number;
  readonly size: number;
  readonly ragged: number;
  readonly seed: number;
}

/** Where pixels fall among dots that are out of place, out of size or ragged. */
function scatteredWarp(settings: Scattered, frame: Frame): Warp {
  const { ruling, angle, place, size, ragged, seed } = settings;
  const cell = mmToPixels(MM_PER_INCH / ruling, frame);
  const { cos, sin } = turnOf(angle);
  const bent = bentOf(settings);
  const numbers = scatteringNumbers({
    along: cos / cell,
    across: sin / cell,
    grown: (size / 100) * 0.7 * SOLID,
    moved: place / 100,
    frayed: (ragged / 100) * FRAY,
    seed: seed * 7,
  });
  const shift = shiftFor(ragged > 0 ? cell / FRAYS / 3 : cell / 2);
  const lattice = placesBy('scattered', numbers);
  return bent
    ? { shift, place: bentPlace(lattice, unbending(bent, ruling, frame)) }
    : { shift, place: lattice, numbers: { kind: 'scattered', values: numbers } };
}

/** Dot limits under which neighbours never close the gap between them. */
function keptApart(
  settings: Parameters<typeof spotKey>[0] & { ruling: number; place: number; apart: number },
  limits: DotLimits,
): DotLimits {
  const { ruling, place, apart } = settings;
  if (apart === 0) return limits;
  const gap = (apart / MM_PER_INCH) * ruling + place / 200;
  const most = largestApart(spotKey(settings), spotOf(settings.spot, settings), gap);
  return { smallest: Math.min(limits.smallest, most), largest: Math.min(limits.largest, most), open: true };
}

/** True where dots stand straight, so that a tile of thresholds holds them. */
const isRegular = (settings: Scattered): boolean =>
  settings.place === 0 && settings.size === 0 && settings.ragged === 0 && bentOf(settings) === undefined;
