/** True where two values are equal, whatever the order of their members. */
export const isEqual = (a: unknown, b: unknown): boolean => Object.is(sharing(a, b), a);

/**
 * A value that is equal to `after` and shares with `before` whatever is equal in both, so that a step of the history holds what has changed and no
 * more.
 */
export function sharing<T>(before: unknown, after: T): T {
  if (Object.is(before, after)) return after;
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  const [from, to] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const made = (Array.isArray(after) ? [] : {}) as Record<string, unknown>;
  let same = Object.keys(from).length === Object.keys(to).length;
  for (const key of Object.keys(to)) {
    made[key] = sharing(from[key], to[key]);
    same &&= key in from && Object.is(made[key], from[key]);
  }
  return (same ? before : made) as T;
}
