import { contentKind, profileOf, type OriginalRecipe, type Recipe } from '@brachytone/core';

/** The version this program writes. */
export const VERSION = 5;

/** What film files are made as. */
export const FILM_FORMATS = ['tiff-group4', 'tiff-deflate', 'png', 'svg', 'svg-together'] as const;
export type FilmFormat = (typeof FILM_FORMATS)[number];

export interface FilmSettings {
  readonly format: FilmFormat;
  readonly mirrored: boolean;
  readonly negative: boolean;
  /** How far the outlines of pixels may stray from them in a file of geometry, in film pixels; 0 for their very sides. */
  readonly smooth: number;
}

/** A job: plain JSON, everything a designer decided and nothing else. */
export interface JobDocument {
  readonly version: typeof VERSION;
  readonly name: string;
  readonly recipe: Recipe;
  readonly films: FilmSettings;
}

/** What a file brought in is. */
export type FileKind = 'picture' | 'drawing' | 'font' | 'profile';

/** A file that a job is made from. */
export interface FileUse {
  readonly sha256: string;
  readonly kind: FileKind;
}

function usesOf({ content, container, route }: OriginalRecipe): FileUse[] {
  const file = contentKind(content).file(content);
  const profile = profileOf(route);
  const shape = container?.shape === 'path' ? container.path : null;
  return [
    ...(file ? [file] : []),
    ...(shape ? [{ sha256: shape, kind: 'drawing' as const }] : []),
    ...(profile ? [{ sha256: profile.profile, kind: 'profile' as const }] : []),
  ];
}

/** Every file a job's originals are made from, each once. */
export const filesOf = (recipe: Recipe): FileUse[] => [
  ...new Map(recipe.originals.flatMap(usesOf).map((use) => [use.sha256, use])).values(),
];
