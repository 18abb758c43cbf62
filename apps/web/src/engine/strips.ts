import type { View, ViewRows } from '@brachytone/core';

/** Most film pixels in one strip: little enough that a newer draft never waits long. */
const MOST_PIXELS = 8e6;
/** The same for what is patient: it holds up even less. */
const MOST_PATIENT_PIXELS = 1e6;
/** A view is cut in as many strips, but none is of fewer film pixels and rows for that. */
const EVEN = { strips: 24, pixels: 2e6, rows: 16 };
/** Strips at either end of a view that stay as they are: a hand that moves on finds the workers free. */
const NARROW = 2;
/** Strips between those that are drawn as one: each costs the page, and the rows around it, once more. */
const TOGETHER = 2;

/**
 * Rows of a view in strips that are drawn exactly one after another, from the top down and from the foot up: of a limited size, the first and the
 * last of each half smaller than the rest, so that two workers end at about the same time.
 */
export function stripsOf({ width, height, rows }: View, patient: boolean): ViewRows[] {
  const pixels = width * height;
  const even = Math.floor(Math.min(EVEN.strips, pixels / EVEN.pixels, rows / EVEN.rows));
  const fewest = Math.ceil(pixels / (patient ? MOST_PATIENT_PIXELS : MOST_PIXELS));
  const count = Math.min(rows, Math.max(1, even, fewest));
  const upper = patient ? Array<number>(count).fill(1) : togetherOf(Math.ceil(count / 2));
  const lower = patient ? [] : togetherOf(Math.floor(count / 2)).toReversed();
  let at = 0;
  return [...upper, ...lower].map((size) => {
    const first = Math.floor((at * rows) / count);
    at += size;
    return { first, count: Math.floor((at * rows) / count) - first };
  });
}

/** Sizes of strips from an end of a view to its middle, in strips of the even cut. */
function togetherOf(count: number): number[] {
  const sizes: number[] = [];
  for (let left = count; left > 0; left -= sizes[sizes.length - 1])
    sizes.push(sizes.length < NARROW || left < NARROW + TOGETHER ? 1 : TOGETHER);
  return sizes;
}
