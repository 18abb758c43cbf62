import { areaPaths } from 'clipper2-ts';
import fc from 'fast-check';
import { cutTo, rectangle, type Area } from './area.ts';

const BOX = { left: 0, top: 0, right: 1000, foot: 700 };
/** Units from an outline that a point is asked at, at least: what is cut is in whole units. */
const OFF = 2;

/** A ring of points about a middle, each at a distance of its own, clockwise or the other way, on a grid of so many units. */
const ringOf = (
  [x0, y0]: readonly [number, number],
  distances: readonly number[],
  way: 1 | -1,
  grid: number,
): Area[number] =>
  distances.map((distance, k) => {
    const angle = (way * k * 2 * Math.PI) / distances.length;
    return {
      x: Math.round((x0 + distance * Math.cos(angle)) / grid) * grid,
      y: Math.round((y0 + distance * Math.sin(angle)) / grid) * grid,
    };
  });

const place = fc.integer({ min: -300, max: 1300 });
const distances = fc.array(fc.integer({ min: 20, max: 400 }), { minLength: 3, maxLength: 30 });
/** Rings, some with others inside them; on the coarse grid points and edges lie on the box's edge and on one another. */
const rings = fc
  .tuple(
    fc.array(fc.tuple(fc.tuple(place, place), distances, fc.boolean()), { minLength: 1, maxLength: 6 }),
    fc.constantFrom(1, 50),
  )
  .map(([all, grid]) =>
    all.flatMap(([middle, around, isHollow]) => [
      ringOf(middle, around, 1, grid),
      ...(isHollow
        ? [
            ringOf(
              middle,
              around.map((one) => one / 2),
              -1,
              grid,
            ),
          ]
        : []),
    ]),
  );

const edges = (polygons: Area) =>
  polygons.flatMap((path) => path.map((b, i) => [path.at(i - 1)!, b] as const));

/** Whether a point lies in polygons by how many edges are to its left. */
const isIn = (polygons: Area, x: number, y: number): boolean =>
  edges(polygons).filter(
    ([a, b]) => a.y <= y !== b.y <= y && a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y) < x,
  ).length %
    2 ===
  1;

/** How far a point is from the nearest edge. */
const distanceTo = (polygons: Area, x: number, y: number): number =>
  Math.min(
    ...edges(polygons).map(([a, b]) => {
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const length = dx * dx + dy * dy;
      const share = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / length));
      return Math.hypot(a.x + share * dx - x, a.y + share * dy - y);
    }),
  );

it('cut to a box, polygons leave what they have in common with it, even-odd', () => {
  const asked = fc.array(fc.tuple(fc.nat(999), fc.nat(699)), { minLength: 20, maxLength: 20 });
  fc.assert(
    fc.property(rings, asked, (polygons, points) => {
      const cut = cutTo(polygons, rectangle(BOX));
      for (const { x, y } of cut.flat()) expect(x >= 0 && x <= 1000 && y >= 0 && y <= 700).toBe(true);
      for (const [left, top] of points) {
        const [x, y] = [left + 0.4, top + 0.3];
        if (distanceTo([...polygons, ...rectangle(BOX)], x, y) > OFF)
          expect(isIn(cut, x, y)).toBe(isIn(polygons, x, y));
      }
    }),
    { numRuns: 500, seed: 4 },
  );
});

it('points on the box’s edge take nothing away', () => {
  // Its one corner in the box is a triangle of 30 by 40.
  const triangle = [
    { x: 30, y: 0 },
    { x: -100, y: 174 },
    { x: -10, y: -17 },
  ];
  const left = Math.abs(areaPaths(cutTo([triangle], rectangle(BOX))));
  // But for half a unit along its sides.
  expect(Math.abs(left - 600)).toBeLessThan(35);
});

it('cut to what is no box, they leave what they have in common with that', () => {
  const [square] = rectangle({ left: 0, top: 0, right: 100, foot: 100 });
  const corner = [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 0, y: 100 },
  ];
  expect(areaPaths(cutTo([square], [corner]))).toBe(5000);
  expect(cutTo([], [square])).toEqual([]);
  expect(cutTo([square], [])).toEqual([]);
});
