import {
  area as signedArea,
  booleanOp,
  ClipType,
  EndType,
  FillRule as Rule,
  inflatePaths,
  JoinType,
  rectClip,
  type Paths64,
} from 'clipper2-ts';
import { clamp } from '../base/numbers.ts';
import { mapPoint, type Affine } from '../raster/affine.ts';
import { flatten, type Contour, type Polyline } from './contour.ts';
import type { FillRule } from './fill.ts';

/**
 * Hard-edged parts of the sheet as polygons of whole units of a path. They cross neither themselves nor one another, and holes turn
 * the other way.
 */
export type Area = Paths64;

const rule = (name: FillRule): Rule => (name === 'evenodd' ? Rule.EvenOdd : Rule.NonZero);

const onUnits = ({ points }: Polyline): Paths64[number] =>
  Array.from({ length: points.length / 2 }, (_, i) => ({
    x: Math.round(points[2 * i]),
    y: Math.round(points[2 * i + 1]),
  }));

/** What polygons enclose; their points are in units of the path. */
export const areaOfPolygons = (polygons: readonly Polyline[], fill: FillRule): Area =>
  booleanOp(ClipType.Union, polygons.map(onUnits), null, rule(fill));

/**
 * What contours enclose; their points are in units of the path.
 *
 * @param tolerance units that curves may stray from the polygons made of them
 */
export const areaOfContours = (contours: readonly Contour[], fill: FillRule, tolerance: number): Area =>
  areaOfPolygons(
    contours.map((contour) => flatten(contour, tolerance)),
    fill,
  );

/** An area whose edge is moved out by a distance, round about corners; in, below 0. */
export const grown = (area: Area, by: number, tolerance: number): Area =>
  by === 0 || area.length === 0
    ? area
    : inflatePaths(area, by, JoinType.Round, EndType.Polygon, 2, tolerance);

/** What lies in either. */
export const united = (a: Area, b: Area): Area =>
  a.length === 0 || b.length === 0 ? [...a, ...b] : booleanOp(ClipType.Union, a, b, Rule.NonZero);

/** What lies in any of several areas that are in one list. */
export const allUnited = (areas: Area): Area =>
  areas.length === 0 ? [] : booleanOp(ClipType.Union, areas, null, Rule.NonZero);

/** What lies in both. */
export const shared = (a: Area, b: Area): Area =>
  a.length === 0 || b.length === 0 ? [] : booleanOp(ClipType.Intersection, a, b, Rule.NonZero);

/** What lies in the first alone. */
export const without = (a: Area, b: Area): Area =>
  a.length === 0 || b.length === 0 ? a : booleanOp(ClipType.Difference, a, b, Rule.NonZero);

/** What polygons with holes, or within one another, leave of themselves in an area: even-odd. */
export function cutTo(polygons: Paths64, area: Area): Paths64 {
  if (polygons.length === 0 || area.length === 0) return [];
  const box = uprightBox(area);
  return box ? cutToBox(polygons, box) : booleanOp(ClipType.Intersection, polygons, area, Rule.EvenOdd);
}

/** Polygons cut to a box, each by itself, in a small part of the time: what is even-odd of them stays so. */
function cutToBox(polygons: Paths64, { left, top, right, foot }: Box): Paths64 {
  // The library loses parts of polygons whose points lie on the box's edge: on that of one half a unit wider none do.
  const wide = { left: 2 * left - 1, top: 2 * top - 1, right: 2 * right + 1, bottom: 2 * foot + 1 };
  const doubled = polygons.map((path) => path.map(({ x, y }) => ({ x: 2 * x, y: 2 * y })));
  return rectClip(wide, doubled).map((path) =>
    path.map(({ x, y }) => ({
      x: clamp(Math.round(x / 2), left, right),
      y: clamp(Math.round(y / 2), top, foot),
    })),
  );
}

/** The box that an area is; undefined for one of another shape. */
function uprightBox(area: Area): Box | undefined {
  const box = boxOf(area);
  const isBox =
    box !== undefined &&
    area.length === 1 &&
    area[0].length === 4 &&
    Object.values(box).every(Number.isInteger) &&
    area[0].every(({ x, y }) => (x === box.left || x === box.right) && (y === box.top || y === box.foot)) &&
    sizeOf(area[0]) === (box.right - box.left) * (box.foot - box.top);
  return isBox ? box : undefined;
}

/** An area sent through a map, to points that need not be whole. */
export const mapArea = (area: Area, map: Affine): Area =>
  area.map((path) => path.map(({ x, y }) => mapPoint(map, x, y)));

/** Square units that a polygon without holes encloses. */
export const sizeOf = (path: Area[number]): number => Math.abs(signedArea(path));

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly foot: number;
}

export const rectangle = ({ left, top, right, foot }: Box): Area => [
  [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: foot },
    { x: left, y: foot },
  ],
];

/** The box around an area; undefined for an empty one. */
export function boxOf(area: Area): Box | undefined {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const path of area) {
    for (const { x, y } of path) {
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > foot) foot = y;
    }
  }
  return left <= right ? { left, top, right, foot } : undefined;
}

export const boxesMeet = (a: Box, b: Box): boolean =>
  a.left <= b.right && b.left <= a.right && a.top <= b.foot && b.top <= a.foot;

/** True when a point lies in an area (by the winding of its outlines). */
export function holds(area: Area, x: number, y: number): boolean {
  let winding = 0;
  for (const path of area) {
    for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
      const a = path[j];
      const b = path[i];
      if (a.y <= y === b.y <= y) continue;
      const side = (b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y);
      if (b.y > a.y ? side > 0 : side < 0) winding += b.y > a.y ? 1 : -1;
    }
  }
  return winding !== 0;
}
