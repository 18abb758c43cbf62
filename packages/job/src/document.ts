import {
  contentKind,
  picturesOf,
  profileOf,
  type FilmFormatId,
  type FilmOptions,
  type OriginalRecipe,
  type Recipe,
} from '@brachytone/core';
import type { NoticeId } from './notices.ts';

/** The version this program writes. */
export const VERSION = 10;

/** How films are made. */
export interface FilmSettings extends FilmOptions {
  readonly format: FilmFormatId;
  /** True for all plates in one file, where the format can hold them. */
  readonly together: boolean;
}

/** A job: plain JSON, everything a designer decided and nothing else. */
export interface JobDocument {
  readonly version: typeof VERSION;
  readonly name: string;
  readonly recipe: Recipe;
  readonly films: FilmSettings;
  /** What a newer program changed in the look of this job, until someone has read it. */
  readonly notices: readonly NoticeId[];
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
    ...picturesOf(route).map((sha256) => ({ sha256, kind: 'picture' as const })),
    ...(profile ? [{ sha256: profile.profile, kind: 'profile' as const }] : []),
  ];
}

/** Labels are set in a typeface. */
const marksUses = ({ marks }: Recipe): FileUse[] =>
  marks.uses.length > 0 ? [{ sha256: marks.font, kind: 'font' }] : [];

const stockUses = ({ stock }: Recipe): FileUse[] =>
  stock.picture ? [{ sha256: stock.picture.picture, kind: 'picture' }] : [];

/** Every file that a job's originals and marks are made from, and its stock is seen by, each once. */
export const filesOf = (recipe: Recipe): FileUse[] => [
  ...new Map(
    [...recipe.originals.flatMap(usesOf), ...marksUses(recipe), ...stockUses(recipe)].map((use) => [
      use.sha256,
      use,
    ]),
  ).values(),
];
