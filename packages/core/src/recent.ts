/**
 * A cache that keeps the values asked for most lately, at most `limit` of them.
 *
 * @returns a function that gives the value kept under the key, or makes and keeps it
 */
export const recentOnly = <Value>(limit: number): ((key: string, make: () => Value) => Value) =>
  recentBytes<Value>(limit, () => 1);

/** The same, at most so many bytes of them by their own size. */
export function recentBytes<Value>(
  limit: number,
  sizeOf: (value: Value) => number,
): (key: string, make: () => Value) => Value {
  const kept = new Map<string, Value>();
  let size = 0;
  return (key, make) => {
    let value = kept.get(key);
    if (value === undefined) size += sizeOf((value = make()));
    kept.delete(key);
    kept.set(key, value);
    for (const [oldest, old] of kept) {
      if (size <= limit || kept.size === 1) break;
      kept.delete(oldest);
      size -= sizeOf(old);
    }
    return value;
  };
}
