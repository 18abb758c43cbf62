import type { Frame } from '../raster/frame.ts';
import { thingsOf } from './plate-art.ts';
import { inkedAreas, type InkedAreas, type View, type ViewRows } from './proof.ts';
import type { Scene } from './scene.ts';

/** What was made last: rows `first` to `end` of a view. */
interface Made extends InkedAreas {
  readonly key: string;
  readonly first: number;
  readonly end: number;
}

let last: Made | undefined;

/** What `inkedAreas` gives, for parts of a view that reach into one another: what the last one has of the next is not made again. */
export function overlappingAreas(
  scene: Scene,
  frame: Frame,
  view: View,
  rows: ViewRows,
  plates: readonly number[],
): InkedAreas {
  const key = JSON.stringify([scene.recipe, thingsOf(scene), frame, view, plates]);
  const first = rows.first;
  const end = first + rows.count;
  const make = (from: number, to: number): InkedAreas =>
    inkedAreas(scene, frame, view, { first: from, count: to - from }, plates);
  const old = last?.key === key ? last : undefined;
  let made: InkedAreas;
  if (old && old.first <= first && first < old.end && old.end < end)
    made = joined(cut(old, first, old.end, view.columns), make(old.end, end));
  else if (old && first < old.first && old.first < end && end <= old.end)
    made = joined(make(first, old.first), cut(old, old.first, end, view.columns));
  else made = make(first, end);
  last = { ...made, key, first, end };
  return made;
}

/** Some rows of those that were made. */
const cut = ({ areas, full, first }: Made, from: number, to: number, columns: number): InkedAreas => ({
  areas: areas.map((area) => area?.subarray((from - first) * columns, (to - first) * columns)),
  full,
});

/** Rows and those below them. */
const joined = (upper: InkedAreas, lower: InkedAreas): InkedAreas => ({
  areas: upper.areas.map((area, set) => {
    if (!area) return undefined;
    const whole = new Float64Array(area.length + lower.areas[set]!.length);
    whole.set(area);
    whole.set(lower.areas[set]!, area.length);
    return whole;
  }),
  full: upper.full,
});
