import {
  merge,
  type Clash,
  type JobDocument,
  type JobStep,
  type JobView,
  type Winner,
} from '@brachytone/job';
import { doStep, stepOf } from './history.ts';
import type { JobState } from './job-slice.ts';

/** A version with another one's changes done to it. */
export interface Rebased {
  readonly document: JobDocument;
  readonly steps: readonly JobStep[];
  readonly position: number;
}

/** The step that leads from one document to another. */
const stepTo = (from: JobDocument, to: JobDocument, label: string): JobStep | undefined =>
  stepOf(from, label, (draft) => {
    Object.assign(draft, to);
  });

/** Steps one after another, each done to the other version as it is by then; undefined where one of them does not go with it. */
function eachStep(steps: readonly JobStep[], base: JobDocument, theirs: JobDocument): Rebased | undefined {
  let own = base;
  let document = theirs;
  const done: JobStep[] = [];
  for (const step of steps) {
    const next = doStep(own, step);
    const { value, clashes } = merge(own, next, document);
    if (clashes.length > 0) return undefined;
    const moved = stepTo(document, value, step.label);
    if (moved) done.push(moved);
    own = next;
    document = value;
  }
  return { document, steps: done, position: done.length };
}

/**
 * What is unsaved of a job, done to a version that was saved elsewhere meanwhile: their history, and then this one's.
 *
 * @param unsavedFrom steps from here on are not those the base was saved with
 * @returns what both changed, where they changed the same
 */
export function rebase(
  job: Pick<JobState, 'base' | 'document' | 'steps' | 'position'>,
  unsavedFrom: number,
  theirs: JobView,
  winner?: Winner,
): Rebased | { readonly clashes: readonly Clash[] } {
  const { base, document, steps, position } = job;
  const whole = merge(base.document, document, theirs.document, winner);
  if (whole.clashes.length > 0 && winner === undefined) return { clashes: whole.clashes };
  const before = theirs.steps.slice(0, theirs.position);
  const grewOn = position >= base.position && unsavedFrom >= base.position;
  const each =
    grewOn && whole.clashes.length === 0
      ? eachStep(steps.slice(base.position, position), base.document, theirs.document)
      : undefined;
  if (each) {
    // What was undone here can be done again still, as far as it goes with theirs.
    const redone = eachStep(steps.slice(position), document, each.document);
    return {
      document: each.document,
      steps: [...before, ...each.steps, ...(redone?.steps ?? [])],
      position: before.length + each.steps.length,
    };
  }
  const undone = position < base.position ? steps.at(position)?.label : undefined;
  const label = undone === undefined ? 'Changes of this window' : `Undo ${undone}`;
  const one = stepTo(theirs.document, whole.value, label);
  return {
    document: whole.value,
    steps: one ? [...before, one] : theirs.steps,
    position: theirs.position + (one ? 1 : 0),
  };
}

/** A conflict settled: this window's version where both changed the same, or the other one, with this one's left to be redone. */
export function settled(
  job: Pick<JobState, 'base' | 'document' | 'steps' | 'position' | 'unsavedFrom' | 'clashes'>,
  theirs: JobView,
  winner: Winner,
): Rebased {
  const before = theirs.steps.slice(0, theirs.position);
  const toMine = (from: JobDocument, mine: JobDocument): readonly JobStep[] => {
    const step = stepTo(from, mine, 'Version of this window');
    return step ? [step] : [];
  };
  const version = (one: Winner): Rebased => {
    // What does not go together although no part is the same is taken whole.
    if (job.clashes.length > 0) return rebase(job, job.unsavedFrom, theirs, one) as Rebased;
    if (one === 'theirs') return { document: theirs.document, steps: before, position: before.length };
    const steps = [...before, ...toMine(theirs.document, job.document)];
    return { document: job.document, steps, position: steps.length };
  };
  if (winner === 'mine') return version('mine');
  const taken = version('theirs');
  return {
    ...taken,
    steps: [...taken.steps.slice(0, taken.position), ...toMine(taken.document, version('mine').document)],
  };
}
