/**
 * A value that is there by construction, where its type cannot say so.
 *
 * @param what was expected, for the error
 * @throws TypeError where it is missing all the same
 */
export function present<Value>(value: Value | undefined | null, what: string): Value {
  if (value === undefined || value === null) throw new TypeError(`There is no ${what}.`);
  return value;
}
