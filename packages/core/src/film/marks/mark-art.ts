import type { Shape } from '../../drawing/drawing.ts';
import type { Contour } from '../../path/contour.ts';
import { mapContour } from '../../path/contour.ts';
import { after, moved, scaled } from '../../raster/affine.ts';
import { outlineLettering } from '../../lettering/lettering.ts';
import type { Typeface } from '../../lettering/typeface.ts';

/** A rectangle in mm. */
export interface MmBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A field of one tone in the plate's screen. */
export interface MarkPatch {
  readonly box: MmBox;
  /** Share of the film that its dots ink, 0–1. */
  readonly tone: number;
}

/** Marks of one plate: line art, and fields to be screened. Places are mm from the trimmed sheet's left top corner. */
export interface MarkArt {
  readonly shapes: readonly Shape[];
  readonly patches: readonly MarkPatch[];
}

export const NO_ART: MarkArt = { shapes: [], patches: [] };

export const joined = (parts: readonly MarkArt[]): MarkArt => ({
  shapes: parts.flatMap(({ shapes }) => shapes),
  patches: parts.flatMap(({ patches }) => patches),
});

export const lineArt = (...shapes: Shape[]): MarkArt => ({ shapes, patches: [] });

const filled = (contours: readonly Contour[]): Shape => ({ contours, rule: 'nonzero', ink: true, clips: [] });

/** A filled rectangle. */
export const bar = ({ x, y, width, height }: MmBox): Shape =>
  filled([
    {
      start: [x, y],
      parts: [
        [x + width, y],
        [x + width, y + height],
        [x, y + height],
      ],
      closed: true,
    },
  ]);

/** An upright or level line by its middle line. */
export function rule(x0: number, y0: number, x1: number, y1: number, weight: number): Shape {
  const half = weight / 2;
  return x0 === x1
    ? bar({ x: x0 - half, y: Math.min(y0, y1), width: weight, height: Math.abs(y1 - y0) })
    : bar({ x: Math.min(x0, x1), y: y0 - half, width: Math.abs(x1 - x0), height: weight });
}

/** A circle's quarter as a Bézier curve: its control points lie so far along the tangents (strays by 0.03 % of the radius). */
const QUARTER = 0.5522847498;

/** A circle drawn as a line. */
export function circle(x: number, y: number, radius: number, weight: number): Shape {
  const [r, k] = [radius, radius * QUARTER];
  return {
    ...filled([
      {
        start: [x + r, y],
        parts: [
          [x + r, y + k, x + k, y + r, x, y + r],
          [x - k, y + r, x - r, y + k, x - r, y],
          [x - r, y - k, x - k, y - r, x, y - r],
          [x + k, y - r, x + r, y - k, x + r, y],
        ],
        closed: true,
      },
    ]),
    stroke: { width: weight, cap: 'butt', join: 'round', miterLimit: 4, dashes: [], dashOffset: 0 },
  };
}

/** How a line of text stands. */
export interface TextPlace {
  /** Left end, or its middle, of the line. */
  readonly x: number;
  /** Top of the line. */
  readonly y: number;
  /** Size of an em, mm. */
  readonly size: number;
  /** Width it may have: longer text is set smaller. */
  readonly width: number;
  readonly align?: 'left' | 'centre';
}

/** A line of text as outlines. */
export function text(face: Typeface, line: string, { x, y, size, width, align = 'left' }: TextPlace): Shape {
  const outline = outlineLettering({ text: line, align: 'left', tracking: 0, leading: 100 }, face);
  const em = Math.min(size, width / outline.width);
  const left = align === 'left' ? x : x - (outline.width * em) / 2;
  const map = after(scaled(em), moved(left, y + (size - em) / 2));
  return filled(outline.contours.map((contour) => mapContour(contour, map)));
}
