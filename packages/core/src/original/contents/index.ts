import type { Content } from '../../recipe/recipe.ts';
import type { ContentKind } from '../content-kind.ts';
import { drawingContent } from './drawing.ts';
import { gradientContent } from './gradient.ts';
import { letteringContent } from './lettering.ts';
import { pictureContent } from './picture.ts';
import { tintContent } from './tint.ts';

/** Every kind of content. */
export const CONTENTS: {
  readonly [Kind in Content['kind']]: ContentKind<Extract<Content, { kind: Kind }>>;
} = {
  picture: pictureContent,
  drawing: drawingContent,
  gradient: gradientContent,
  tint: tintContent,
  lettering: letteringContent,
};

/** The kind of a content. */
export const contentKind = <C extends Content>(content: C): ContentKind<C> =>
  CONTENTS[content.kind] as unknown as ContentKind<C>;
