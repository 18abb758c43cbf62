import { present } from '../base/present.ts';
import type { Plane } from './plane.ts';
import { recycle, scratchPlane } from './scratch.ts';
import { addressOf, BANDS, BANDS_BYTES, pixelsAt } from '../kernel/memory.ts';

/** Room that kernels may write to beyond a plane's last pixel. */
const BEYOND = 16;

/** A free part of the memory for bands. */
interface Gap {
  start: number;
  end: number;
}

/** In order. */
const gaps: Gap[] = [{ start: BANDS, end: BANDS + BANDS_BYTES }];
/** Bytes of each plane that lies there, by its address. */
const taken = new Map<number, number>();

/** Planes that nobody keeps any longer, but the work going on may still hold. */
let retired: Plane[] = [];
/** True while it is said when a piece of work ends. */
let isTold = false;

/**
 * A plane for a band of rows that is kept for a while: in the kernels' own memory, where they read and write it without a copy, as long as
 * there is room and it is said when the work ends; else anywhere. What is in it is left from before. When it is kept no longer it is
 * to be retired.
 */
export function bandPlane(width: number, height: number): Plane {
  const bytes = (2 * width * height + BEYOND + 63) & ~63;
  const gap = isTold ? gaps.find(({ start, end }) => end - start >= bytes) : undefined;
  if (!gap) return scratchPlane(width, height);
  const { start } = gap;
  gap.start += bytes;
  if (gap.start === gap.end) gaps.splice(gaps.indexOf(gap), 1);
  taken.set(start, bytes);
  return { width, height, data: pixelsAt(start, width * height) };
}

/** Has a plane's memory used again once the work going on has ended. */
export function releaseBand(plane: Plane): void {
  if (isTold || addressOf(plane.data) !== undefined) retired.push(plane);
}

/**
 * Says that a piece of work has ended, and holds on to no rows any more. Threads that say so before each piece have the memory of what
 * they made for earlier ones used again.
 */
export function beginTask(): void {
  freeRetired();
  isTold = true;
}

/** Says that the last piece of work has ended, and that none is told of from now on. */
export function endTasks(): void {
  freeRetired();
  isTold = false;
}

function freeRetired(): void {
  for (const plane of retired) {
    const start = addressOf(plane.data);
    if (start === undefined) recycle(plane);
    else free(start);
  }
  retired = [];
}

/** Makes a gap of a part, together with gaps beside it. */
function free(start: number): void {
  const bytes = present(taken.get(start), 'part that is to be freed');
  taken.delete(start);
  let at = gaps.findIndex((gap) => gap.start > start);
  if (at < 0) at = gaps.length;
  gaps.splice(at, 0, { start, end: start + bytes });
  for (const i of [at, at - 1]) {
    if (i < 0 || gaps[i].end !== gaps[i + 1]?.start) continue;
    gaps[i].end = gaps[i + 1].end;
    gaps.splice(i + 1, 1);
  }
}
