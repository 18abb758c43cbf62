/**
 * What each cache of a thread may hold, in MB (2²⁰ bytes): together `CACHE_MEGABYTES` at most.
 *
 * Bands and pixels are the largest: what a slider needs again from one movement to the next. Threads that make whole films from top to
 * bottom make do with a share of these (`setCacheShare`).
 */
export const PIXEL_BUDGETS = {
  'finished tones': 96,
  'tones before a step': 96,
  'tones in passing': 32,
  'separated bands': 96,
  'values by colour': 32,
  'cut-outs': 64,
  'cut-outs as found': 32,
  'kept dots': 8,
  'art for other plates': 40,
  'plate evidence': 40,
  'thin parts': 8,
  'drawing pixels': 16,
  'letter pixels': 16,
  'stock surfaces': 8,
  grounds: 16,
} as const;

/** Tables and geometry, and plates that would have to be made from their top again: needed by every strip of a film. */
export const TABLE_BUDGETS = {
  'sequential plates': 96,
  // Thresholds, cells, curves.
  thresholds: 64,
  screeners: 64,
  'cell tables': 4,
  'smooth cells': 4,
  'crossed lines': 1,
  'grain tiles': 8,
  supercells: 1,
  'cell ranks': 2,
  'motif outlines': 1,
  'motif growth': 4,
  'largest dots': 1,
  'spot levels': 2,
  'spot growth': 1,
  findings: 2,
  'dot spectra': 1,
  transfers: 16,
  'inverse transfers': 8,
  'tone curves': 4,
  'tone tables': 4,
  'mix tables': 4,
  'separation tables': 4,
  'black ranges': 4,
  'reach errors': 2,
  // Geometry.
  'painted drawings': 16,
  'letter outlines': 4,
  'letter polygons': 8,
  'container polygons': 4,
  'whole cells': 4,
  'soft shapes': 16,
  'soft dots': 16,
  'film marks': 1,
  'mark layouts': 1,
  'flat patches': 2,
  'holding shares': 1,
  'dot outlines': 7,
  'dot manners': 1,
  'cell points': 1,
  // Filters and what is shown.
  'filter passes': 2,
  'resampling columns': 16,
  'random columns': 8,
  'ink ramps': 2,
  'light powers': 4,
  'low-pass weights': 4,
  'low-pass rows': 4,
} as const;

export type CacheName = keyof typeof PIXEL_BUDGETS | keyof typeof TABLE_BUDGETS;

/** All caches of a thread together, MB at most. */
export const CACHE_MEGABYTES = 1024;
