import type { InkSet } from '../ink/ink-set.ts';
import type { Ink, Overprint, Stock } from '../ink/ink.ts';
import type { InkModel } from '../ink/model.ts';
import type { Pyramid } from '../raster/pyramid.ts';
import type { Rows } from '../raster/rows.ts';
import type { ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';
import type { RouteField } from './route-field.ts';
import type { ModelTable } from './route-model.ts';
import type { SeparationTable } from './table.ts';

/** Separations that are made elsewhere: of profiles, by the names that `profileTableName` gives them, and by the ink model, by those that `modelTables` does. */
export type ReadyTables = ReadonlyMap<string, SeparationTable>;

/** An original's source on its way to an ink. */
export interface Separating {
  /** Name of the original. */
  readonly name: string;
  readonly source: ToneSource;
  readonly tone: Tone;
  readonly inkSet: InkSet;
  readonly tables: ReadyTables | undefined;
  readonly pictures: ReadonlyMap<string, Pyramid>;
  /** A coarser table will do. */
  readonly draft: boolean;
}

/** Rendering intents of ICC.1:2022. */
export const INTENTS = ['perceptual', 'relative', 'saturation', 'absolute'] as const;
export type Intent = (typeof INTENTS)[number];

/** A separation that only a colour profile tells. */
export interface ProfileUse {
  /** SHA-256 of the profile's file. */
  readonly profile: string;
  readonly intent: Intent;
  /** Whether its black is fitted to the press's. */
  readonly compensate: boolean;
}

/** A separation by the ink model. */
export interface Modelled<R> {
  /** The model of its inks, in the order of its table. */
  readonly model: (route: R, inkSet: InkSet) => InkModel;
  readonly table: (route: R, inkSet: InkSet, draft: boolean) => ModelTable;
  /** Most of all inks together, percent. */
  readonly limit: (route: R) => number;
}

/** What a route can begin with. */
export interface RouteStart {
  /** Ids of the inks that the original is printed in now, and of the job's others; each from the darkest to the lightest. */
  readonly own: readonly string[];
  readonly others: readonly string[];
  readonly stock: Stock;
  /** Inks picked from the picture, when the kind asks for them. */
  readonly picked: readonly Ink[];
  /** Channels of a file that is separated, with an ink of the job for each. */
  readonly channels: readonly { readonly picture: string; readonly ink: Ink }[];
  /** A shipped ink as an ink of the job, by its name. */
  readonly shelfInk: (name: string) => Ink;
  /** The process inks of a printing condition, with its stock, overprints and ink limit (percent). */
  readonly condition: {
    readonly cyan: Ink;
    readonly magenta: Ink;
    readonly yellow: Ink;
    readonly black: Ink;
    readonly stock: Stock;
    readonly overprints: readonly Overprint[];
    readonly limit: number;
  };
  /** Most inks that a job has, and most of all of them together, percent. */
  readonly most: { readonly inks: number; readonly limit: number };
  /** Starting curves for two to four inks, from the darkest to the lightest. */
  readonly curves: (count: number) => readonly (readonly { readonly in: number; readonly out: number }[])[];
}

/** A route as an original first gets it, and what of the job changes with it. */
export interface StartedRoute<R> {
  readonly route: R;
  /** Inks that the job may not have yet. */
  readonly inks?: readonly Ink[];
  readonly overprints?: readonly Overprint[];
  readonly stock?: Stock;
  /** Has the job's inks of the same ids, and their overprints, replaced by these. */
  readonly replaces?: boolean;
}

/**
 * A kind of route: how an original comes to the inks. Adding one is a file in `routes/` and a line in its `index.ts`, and its controls in
 * the docket.
 */
export interface RouteKind<R extends { readonly kind: string }> {
  readonly kind: R['kind'];
  readonly name: string;
  /** What it does, in a few words. */
  readonly says: string;
  /** What it is described by, besides its kind. */
  readonly fields: { readonly [Name in Exclude<keyof R, 'kind'>]: RouteField };
  /** A sentence when its fields do not fit one another. */
  readonly problem?: (route: R) => string | undefined;
  /** What it can be chosen for: all originals, all with tones (not line work), those with colours, or those of files that are separated. */
  readonly suits: 'all' | 'tones' | 'colours' | 'separated';
  /** How an original first gets it; missing for one that is not offered by itself. */
  readonly start?: (at: RouteStart) => StartedRoute<R>;
  /** Inks that are picked from the picture for its start. */
  readonly picks?: number;
  /** True when it keeps an original's colours. */
  readonly isColour: boolean;
  /** Ids of the inks it prints in, each once. */
  readonly inks: (route: R) => readonly string[];
  /** Ids of the inks that what is never screened, and has no colours, is printed in. */
  readonly lineInks: (route: R) => readonly string[];
  /** Coverage of one of its inks, on the source's grid or a finer one. */
  readonly rows: (route: R, ink: string, at: Separating) => Rows;
  /** Coverages that tones without colours, those of lettering, are sent through on the way to an ink; missing when they go as they are. */
  readonly toneTable?: (route: R, ink: string) => Uint16Array;
  /** True when its tones end in edges that only the film's pixels show. */
  readonly isFlat?: boolean;
  /** True when what goes this way is on the stock before the inks, and comes to no plate. */
  readonly isOnStock?: boolean;
  /** Present when it goes by the ink model. */
  readonly modelled?: Modelled<R>;
  /** SHA-256 of pictures that it takes besides the original's own. */
  readonly pictures?: (route: R) => readonly string[];
  /** Present when it goes by a profile. */
  readonly profile?: (route: R) => ProfileUse;
}

/** Types a kind of route by what describes it. */
export const defineRoute = <R extends { readonly kind: string }>(kind: RouteKind<R>): RouteKind<R> => kind;

/** Name of the table that a profile gives for an intent. */
export const profileTableName = ({ profile, intent, compensate }: ProfileUse): string =>
  `${profile}-${intent}${compensate ? '-compensated' : ''}`;

/** Said of a route that names one ink twice. */
export const INK_TWICE = 'An original cannot be separated into one ink twice.';

export const hasTwice = (inks: readonly string[]): boolean => new Set(inks).size < inks.length;
