import type { Ink } from '../../ink/ink.ts';
import { coverageTable } from '../../raster/coverage-table.ts';
import { SOLID } from '../../raster/plane.ts';
import { channelRows, channelSource, channelTone } from '../channel-rows.ts';
import { mappedRows } from '../mapped-rows.ts';
import { ink } from '../route-field.ts';
import { defineRoute, hasTwice, INK_TWICE, type RouteStart } from '../route-kind.ts';

/** Its red, green and blue as three plates. */
export interface ChannelsRoute {
  readonly kind: 'channels';
  readonly red: string;
  readonly green: string;
  readonly blue: string;
  /** `light`: ink where the channel is light, for light inks on dark stock; `dark`: where it is dark. */
  readonly ink: 'light' | 'dark';
}

const INVERTED = coverageTable((i) => SOLID - i);

const idsOf = ({ red, green, blue }: ChannelsRoute): string[] => [red, green, blue];

/** L* of a stock below which light inks are printed. */
const DARK = 50;

const covering = (id: string, name: string, lab: Ink['lab']): Ink => ({
  id,
  name: `${name}, covering`,
  lab,
  opacity: 0.6,
  fountain: null,
});

const channelInks = (dark: boolean, { cyan, magenta, yellow }: RouteStart['condition']): Ink[] =>
  dark
    ? [
        covering('red', 'Red', [52, 70, 48]),
        covering('green', 'Green', [70, -62, 52]),
        covering('blue', 'Blue', [42, 20, -66]),
      ]
    : [
        { ...cyan, id: 'red' },
        { ...magenta, id: 'green' },
        { ...yellow, id: 'blue' },
      ];

export const channelsRoute = defineRoute<ChannelsRoute>({
  kind: 'channels',
  name: 'Red, green, blue',
  says: 'Its three channels as three plates',
  fields: {
    red: ink('Red'),
    green: ink('Green'),
    blue: ink('Blue'),
    ink: { type: 'word', label: 'Ink where it is', words: ['light', 'dark'] },
  },
  problem: (route) => (hasTwice(idsOf(route)) ? INK_TWICE : undefined),
  suits: 'colours',
  start({ stock, condition }) {
    const dark = stock.lab[0] < DARK;
    const inks = channelInks(dark, condition);
    return {
      route: { kind: 'channels', red: 'red', green: 'green', blue: 'blue', ink: dark ? 'light' : 'dark' },
      inks,
    };
  },
  isColour: true,
  inks: idsOf,
  lineInks: idsOf,
  rows(route, id, { source, tone }) {
    const channel = idsOf(route).indexOf(id);
    return route.ink === 'dark'
      ? channelRows(source, tone, channel)
      : mappedRows(channelSource(source, channel), channelTone(tone, channel), 'inverted', INVERTED);
  },
});
