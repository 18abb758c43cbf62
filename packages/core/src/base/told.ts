/** The same work, what it tells on the way told in another way. */
export function* told<From, To, Result>(
  making: Generator<From, Result>,
  as: (one: From) => To,
): Generator<To, Result> {
  for (let step = making.next(); ; step = making.next()) {
    if (step.done) return step.value;
    yield as(step.value);
  }
}
