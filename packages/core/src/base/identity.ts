let count = 0;
const numbers = new WeakMap<object, number>();

/** A number of its own for each object, to name it by in the keys of caches. */
export function numberOf(object: object): number {
  let number = numbers.get(object);
  if (number === undefined) numbers.set(object, (number = ++count));
  return number;
}
