import type { Affine } from '../raster/affine.ts';
import type { Rows } from '../raster/rows.ts';
import { areaOfPolygons, type Area } from '../path/area.ts';
import { levelPath, markInk } from './level-path.ts';
import type { PathData } from './path-data.ts';

/** Outlines found in a picture stray from its tones by no more than so many of its pixels. */
const STRAYS = 0.05;

/** Where rows reach a level, sent through a map to units. */
export function levelArea(
  rows: Rows,
  least: number,
  hidden: ((y: number) => Uint16Array) | undefined,
  map: Affine,
): Area {
  const polygons: { points: Float64Array; closed: boolean }[] = [];
  levelPath(
    {
      edge: 0.5,
      width: rows.width,
      height: rows.height,
      row(y, line) {
        const out = line.values;
        const tones = rows.row(y);
        const opaque = hidden?.(y);
        for (let x = 0; x < out.length; x++) {
          out[x] = tones[x] - least + 0.5;
          if (opaque) out[x] = Math.min(out[x], opaque[x] - 32767.5);
        }
        markInk(line);
      },
    },
    map,
    STRAYS,
    polygonsInto(polygons),
  );
  return areaOfPolygons(polygons, 'evenodd');
}

/** A path that gathers its outlines. */
function polygonsInto(polygons: { points: Float64Array; closed: boolean }[]): PathData {
  let points: number[] = [];
  const add = (x: number, y: number) => void points.push(x, y);
  const never = () => {
    throw new TypeError('Outlines of tones have straight pieces alone.');
  };
  return {
    move(x, y) {
      points = [];
      add(x, y);
    },
    line: add,
    arc: never,
    curve: never,
    close: () => void polygons.push({ points: Float64Array.from(points), closed: true }),
    text: never,
  };
}
