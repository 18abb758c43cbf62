import type { JobPatch, JobStep } from '@brachytone/job';

type Path = JobPatch['path'];
type Patches = Pick<JobStep, 'forward' | 'backward'>;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isPart = (value: unknown): boolean => typeof value === 'object' && value !== null;

/** A list with one more at its end, with one less, or with others in some places; undefined for any other change. */
function changedList(path: Path, old: readonly unknown[], now: readonly unknown[]): Patches | undefined {
  const same = old.findIndex((one, i) => one !== now[i]);
  const at = same < 0 ? old.length : same;
  if (now.length === old.length) {
    const changed = [...old.keys()].filter((i) => old[i] !== now[i]);
    if (!old.some((one, i) => one === now[i] && isPart(one))) return undefined;
    return joined(changed.map((i) => between([...path, i], old[i], now[i])));
  }
  if (now.length === old.length + 1 && at === old.length && at > 0)
    return {
      forward: [{ op: 'add', path: [...path, at], value: now[at] }],
      backward: [{ op: 'remove', path: [...path, at] }],
    };
  if (
    now.length === old.length - 1 &&
    now.length > 0 &&
    now.every((one, i) => one === old[i < at ? i : i + 1])
  )
    return {
      forward: [{ op: 'remove', path: [...path, at] }],
      backward: [{ op: 'add', path: [...path, at], value: old[at] }],
    };
  return undefined;
}

/** A thing of the same members, some of them others. */
function changedMembers(
  path: Path,
  old: Readonly<Record<string, unknown>>,
  now: Readonly<Record<string, unknown>>,
): Patches | undefined {
  const names = Object.keys(old);
  if (names.length !== Object.keys(now).length || !names.every((name) => name in now)) return undefined;
  // Small things are told whole.
  if (!names.some((name) => isPart(old[name]))) return undefined;
  return joined(
    names
      .filter((name) => old[name] !== now[name])
      .map((name) => between([...path, name], old[name], now[name])),
  );
}

const joined = (all: readonly Patches[]): Patches => ({
  forward: all.flatMap(({ forward }) => forward),
  backward: all.flatMap(({ backward }) => backward).reverse(),
});

/** What leads from an old value to a new one and back; parts that both share are left out. */
function between(path: Path, old: unknown, now: unknown): Patches {
  const smaller =
    Array.isArray(old) && Array.isArray(now)
      ? changedList(path, old, now)
      : isObject(old) && isObject(now)
        ? changedMembers(path, old, now)
        : undefined;
  return (
    smaller ?? {
      forward: [{ op: 'replace', path, value: now }],
      backward: [{ op: 'replace', path, value: old }],
    }
  );
}

const sameStrings = (a: Path, b: Path): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * The same change in smaller patches: where a whole list is given anew, as is easily written, and shares its members with the old one, the members that differ
 * are told and no more. A history of strokes would else have all strokes in every step.
 */
export function smallestPatches(forward: readonly JobPatch[], backward: readonly JobPatch[]): Patches {
  const pairs = forward.map((patch) => ({
    patch,
    back: backward.filter(({ path }) => sameStrings(path, patch.path)),
  }));
  const isPlain =
    forward.length === backward.length &&
    pairs.every(({ patch, back }) => patch.op === 'replace' && back.length === 1 && back[0].op === 'replace');
  if (!isPlain) return { forward, backward };
  return joined(pairs.map(({ patch, back }) => between([...patch.path], back[0].value, patch.value)));
}
