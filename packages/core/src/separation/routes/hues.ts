import type { Ink } from '../../ink/ink.ts';
import { createPlane, SOLID } from '../../raster/plane.ts';
import type { Rows } from '../../raster/rows.ts';
import { bandRows, type ToneSource } from '../../tone/tone-rows.ts';
import type { Tone } from '../../tone/tone.ts';
import { colourRows } from '../colour-rows.ts';
import { ROWS_AT_ONCE } from '../mapped-rows.ts';
import { ink, percent } from '../route-field.ts';
import { defineRoute, hasTwice, INK_TWICE } from '../route-kind.ts';

/** A flat ink for colours around a hue. */
export interface HueInk {
  readonly ink: string;
  /** Hue angle of CIELAB, degrees. */
  readonly hue: number;
}

/** Flat inks by colour: a dark one, bare stock where it is light, and between them the ink whose hue is nearest. */
export interface HuesRoute {
  readonly kind: 'hues';
  /** Id of the ink of what is dark; null for bare stock. */
  readonly dark: string | null;
  /** Tones (100 − L*) that part what is light and what is dark from what lies between. */
  readonly at: readonly number[];
  /** Chroma (C*ab) below which a colour counts as grey: it goes to the dark ink or to bare stock, whichever is nearer. */
  readonly grey: number;
  readonly colours: readonly HueInk[];
}

/** Hue angle of a colour, degrees from 0 to 360. */
export const hueOf = ([, a, b]: readonly [number, number, number]): number =>
  ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;

/** How much darker a colour counts where it is parted from what is light, for each unit of its chroma. */
const STRONG = 0.3;

/** What part of the route a colour goes to: −1 bare stock, 0 the dark ink, from 1 on its colours. */
export function partOf({ at, grey, colours }: HuesRoute, lab: ArrayLike<number>): number {
  const tone = 100 - lab[0];
  if (tone >= at[1]) return 0;
  const chroma = Math.sqrt(lab[1] * lab[1] + lab[2] * lab[2]);
  // A strong yellow is as light as paper that is not quite white, and no paper.
  if (tone + STRONG * Math.max(0, chroma - grey) < at[0]) return -1;
  if (chroma < grey) return tone >= (at[0] + at[1]) / 2 ? 0 : -1;
  const hue = (Math.atan2(lab[2], lab[1]) * 180) / Math.PI;
  let [best, nearest] = [1, Infinity];
  for (let i = 0; i < colours.length; i++) {
    const off = Math.abs(((((hue - colours[i].hue + 180) % 360) + 360) % 360) - 180);
    if (off < nearest) [best, nearest] = [i + 1, off];
  }
  return best;
}

/** Chroma from which a picked ink has a hue to speak of, and how far apart hues are that both are worth an ink, degrees. */
const COLOURFUL = 16;
const APART = 30;

/** Two at most of some inks, the strongest colours first, whose hues differ. */
function apartInHue(inks: readonly Ink[]): Ink[] {
  const chroma = ({ lab }: Ink) => Math.hypot(lab[1], lab[2]);
  const out: Ink[] = [];
  for (const one of inks
    .filter((ink) => chroma(ink) >= COLOURFUL)
    .toSorted((a, b) => chroma(b) - chroma(a))) {
    const off = (other: Ink) => Math.abs(((hueOf(one.lab) - hueOf(other.lab) + 540) % 360) - 180);
    if (out.length < 2 && out.every((other) => off(other) >= APART)) out.push(one);
  }
  return out;
}

/** The part of each pixel, one more than `partOf` gives. */
const partRows = (source: ToneSource, tone: Tone, route: HuesRoute): Rows =>
  colourRows(source, tone, [route.at, route.grey, route.colours], (lab) => partOf(route, lab) + 1);

/** Solid where a part of the route goes to the ink. */
function solidRows(parts: Rows, route: HuesRoute, id: string): Rows {
  const goes = [null, route.dark, ...route.colours.map((one) => one.ink)].map((one) => one === id);
  const { width, height } = parts;
  return bandRows(width, height, ROWS_AT_ONCE, (band) => {
    const top = band * ROWS_AT_ONCE;
    const out = createPlane(width, Math.min(height, top + ROWS_AT_ONCE) - top);
    for (let y = 0, i = 0; y < out.height; y++) {
      const row = parts.row(top + y);
      for (let x = 0; x < width; x++, i++) if (goes[row[x]]) out.data[i] = SOLID;
    }
    return out;
  });
}

export const huesRoute = defineRoute<HuesRoute>({
  kind: 'hues',
  name: 'Flat colours',
  says: 'Flat inks by colour: dark, light, and the nearest hue between them',
  fields: {
    dark: { ...ink('Ink of what is dark'), orBare: true },
    at: { type: 'tones', label: 'Parted at', least: 2, most: 2 },
    grey: percent('Grey below a chroma of'),
    colours: {
      type: 'list',
      label: 'Colours',
      least: 1,
      most: 5,
      of: { ink: ink('Ink'), hue: { type: 'number', label: 'Hue', least: 0, most: 360 } },
    },
  },
  problem: ({ dark, colours }) =>
    hasTwice([...(dark === null ? [] : [dark]), ...colours.map((one) => one.ink)]) ? INK_TWICE : undefined,
  suits: 'colours',
  picks: 5,
  start({ own, others, picked, shelfInk }) {
    const found = apartInHue(picked);
    const inks = found.length > 0 ? found : [shelfInk('Rosehip'), shelfInk('Tide')];
    const dark = [...own, ...others].find((id) => inks.every((one) => one.id !== id)) ?? null;
    const colours = inks.map(({ id, lab }) => ({ ink: id, hue: Math.round(hueOf(lab)) % 360 }));
    return { route: { kind: 'hues', dark, at: [22, 68], grey: 8, colours }, inks };
  },
  isColour: false,
  inks: ({ dark, colours }) => [...(dark === null ? [] : [dark]), ...colours.map((one) => one.ink)],
  lineInks: ({ dark, colours }) => [dark ?? colours[0].ink],
  rows: (route, id, { source, tone }) => solidRows(partRows(source, tone, route), route, id),
  isFlat: true,
});
