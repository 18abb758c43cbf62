import { MM_PER_INCH, mmToPixels } from '../../raster/frame.ts';
import { SOLID } from '../../raster/plane.ts';
import { recentOnly } from '../../recent.ts';
import { turnOf } from '../../turn.ts';
import { scatter } from '../scatter.ts';
import { largestApart } from '../apart.ts';
import type { DotLimits } from '../dot-limits.ts';
import { spotOf } from '../spot/index.ts';
import { findSupercell, type Supercell } from '../supercell.ts';
import { buildThresholds, type Thresholds } from '../thresholds.ts';
import { tiled } from '../tiled.ts';
import { cellTable, screenWarped, shiftFor } from '../warp.ts';
import { ANGLE, ASPECT, latticeFacts, MOTIF, RULING, SPOT, spotKey, spotWords } from './dot-fields.ts';
import { defineScreen } from './kind.ts';

const recentSupercells = recentOnly<Supercell>(32);
const recentThresholds = recentOnly<Thresholds>(8);

/** Part of a cell that ragged edges are frayed by, at most. */
const FRAY = 0.16;
/** Frays along a cell. */
const FRAYS = 5;

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
    place: { type: 'number', label: 'Out of place', unit: 'percent', least: 0, most: 100, start: 0 },
    size: { type: 'number', label: 'Out of size', unit: 'percent', least: 0, most: 100, start: 0 },
    ragged: { type: 'number', label: 'Ragged edge', unit: 'percent', least: 0, most: 100, start: 0 },
    seed: {
      type: 'seed',
      label: 'Throw',
      start: 1,
      when: { field: ['place', 'size', 'ragged'], above: 0 },
    },
  },
  words: (settings) => spotWords(settings),
  carries: () => false,
  lattice(settings) {
    return {
      ...latticeFacts(settings),
      limited: (limits) => keptApart(settings, limits),
      ...(isRegular(settings)
        ? {
            supercell: (resolution, draft) => supercellOf(settings.ruling, settings.angle, resolution, draft),
          }
        : {}),
    };
  },
  make(settings, limits, frame) {
    const { ruling, angle, place, size, ragged, seed } = settings;
    const spot = spotOf(settings.spot, settings);
    const key = spotKey(settings);
    const kept = keptApart(settings, limits);
    const { resolution, draft = false } = frame;
    if (isRegular(settings)) {
      const thresholds = recentThresholds(`${key}/${ruling}/${angle}/${resolution}/${draft}`, () =>
        buildThresholds(supercellOf(ruling, angle, resolution, draft), spot),
      );
      return tiled(thresholds, kept);
    }
    const table = cellTable(key, spot, kept);
    const cell = mmToPixels(MM_PER_INCH / ruling, frame);
    const { cos, sin } = turnOf(angle);
    const [along, across] = [cos / cell, sin / cell];
    const moved = place / 100;
    const grown = (size / 100) * 0.7 * SOLID;
    const frayed = (ragged / 100) * FRAY;
    const [alongBy, acrossBy, sizes, frayAlong, frayAcross] = [0, 1, 2, 3, 4].map((k) =>
      scatter(seed * 7 + k),
    );
    const warp = {
      shift: shiftFor(ragged > 0 ? cell / FRAYS / 3 : cell / 2),
      place: (x: number, y: number, out: Float64Array) => {
        let u = (x + 0.5) * along - (y + 0.5) * across;
        let v = (x + 0.5) * across + (y + 0.5) * along;
        const [cu, cv] = [u - 0.5, v - 0.5];
        out[2] = grown > 0 ? sizes(cu, cv) * grown : 0;
        if (moved > 0) {
          u += alongBy(cu, cv) * moved;
          v += acrossBy(cu, cv) * moved;
        }
        if (frayed > 0) {
          u += frayAlong(cu * FRAYS, cv * FRAYS) * frayed;
          v += frayAcross(cu * FRAYS, cv * FRAYS) * frayed;
        }
        out[0] = u;
        out[1] = v;
      },
    };
    return {
      carries: false,
      margin: 0,
      screen: (coverage, region) => screenWarped(coverage, region, table, warp),
    };
  },
});

/** Dot limits under which neighbours never close the gap between them. */
function keptApart(
  settings: Parameters<typeof spotKey>[0] & { ruling: number; place: number; apart: number },
  { smallest, largest }: DotLimits,
): DotLimits {
  const { ruling, place, apart } = settings;
  if (apart === 0) return { smallest, largest };
  const gap = (apart / MM_PER_INCH) * ruling + place / 200;
  const most = largestApart(spotKey(settings), spotOf(settings.spot, settings), gap);
  return { smallest: Math.min(smallest, most), largest: Math.min(largest, most) };
}

const isRegular = ({ place, size, ragged }: { place: number; size: number; ragged: number }): boolean =>
  place === 0 && size === 0 && ragged === 0;
