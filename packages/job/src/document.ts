import type { Content, Recipe } from '@brachytone/core';

/** The version this program writes. */
export const VERSION = 2;

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

/** SHA-256 of the file an original comes from, if it comes from one. */
export const fileOf = (content: Content): string | undefined =>
  content.kind === 'picture' ? content.picture : content.kind === 'drawing' ? content.drawing : undefined;

/** SHA-256 of every file a job's originals come from, each once. */
export const filesOf = (recipe: Recipe): string[] => [
  ...new Set(recipe.originals.flatMap(({ content }) => fileOf(content) ?? [])),
];
