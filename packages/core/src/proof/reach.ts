import { difference2000 } from '../colour/difference.ts';
import { predict } from '../ink/model.ts';
import { createPlane, SOLID } from '../raster/plane.ts';
import { readInto } from '../raster/read-rows.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { cache } from '../base/cache.ts';
import { placeOriginal } from '../original/place-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import type { Frame } from '../raster/frame.ts';
import { toTones, type ToneSource } from '../tone/tone-rows.ts';
import { channelRows } from '../separation/channel-rows.ts';
import { makeGrid, readGrid, type Grid } from '../separation/grid.ts';
import type { RouteModel } from '../separation/route.ts';
import type { Route } from '../separation/routes/index.ts';
import { targetOf } from '../separation/target.ts';

const recentErrors = cache<Grid>('reach errors');

/** CIEDE2000 between what colours should print as and what their inks are predicted to give, on the grid of a route's table. */
function reachGrid(route: Route, { model, limit, table: tableOf }: RouteModel): Grid {
  return recentErrors(JSON.stringify([route, model.n, [...model.primaries]]), () => {
    const { size, inks, data } = tableOf(true);
    const target = targetOf(model, limit / 100);
    let at = 0;
    return makeGrid(size, 1, ([r, g, b], out) => {
      const amounts = Array.from(data.subarray(at, at + inks), (one) => one / SOLID);
      at += inks;
      out[0] = difference2000(predict(model, amounts), target(1 - r, 1 - g, 1 - b));
    });
  });
}

/**
 * How far off an original's colours come out in its inks, CIEDE2000, in a region of a grid; −1 where it does not lie.
 */
export function reachErrors(
  original: OriginalRecipe,
  model: RouteModel,
  materials: Materials,
  frame: Frame,
  region: Region,
): Float32Array {
  const out = new Float32Array(region.width * region.height).fill(-1);
  const { region: box, tones } = placeOriginal({ original, materials, frame });
  const part = intersect(box, region);
  if (!tones || isEmpty(part)) return out;
  const { toSource, source } = tones;
  const grid = reachGrid(original.route, model);
  const channels = [0, 1, 2].map((k) => {
    const rows = channelRows(source, original.tone, k);
    const plane = createPlane(part.width, part.height);
    readInto(rows, toTones(toSource, source, rows), part, plane);
    return plane.data;
  });
  const found = new Float64Array(1);
  for (let y = 0, i = 0; y < part.height; y++) {
    for (let x = 0; x < part.width; x++, i++) {
      readGrid(
        grid,
        channels.map((data) => data[i] / SOLID),
        found,
      );
      out[(part.y - region.y + y) * region.width + part.x - region.x + x] = found[0];
    }
  }
  return out;
}

/** Mean and the worst twentieth of how far off a source's colours come out, CIEDE2000. */
export function reachSummary(
  source: ToneSource,
  original: OriginalRecipe,
  model: RouteModel,
): { mean: number; most: number } {
  const grid = reachGrid(original.route, model);
  const channels = [0, 1, 2].map((k) => channelRows(source, original.tone, k));
  const errors: number[] = [];
  const found = new Float64Array(1);
  for (let y = 0; y < source.height; y++) {
    const rows = channels.map(({ row }) => row(y));
    for (let x = 0; x < source.width; x++) {
      readGrid(
        grid,
        rows.map((row) => row[x] / SOLID),
        found,
      );
      errors.push(found[0]);
    }
  }
  errors.sort((a, b) => a - b);
  return {
    mean: errors.reduce((sum, one) => sum + one, 0) / errors.length,
    most: errors[Math.floor(errors.length * 0.95)],
  };
}
