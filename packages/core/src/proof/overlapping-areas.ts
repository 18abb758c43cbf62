import { materialsKey } from '../plate/plate-art.ts';
import type { PlatesView } from './plates-view.ts';
import { inkedAreas, type InkedAreas } from './proof.ts';

/** What was made last: rows `first` to `end` of a view. */
interface Made {
  readonly key: string;
  readonly first: number;
  readonly end: number;
  readonly made: InkedAreas;
}

let last: Made | undefined;
/** Memory for what is made last, and for the next; new memory for every part would be expensive. */
let stores = [new Float64Array(0), new Float64Array(0)];

/**
 * What `inkedAreas` gives, for parts of a view that reach into one another: what the last one has of the next is not made again. It is valid
 * until the next one is made.
 */
export function overlappingAreas(request: PlatesView): InkedAreas {
  const { scene, frame, view, rows, plates } = request;
  const key = JSON.stringify([scene.recipe, materialsKey(scene), frame, view, plates]);
  const { columns } = view;
  const old = last;
  // Should anything fail from here on, nothing is left half made.
  last = undefined;
  const first = rows.first;
  const end = first + rows.count;
  const areas = nextAreas(1 << plates.length, columns * rows.count);
  // The rows that are not there yet.
  let [from, to] = [first, end];
  if (old?.key === key) {
    if (old.first <= first && first < old.end && old.end < end) from = old.end;
    else if (first < old.first && old.first < end && end <= old.end) to = old.first;
    if (from > first) copyRows(old, areas, first, first, from, columns);
    if (to < end) copyRows(old, areas, first, to, end, columns);
  }
  const part = areas.map((area) => area.subarray((from - first) * columns, (to - first) * columns));
  part.forEach((area) => area.fill(0));
  const { full } = inkedAreas({ ...request, rows: { first: from, count: to - from } }, part);
  const made = { areas, full };
  last = { key, first, end, made };
  return made;
}

/** Areas of so many sets, empty for no plates, in the memory that is not in use. */
function nextAreas(sets: number, count: number): Float64Array[] {
  stores = stores.reverse();
  if (stores[0].length < (sets - 1) * count) stores[0] = new Float64Array((sets - 1) * count);
  return Array.from({ length: sets }, (_, set) =>
    stores[0].subarray(Math.max(0, set - 1) * count, set * count),
  );
}

/** Copies rows of a view from what was made last to areas that begin with row `top`. */
function copyRows(
  { made, first }: Made,
  areas: InkedAreas['areas'],
  top: number,
  from: number,
  to: number,
  columns: number,
): void {
  for (let set = 1; set < areas.length; set++) {
    const rows = made.areas[set].subarray((from - first) * columns, (to - first) * columns);
    areas[set].set(rows, (from - top) * columns);
  }
}
