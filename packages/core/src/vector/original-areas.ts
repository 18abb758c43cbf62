import type { PlacedOriginal } from '../original/place-original.ts';
import { containerDrawing, containerOutlines } from '../original/mask/container.ts';
import { mapContour } from '../path/contour.ts';
import { after, inverse, mapPoint, scaled, type Affine } from '../raster/affine.ts';
import { HALF } from '../raster/plane.ts';
import { cutRows, rowsOf } from '../raster/rows.ts';
import { paintStroke } from '../tone/paint-stroke.ts';
import { gridToBox } from '../original/placed.ts';
import { areaOfContours, areaOfPolygons, grown, united, type Area } from '../path/area.ts';
import { levelArea } from './level-area.ts';
import type { Units } from './units.ts';

/** From units to shares of an original's box. */
export const boxMap = ({ original, height }: PlacedOriginal, units: Units): Affine =>
  gridToBox(original, height, units.frame);

/** What an original's own box covers. */
export function boxArea(placed: PlacedOriginal, units: Units): Area {
  const toUnits = inverse(boxMap(placed, units));
  const corners = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([x, y]) => mapPoint(toUnits, x, y));
  return areaOfPolygons(
    [{ closed: true, points: Float64Array.from(corners.flatMap(({ x, y }) => [x, y])) }],
    'nonzero',
  );
}

/** What an original's container holds, its margin with it; undefined when it has none. */
export function containerArea(placed: PlacedOriginal, units: Units): Area | undefined {
  const { original, materials, height } = placed;
  const { container, placement } = original;
  if (!container) return undefined;
  const drawing = containerDrawing(original, materials);
  const toUnits = inverse(boxMap(placed, units));
  const whole = containerOutlines(container, drawing, height / placement.width, placement.width)
    .map(({ contours, rule }) =>
      areaOfContours(
        contours.map((one) => mapContour(one, toUnits)),
        rule,
        units.tolerance,
      ),
    )
    .reduce<Area>((a, b) => united(a, b), []);
  return grown(whole, container.margin * units.perMm, units.tolerance);
}

/** From pixels of the film, on whose grid originals are placed, to units. */
export const filmToUnits = (units: Units): Affine => scaled(units.frame.resolution / units.film.resolution);

/** What a cut-out leaves of an original, its edge taken as hard; undefined when nothing is cut out of it. */
export function cutArea({ cut }: PlacedOriginal, units: Units): Area | undefined {
  if (!cut) return undefined;
  const { rows, toRows, strokes, strokesToRows } = cut;
  const plane = cutRows(rows, { x: 0, y: 0, width: rows.width, height: rows.height });
  for (const stroke of strokes) paintStroke(plane, stroke, strokesToRows);
  return levelArea(rowsOf(plane), HALF, undefined, after(inverse(toRows), filmToUnits(units)));
}
