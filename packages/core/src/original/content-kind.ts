import type { LineBits } from '../drawing/paint-drawing.ts';
import type { Gradient } from '../gradient/gradient.ts';
import type { Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import type { Stroke } from '../base/field.ts';
import type { CutOut } from '../recipe/cut-out.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import type { ToneSource } from '../tone/tone-rows.ts';

/** What is to be laid, and on which grid. */
export interface Placing {
  readonly original: OriginalRecipe;
  readonly materials: Materials;
  readonly frame: Frame;
}

/** Tones that a route separates. */
export interface PlacedTones {
  /** From the grid's pixels to the source's. */
  readonly toSource: Affine;
  readonly source: ToneSource;
  /** 0 = nothing there, 65535 = opaque; missing when it is opaque all over. */
  readonly alpha?: Rows;
}

/** Tones with their opacity (0–65535). */
export interface ToneLayer {
  readonly tone: Plane;
  readonly alpha: Plane;
}

/** Screened parts that have no colours, the lowest first, and solid or bare parts over them. */
export interface Layers {
  readonly glow?: ToneLayer;
  readonly fill?: ToneLayer;
  readonly line: LineBits;
}

/** What a cut-out leaves, as rows of opacity (0–65535), and the way to them from the grid's pixels. */
export interface PlacedCut {
  readonly rows: Rows;
  readonly toRows: Affine;
  /** False when its edge is hard: what is half there is there. */
  readonly soft: boolean;
  /** What was painted in and away after that, and the way from the strokes' shares to the rows' pixels. */
  readonly strokes: readonly Stroke[];
  readonly strokesToRows: Affine;
}

/** A content laid on a grid; what hides parts of it is left aside. */
export interface PlacedContent {
  /** Height of its box on the sheet, mm. */
  readonly height: number;
  /** From the grid's pixels to shares of its box. */
  readonly toBox: Affine;
  /** Pixels of the grid that it may cover. */
  readonly region: Region;
  /** They are screened unless line work is traced from them. */
  readonly tones?: PlacedTones;
  /** Line work in a region, drawn at the grid's own resolution. */
  readonly line?: (region: Region) => LineBits;
  readonly layers?: (region: Region) => Layers;
  readonly cut?: PlacedCut;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** A file that a content is made from. */
export interface ContentFile {
  readonly sha256: string;
  readonly kind: 'picture' | 'drawing' | 'font';
}

/**
 * A kind of content: what an original is made of. Adding one is a file in `contents/` and a line in its `index.ts`, its shapes for vectors
 * (`vector/content-shapes/`), and its controls in the docket.
 */
export interface ContentKind<C extends { readonly kind: string }> {
  readonly kind: C['kind'];
  readonly file: (content: C) => ContentFile | undefined;
  /**
   * Height in mm of its box, `width` mm wide; nothing is ever stretched.
   *
   * @param picture size in pixels of the picture it is made from
   */
  readonly height: (content: C, width: number, picture: Size | undefined) => number;
  /** True when its tones are separated by its route and screened. */
  readonly hasTones: (content: C) => boolean;
  /** True when it may have parts that are never screened. */
  readonly hasLine: (content: C) => boolean;
  /** True when nothing of it is screened. */
  readonly isAllLine: (content: C) => boolean;
  /** True when it has colours for a route to keep. */
  readonly hasColours: (content: C) => boolean;
  /** What is cut out of it, and the content without that. */
  readonly cut?: (content: C) => CutOut | null;
  readonly uncut?: (content: C) => C;
  /** The gradient it is made of, or filled with, over its whole box. */
  readonly gradient?: (content: C) => Gradient | undefined;
  /** @throws MissingMaterial */
  readonly place: (content: C, placing: Placing) => PlacedContent;
  /** Its tones on a grid of at most so many pixels, to count or to look at quickly; undefined where it has none. */
  readonly smallSource: (
    content: C,
    original: OriginalRecipe,
    materials: Materials,
    pixels: number,
  ) => ToneSource | undefined;
}

/** Types a kind of content by what it is made of. */
export const defineContent = <C extends { readonly kind: string }>(kind: ContentKind<C>): ContentKind<C> =>
  kind;

/** Number of halvings that brings so many pixels a grid pixel nearest to one. */
export const halvingsFor = (pixelsPerOutput: number): number =>
  Math.max(0, Math.round(Math.log2(Math.max(1, pixelsPerOutput))));
