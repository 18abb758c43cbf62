import equal from 'fast-deep-equal';

/** A place in a document: names of members; of lists whose members have ids, the ids. */
export type Place = readonly string[];

/** A part that both changed, each in another way. */
export interface Clash {
  readonly place: Place;
  /** What it is in each; undefined where it is not there. */
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged<Value> {
  /** The base with both changes; where both changed the same part, what was asked to win. */
  readonly value: Value;
  readonly clashes: readonly Clash[];
}

/** Which of two changes to the same part is taken. */
export type Winner = 'mine' | 'theirs';

type Members = Readonly<Record<string, unknown>>;
type WithId = Members & { readonly id: string };

const isThing = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list whose members have an id each, all different. */
const hasIds = (value: unknown): value is readonly WithId[] =>
  Array.isArray(value) &&
  value.every((one) => isThing(one) && typeof one.id === 'string') &&
  new Set(value.map(({ id }: WithId) => id)).size === value.length;

/** Members of two that grew from a base, each merged. */
function mergeThings(
  place: Place,
  base: Members,
  mine: Members,
  theirs: Members,
  winner: Winner,
): Merged<Members> {
  const clashes: Clash[] = [];
  const value: Record<string, unknown> = {};
  for (const name of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const part = mergeParts([...place, name], base[name], mine[name], theirs[name], winner);
    clashes.push(...part.clashes);
    if (part.value !== undefined) value[name] = part.value;
  }
  return { value, clashes };
}

/** The order of ids in a list that grew from a base: theirs, with what mine has more put behind what it follows there. */
function mergedOrder(mine: readonly string[], theirs: readonly string[]): string[] {
  const order = [...theirs];
  mine.forEach((id, i) => {
    if (!order.includes(id)) order.splice(i === 0 ? 0 : order.indexOf(mine[i - 1]) + 1, 0, id);
  });
  return order;
}

function mergeLists(
  place: Place,
  base: readonly WithId[],
  mine: readonly WithId[],
  theirs: readonly WithId[],
  winner: Winner,
): Merged<readonly WithId[]> {
  const byId = (list: readonly WithId[]): Record<string, WithId> =>
    Object.fromEntries(list.map((one) => [one.id, one]));
  const { value, clashes } = mergeThings(place, byId(base), byId(mine), byId(theirs), winner);
  const ids = (list: readonly WithId[]) => list.map(({ id }) => id);
  // Those that all three have, in the order of each.
  const shared = (list: readonly WithId[]) =>
    ids(list).filter((id) => [base, mine, theirs].every((one) => ids(one).includes(id)));
  const order = mergeParts([...place, 'order'], shared(base), shared(mine), shared(theirs), winner);
  const first = order.value as readonly string[];
  // The side whose order it is leads; the other one's new members go where they stood.
  const leads = equal(first, shared(theirs)) ? [mine, theirs] : [theirs, mine];
  return {
    value: mergedOrder(ids(leads[0]), ids(leads[1]))
      .filter((id) => value[id] !== undefined)
      .map((id) => value[id] as WithId),
    clashes: [...clashes, ...order.clashes],
  };
}

function mergeParts(
  place: Place,
  base: unknown,
  mine: unknown,
  theirs: unknown,
  winner: Winner,
): Merged<unknown> {
  if (equal(mine, base) || equal(mine, theirs)) return { value: theirs, clashes: [] };
  if (equal(theirs, base)) return { value: mine, clashes: [] };
  if (hasIds(base) && hasIds(mine) && hasIds(theirs)) return mergeLists(place, base, mine, theirs, winner);
  if (isThing(base) && isThing(mine) && isThing(theirs) && sameKind(base, mine, theirs))
    return mergeThings(place, base, mine, theirs, winner);
  return {
    value: winner === 'mine' ? mine : theirs,
    clashes: [{ place, base, mine, theirs }],
  };
}

/** Things of different kinds have members that do not go together. */
const sameKind = (...all: readonly Members[]): boolean => all.every(({ kind }) => kind === all[0].kind);

/**
 * Brings together two values that grew from the same one. What only one of them changed is taken from it, member by member and, in lists whose
 * members have ids, whatever the order. Other lists (points of a curve, strokes) are one part.
 */
export function merge<Value>(
  base: Value,
  mine: Value,
  theirs: Value,
  winner: Winner = 'theirs',
): Merged<Value> {
  return mergeParts([], base, mine, theirs, winner) as Merged<Value>;
}
