import type { PlacedOriginal } from '../../original/place-original.ts';
import type { Content } from '../../recipe/recipe.ts';
import { shared, type Area } from '../../path/area.ts';
import { flat, type LineShape } from '../line-shape.ts';
import { containerArea } from '../original-areas.ts';
import type { Units } from '../units.ts';
import type { ContentShapes } from './content-shapes.ts';
import { drawingShapes } from './drawing.ts';
import { letteringShapes } from './lettering.ts';
import { pictureShapes } from './picture.ts';

/** Every kind of content as geometry; gradients and tints have no edges of their own. */
const SHAPES: { readonly [Kind in Content['kind']]: ContentShapes<Extract<Content, { kind: Kind }>> } = {
  picture: pictureShapes,
  drawing: drawingShapes,
  gradient: { line: () => [] },
  tint: { line: () => [] },
  lettering: letteringShapes,
};

const shapesOf = ({ kind }: Content): ContentShapes<Content> => SHAPES[kind] as ContentShapes<Content>;

/** An original's line work, the lowest first, cut to its container. */
export function lineShapes(placed: PlacedOriginal, units: Units): LineShape[] {
  const { content } = placed.original;
  const shapes = shapesOf(content).line(content, placed, units);
  const held = containerArea(placed, units);
  return held ? shapes.map(({ area, ink }) => flat(shared(area, held), ink)) : shapes;
}

/** Where the screened parts of what has no tones of its own are seen, cut to its container. */
export function screenedArea(placed: PlacedOriginal, units: Units): Area | undefined {
  const { content } = placed.original;
  const area = shapesOf(content).screened?.(content, placed, units);
  const held = area && containerArea(placed, units);
  return held ? shared(area, held) : area;
}
