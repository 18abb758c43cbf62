import type { Fields, SettingsOf } from '../../base/field.ts';
import type { Frame } from '../../raster/frame.ts';
import type { Bits } from '../../raster/bits.ts';
import type { Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import type { DotLimits, Transfer } from '../transfer.ts';
import type { Spot } from '../spot/spot.ts';
import type { Thresholds } from '../thresholds.ts';
import type { Supercell } from '../supercell.ts';

/** Turns coverage into bits by each pixel's place alone: any region equals that part of the whole. */
export interface PlaceScreener {
  readonly sequential: false;
  /** Pixels of coverage around a region that its bits depend on. */
  readonly margin: number;
  /** @param coverage of the region grown by the margin on every side; beyond the sheet is bare */
  readonly screen: (coverage: Plane, region: Region) => Bits;
  /** The thresholds it compares with, where it does nothing else. */
  readonly thresholds?: Thresholds;
}

/** One that carries something on from row to row, or looks at the whole: a plate is made from its top down, once. */
export interface SequentialScreener {
  readonly sequential: true;
  readonly start: (width: number, height: number) => SequentialRun;
}

export interface SequentialRun {
  /** The bits of the next whole rows. */
  readonly rows: (coverage: Plane) => Bits;
  /** Changes the bits of the whole plate once all rows are made. */
  readonly finish?: (bits: Bits) => void;
}

export type Screener = PlaceScreener | SequentialScreener;

/** How far the coverage at a place, in pixels of the grid that need not be whole, is above what is needed to ink it: above 0 it is. */
export type Excess = (x: number, y: number, coverage: number) => number;

/** A screen's dots as the places where coverage is above a threshold that runs smoothly: geometry, whatever the pixels. */
export interface Contoured {
  /** Pixels of coverage around a region that are looked at. */
  readonly margin: number;
  /** @param coverage of the region grown by the margin on every side; beyond the sheet is bare */
  readonly over: (coverage: Plane, region: Region) => Excess;
}

/** What a screen knows of its own lattice. */
export interface Lattice {
  /** Lines per inch. */
  readonly ruling: number;
  /** Degrees anticlockwise. */
  readonly angle: number;
  /** The name its mark goes by. */
  readonly mark: 'dot' | 'line';
  /** Its mark's shape, and a cache key: equal iff the shape is equal. */
  readonly spot: Spot;
  readonly spotKey: string;
  /** Extent of a mark in mm at a coverage of 0–1. */
  readonly size: (coverage: number) => number;
  /** The supercell it is made of at a resolution, where its dots stand straight in one. */
  readonly supercell?: (resolution: number, draft?: boolean) => Supercell;
}

/**
 * A kind of screen. Settings are what the fields describe. Adding one is a file here and a line in `index.ts`: schema,
 * docket, films, tests and benchmarks follow.
 */
export interface ScreenKind<F extends Fields = Fields> {
  readonly kind: string;
  readonly name: string;
  /** What it does, in a few words. */
  readonly says: string;
  readonly fields: F;
  /** The settings in a word or two. */
  readonly words: (settings: SettingsOf<F>) => string;
  /** Side of its smallest mark in mm, made of whole device pixels; one device pixel when missing. */
  readonly spotSize?: (settings: SettingsOf<F>) => number;
  readonly lattice?: (settings: SettingsOf<F>) => Lattice;
  /** False where it has no dots, so that there is no smallest or largest of them. */
  readonly hasDots?: false;
  /** The dot limits it keeps, when it is told these; the same when missing. */
  readonly limits?: (settings: SettingsOf<F>, limits: DotLimits) => DotLimits;
  /** True when it carries something on from row to row, so that a part cannot be made without what lies above it. */
  readonly sequential: (settings: SettingsOf<F>) => boolean;
  /**
   * Its dots as the contours of coverage against threshold where its lattice is not straight; missing where there is no such thing.
   *
   * @param transfer what is made of the coverage that is asked for, its limits with it
   * @param frame    the grid that places are given on
   */
  readonly contours?: (settings: SettingsOf<F>, transfer: Transfer, frame: Frame) => Contoured;
  /**
   * @param transfer what is made of the coverage that is asked for, its limits with it
   * @param frame    the grid it is made on, a pixel a spot
   */
  readonly make: (settings: SettingsOf<F>, transfer: Transfer, frame: Frame) => Screener;
}

/** Types a kind by its fields and lets go of the types, so that kinds of all sorts fit in one list. */
export const defineScreen = <const F extends Fields>(kind: ScreenKind<F>): ScreenKind =>
  kind as unknown as ScreenKind;
