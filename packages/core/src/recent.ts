/**
 * A cache that keeps the values asked for most lately, at most `limit` of them.
 *
 * @returns a function that gives the value kept under the key, or makes and keeps it
 */
export function recentOnly<Value>(limit: number): (key: string, make: () => Value) => Value {
  const kept = new Map<string, Value>();
  return (key, make) => {
    const value = kept.get(key) ?? make();
    kept.delete(key);
    kept.set(key, value);
    if (kept.size > limit) kept.delete(kept.keys().next().value!);
    return value;
  };
}
