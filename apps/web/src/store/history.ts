import type { JobDocument, JobPatch, JobStep } from '@brachytone/job';
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';

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
  return forward.length === 0 ? undefined : { label, forward, backward };
}

export const doStep = (document: JobDocument, step: JobStep): JobDocument =>
  applyPatches(document, step.forward as readonly Patch[]);

export const undoStep = (document: JobDocument, step: JobStep): JobDocument =>
  applyPatches(document, step.backward as readonly Patch[]);

const pathOf = (patch: JobPatch): string => JSON.stringify(patch.path);
const onlyReplaces = (step: JobStep): boolean =>
  [...step.forward, ...step.backward].every(({ op }) => op === 'replace');

/** Two steps that follow one another as one. Drags that set the same values over and over stay small. */
export function mergeSteps(first: JobStep, second: JobStep): JobStep {
  const paths = new Set(first.forward.map(pathOf));
  const same = second.forward.every((patch) => paths.has(pathOf(patch)));
  if (onlyReplaces(first) && onlyReplaces(second) && same) {
    const latest = new Map(second.forward.map((patch) => [pathOf(patch), patch]));
    return { ...first, forward: first.forward.map((patch) => latest.get(pathOf(patch)) ?? patch) };
  }
  return {
    label: first.label,
    forward: [...first.forward, ...second.forward],
    backward: [...second.backward, ...first.backward],
  };
}
