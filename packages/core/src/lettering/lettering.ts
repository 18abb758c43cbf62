import type { Gradient } from '../gradient/gradient.ts';
import { numberOf } from '../base/identity.ts';
import { mapContour, type Contour } from '../path/contour.ts';
import { moved } from '../raster/affine.ts';
import { cache } from '../base/cache.ts';
import type { Typeface } from './typeface.ts';

/** What a line along letters does: prints solid, or leaves bare what lies under it. */
export type EdgePaint = 'solid' | 'bare';

/** Lettering, kept as text. Lengths are mm on the sheet; its size follows from the width of its box. */
export interface Lettering {
  readonly kind: 'lettering';
  /** Lines parted by line feeds. */
  readonly text: string;
  /** SHA-256 of the typeface's file. */
  readonly font: string;
  /** Height of its box over its width. */
  readonly ratio: number;
  readonly align: 'left' | 'centre' | 'right';
  /** Space added between letters, percent of an em. */
  readonly tracking: number;
  /** From baseline to baseline, percent of an em. */
  readonly leading: number;
  readonly fill: 'solid' | 'gradient' | 'bare' | 'none';
  /** Runs over the whole box; used when the fill says so. */
  readonly gradient: Gradient;
  /** A line around the letters, outside their edge; width 0 for none. */
  readonly outline: { readonly width: number; readonly paint: EdgePaint };
  /** A line along the letters inside their edge, which keeps a screened fill legible; width 0 for none. */
  readonly inner: { readonly width: number; readonly paint: EdgePaint };
  /** A soft dark or light glow around the letters, screened; strength in percent, 0 for none. */
  readonly glow: { readonly reach: number; readonly strength: number; readonly paint: EdgePaint };
}

/** Letters laid out in lines, in em, in a box whose left top corner is (0, 0). */
export interface LetteringOutline {
  readonly width: number;
  readonly height: number;
  readonly contours: readonly Contour[];
}

type Layout = Pick<Lettering, 'text' | 'align' | 'tracking' | 'leading'>;

const recentOutlines = cache<LetteringOutline>('letter outlines');

/** Lays lettering out. A text of nothing but spaces has a box one em wide and no contours. */
export function outlineLettering(
  { text, align, tracking, leading }: Layout,
  face: Typeface,
): LetteringOutline {
  return recentOutlines(JSON.stringify([numberOf(face), text, align, tracking, leading]), () => {
    const lines = text.split('\n').map((line) => face.line(line, tracking / 100));
    const width = Math.max(...lines.map((line) => line.width)) || 1;
    const step = leading / 100;
    const free = { left: 0, centre: 0.5, right: 1 }[align];
    return {
      width,
      height: face.ascent + face.descent + (lines.length - 1) * step,
      contours: lines.flatMap((line, i) => {
        const to = moved((width - line.width) * free, face.ascent + i * step);
        return line.contours.map((contour) => mapContour(contour, to));
      }),
    };
  });
}

/** The size of lettering, mm of an em, from the width of its box (mm). */
export const letteringSize = (layout: Layout, face: Typeface, width: number): number =>
  width / outlineLettering(layout, face).width;

/** How far lettering reaches beyond its box, mm. */
export const letteringReach = ({ outline, glow }: Lettering): number =>
  Math.max(outline.width, glow.strength > 0 ? outline.width + glow.reach * 1.5 : 0);
