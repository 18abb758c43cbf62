let share = 1;

/**
 * Makes do with a share of the bytes that caches may keep, 0–1: for threads that make whole films from top to bottom and
 * come back to little.
 */
export function setCacheShare(of: number): void {
  share = of;
}

/**
 * A cache that keeps the values asked for most lately, at most `limit` of them.
 *
 * @returns a function that gives the value kept under the key, or makes and keeps it
 */
export const recentOnly = <Value>(limit: number): ((key: string, make: () => Value) => Value) =>
  recent<Value>(
    limit,
    () => 1,
    () => 1,
  );

/**
 * The same, at most so many bytes of them by their own size.
 *
 * @param gone is told of each value that is kept no longer
 */
export const recentBytes = <Value>(
  limit: number,
  sizeOf: (value: Value) => number,
  gone?: (value: Value) => void,
): ((key: string, make: () => Value) => Value) => recent(limit, sizeOf, () => share, gone);

function recent<Value>(
  limit: number,
  sizeOf: (value: Value) => number,
  scale: () => number,
  gone?: (value: Value) => void,
): (key: string, make: () => Value) => Value {
  const kept = new Map<string, Value>();
  let size = 0;
  return (key, make) => {
    let value = kept.get(key);
    if (value === undefined) size += sizeOf((value = make()));
    kept.delete(key);
    kept.set(key, value);
    for (const [oldest, old] of kept) {
      if (size <= limit * scale() || kept.size === 1) break;
      kept.delete(oldest);
      size -= sizeOf(old);
      gone?.(old);
    }
    return value;
  };
}
