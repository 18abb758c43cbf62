import type { Recipe } from '@brachytone/core';

/** The version this program writes. */
export const VERSION = 1;

/** What film files are made as. */
export const FILM_FORMATS = ['tiff-group4', 'tiff-deflate', 'png'] as const;
export type FilmFormat = (typeof FILM_FORMATS)[number];

export interface FilmSettings {
  readonly format: FilmFormat;
  readonly mirrored: boolean;
  readonly negative: boolean;
}

/** A job: plain JSON, everything a designer decided and nothing else. */
export interface JobDocument {
  readonly version: typeof VERSION;
  readonly name: string;
  readonly recipe: Recipe;
  readonly films: FilmSettings;
}
