import type { JobDocument, JobPatch, JobStep } from '@brachytone/job';
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { smallestPatches } from './smallest-patches.ts';

enablePatches();

/** Writable all the way down, for changes made on drafts. */
export type Draft<T> = T extends object ? { -readonly [K in keyof T]: Draft<T[K]> } : T;

/** A change as a step, or undefined when it changes nothing. */
export function stepOf(
  document: JobDocument,
  label: string,
  change: (draft: Draft<JobDocument>) => void,
): JobStep | undefined {
  const [, forward, backward] = produceWithPatches(document, (draft) => {
    change(draft);
  });
  return forward.length === 0 ? undefined : { label, ...smallestPatches(forward, backward) };
}

export const doStep = (document: JobDocument, step: JobStep): JobDocument =>
  applyPatches(document, step.forward as readonly Patch[]);

export const undoStep = (document: JobDocument, step: JobStep): JobDocument =>
  applyPatches(document, step.backward as readonly Patch[]);

const pathOf = (patch: JobPatch): string => `${JSON.stringify(patch.path).slice(0, -1)},`;

/** True where every place is named once, and none lies within another: the order of such patches says nothing. */
function standApart(patches: readonly JobPatch[]): boolean {
  const sorted = patches.map(pathOf).sort();
  return sorted.every((path, i) => i === 0 || !path.startsWith(sorted[i - 1]));
}

const isReplace = ({ op }: JobPatch): boolean => op === 'replace';

/** A patch with another done to the value that it sets. */
function withLater(patch: JobPatch, later: JobPatch): JobPatch {
  const path = later.path.slice(patch.path.length);
  const value: unknown =
    path.length === 0 ? later.value : applyPatches(patch.value as object, [{ ...later, path }]);
  return { ...patch, value };
}

/** Two steps that follow one another as one. Drags that set the same values over and over stay small. */
export function mergeSteps(first: JobStep, second: JobStep): JobStep {
  const { forward, backward } = first;
  /** Where the first step sets what a patch of the second one changes. */
  const sets = (later: JobPatch) => forward.findIndex((patch) => pathOf(later).startsWith(pathOf(patch)));
  const inside = second.forward.filter((patch) => sets(patch) >= 0);
  const beside = second.forward.filter((patch) => sets(patch) < 0);
  const besideBack = second.backward.filter((patch) => sets(patch) < 0);
  const isPlain =
    // Other places of a list move where something comes into it or goes.
    (forward.every(isReplace) || (forward.length === 1 && forward[0].op === 'add')) &&
    [...second.forward, ...second.backward].every(isReplace) &&
    beside.length === besideBack.length &&
    standApart([...forward, ...beside]) &&
    standApart(second.forward);
  if (!isPlain)
    return {
      label: first.label,
      forward: [...forward, ...second.forward],
      backward: [...second.backward, ...backward],
    };
  return {
    label: first.label,
    forward: [
      ...forward.map((patch, i) => inside.filter((later) => sets(later) === i).reduce(withLater, patch)),
      ...beside,
    ],
    backward: [...besideBack, ...backward],
  };
}
