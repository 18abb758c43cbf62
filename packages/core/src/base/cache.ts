import { LRUCache } from 'lru-cache';
import { PIXEL_BUDGETS, TABLE_BUDGETS, type CacheName } from './cache-budgets.ts';

let share = 1;

/**
 * Makes do with a share of the bytes that bands and pixels may take up in caches, 0–1: for threads that make whole films from top to
 * bottom and come back to little. To be said before anything is made.
 */
export function setCacheShare(of: number): void {
  share = of;
}

const emptied: (() => void)[] = [];

/** Lets go of the bands and pixels that caches hold, where other pictures follow. Tables and thresholds stay. */
export function emptyPixelCaches(): void {
  for (const empty of emptied) empty();
}

/** Bytes that a cache may hold. */
export const cacheBytes = (name: CacheName): number =>
  Math.floor(2 ** 20 * (isPixels(name) ? PIXEL_BUDGETS[name] * share : TABLE_BUDGETS[name]));

const isPixels = (name: CacheName): name is keyof typeof PIXEL_BUDGETS => name in PIXEL_BUDGETS;

/** Bytes of a value without arrays of numbers in it. */
const LEAST_BYTES = 256;
/** Levels of objects within objects that are looked into. */
const DEPTH = 4;

/** About how many bytes a value takes up: its arrays of numbers, wherever they lie in it, and a little for the rest. */
export function bytesOf(value: unknown, depth = DEPTH): number {
  if (typeof value !== 'object' || value === null) return 8;
  if (ArrayBuffer.isView(value)) return value.byteLength;
  let bytes = LEAST_BYTES;
  if (depth > 0) for (const inner of Object.values(value)) bytes += bytesOf(inner, depth - 1);
  return bytes;
}

/**
 * A cache of values by their keys, those asked for longest ago dropped first when its budget is used up. A value larger than the whole
 * budget is kept all the same while it is the one asked for last: it may take minutes to make.
 *
 * @param name    of its budget
 * @param sizeOf  bytes of a value
 * @param dropped is told of each value that is kept no longer
 * @returns a function that gives the value kept under a key, or makes and keeps it
 */
export function cache<Value extends object | number>(
  name: CacheName,
  sizeOf: (value: Value) => number = bytesOf,
  dropped?: (value: Value) => void,
): (key: string, make: () => Value) => Value {
  let kept: LRUCache<string, Value> | undefined;
  let large: { readonly key: string; readonly value: Value } | undefined;
  const dropLarge = (): void => {
    if (large) dropped?.(large.value);
    large = undefined;
  };
  if (isPixels(name))
    emptied.push(() => {
      dropLarge();
      kept?.clear();
    });
  return (key, make) => {
    if (large?.key === key) return large.value;
    // The share is only known once the thread has begun its work.
    kept ??= new LRUCache<string, Value>({
      maxSize: Math.max(1, cacheBytes(name)),
      ...(dropped ? { dispose: (value: Value) => dropped(value) } : {}),
    });
    const found = kept.get(key);
    if (found !== undefined) return found;
    const value = make();
    dropLarge();
    const size = Math.max(1, Math.ceil(sizeOf(value)));
    if (size > kept.maxSize) large = { key, value };
    else kept.set(key, value, { size });
    return value;
  };
}
