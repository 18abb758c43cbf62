import type { Stroke } from '../base/field.ts';
import type { CurvePoint } from '../tone/curve.ts';

/** Its tones in one ink. */
export interface InkRoute {
  readonly kind: 'ink';
  readonly ink: string;
}

/** Its tones in two to four inks, a curve each: duotone, tritone, quadtone. */
export interface TonesRoute {
  readonly kind: 'tones';
  readonly inks: readonly { readonly ink: string; readonly curve: readonly CurvePoint[] }[];
}

/** Ids of the four process inks. */
export interface ProcessInks {
  readonly cyan: string;
  readonly magenta: string;
  readonly yellow: string;
  readonly black: string;
}

/** Its colours in cyan, magenta, yellow and black, as the ink model has them. */
export interface ProcessRoute extends ProcessInks {
  readonly kind: 'process';
  /** How much of what black could take over it takes, 0 (only what the others cannot do) to 100. */
  readonly generation: number;
  /** The share of that in strong colours, 0 (in greys alone) to 100 (everywhere). */
  readonly replacement: number;
  /** Darkness in percent below which black stays out. */
  readonly from: number;
  /** Most of all inks together, percent. */
  readonly limit: number;
}

/** Rendering intents of ICC.1:2022. */
export const INTENTS = ['perceptual', 'relative', 'saturation', 'absolute'] as const;
export type Intent = (typeof INTENTS)[number];

/** Its colours in cyan, magenta, yellow and black, as a profile has them. */
export interface ProfileRoute extends ProcessInks {
  readonly kind: 'profile';
  /** SHA-256 of the profile's file. */
  readonly profile: string;
  readonly intent: Intent;
  /** Whether its black is fitted to the press's. */
  readonly compensate: boolean;
}

/** Its red, green and blue as three plates. */
export interface ChannelsRoute {
  readonly kind: 'channels';
  readonly red: string;
  readonly green: string;
  readonly blue: string;
  /** `light`: ink where the channel is light, for light inks on dark stock; `dark`: where it is dark. */
  readonly ink: 'light' | 'dark';
}

/** Its colours in any inks: each colour becomes the dots of these inks that come nearest. */
export interface SpotRoute {
  readonly kind: 'spot';
  readonly inks: readonly string[];
  /** Most of all inks together, percent. */
  readonly limit: number;
}

/** Flat ink in a painted area, where the tone lies between two. */
export interface PaintedInk {
  readonly ink: string;
  readonly from: number;
  readonly to: number;
  readonly strokes: readonly Stroke[];
}

/** Flat inks for bands of tone, from light to dark. */
export interface BandsRoute {
  readonly kind: 'bands';
  /** Tones in percent that part the bands, rising. */
  readonly at: readonly number[];
  /** Id of each band's ink, one more than there are partings; null for bare stock. */
  readonly inks: readonly (string | null)[];
  readonly painted: readonly PaintedInk[];
}

/** How an original comes to the inks. */
export type Route =
  InkRoute | TonesRoute | ProcessRoute | ProfileRoute | ChannelsRoute | SpotRoute | BandsRoute;

/** Ids of the inks a route prints in, each once. */
export function routeInks(route: Route): string[] {
  switch (route.kind) {
    case 'ink':
      return [route.ink];
    case 'tones':
      return route.inks.map(({ ink }) => ink);
    case 'process':
    case 'profile':
      return [route.cyan, route.magenta, route.yellow, route.black];
    case 'channels':
      return [route.red, route.green, route.blue];
    case 'spot':
      return [...route.inks];
    case 'bands':
      return [
        ...new Set([
          ...route.inks.filter((ink): ink is string => ink !== null),
          ...route.painted.map(({ ink }) => ink),
        ]),
      ];
  }
}

/** True for routes that keep an original's colours. */
export const isColourRoute = ({ kind }: Route): boolean =>
  kind === 'process' || kind === 'profile' || kind === 'channels' || kind === 'spot';

/** Tone from which on an ink's own curve makes it print line work. */
const LINE_TONE = 50;

/** Ids of the inks that what is never screened, and has no colours, is printed in. */
export function lineInks(route: Route): string[] {
  switch (route.kind) {
    case 'process':
    case 'profile':
      return [route.black];
    case 'tones':
      return route.inks.filter(({ curve }) => (curve.at(-1)?.out ?? 0) >= LINE_TONE).map(({ ink }) => ink);
    case 'spot':
      return route.inks.slice(-1);
    case 'bands':
      return route.inks.slice(-1).filter((ink): ink is string => ink !== null);
    default:
      return routeInks(route);
  }
}
