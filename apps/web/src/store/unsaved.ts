import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import type { JobDocument, JobStep } from '@brachytone/job';
import type { Base, JobState } from './job-slice.ts';

/** What a window has of a job that the server has not. */
export interface Unsaved {
  readonly job: string;
  /** When it was kept, ms since 1970. */
  readonly at: number;
  /** The window's own number. */
  readonly window: string;
  readonly revision: number;
  readonly document: JobDocument;
  readonly steps: readonly JobStep[];
  readonly position: number;
  readonly unsavedFrom: number;
  /** What it grew from; earlier windows did not keep it. */
  readonly base?: Base;
}

const NUMBER = 'brachytone window';
const lockOf = (window: string): string => `${NUMBER} ${window}`;

/** Browsers have them on this machine and over TLS; elsewhere every other window counts as one that is there. */
const locks = (): LockManager | undefined => ('locks' in navigator ? navigator.locks : undefined);

/** This window's number: the same after a reload, another in a copy of the window. It is held for as long as the window is there. */
async function findNumber(): Promise<string> {
  const before = sessionStorage.getItem(NUMBER);
  const held = (window: string): Promise<boolean> =>
    new Promise((resolve) => {
      const all = locks();
      if (!all) {
        resolve(true);
        return;
      }
      void all.request(lockOf(window), { ifAvailable: true }, (lock) => {
        resolve(lock !== null);
        return lock === null ? undefined : new Promise<never>(() => undefined);
      });
    });
  if (before && (await held(before))) return before;
  const fresh = crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`;
  sessionStorage.setItem(NUMBER, fresh);
  await held(fresh);
  return fresh;
}

let found: Promise<string> | undefined;
const own = (): Promise<string> => (found ??= findNumber());

let opened: UseStore | undefined;
const store = (): UseStore => (opened ??= createStore('brachytone', 'unsaved'));

const keyOf = (job: string, window: string): string => `${job} ${window}`;

/** Does what it can: where a browser keeps nothing, only the way by the server is left. */
async function tried<Result>(work: () => Promise<Result>): Promise<Result | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

/** Keeps what a window has of a job, until `dropUnsaved`. */
export async function keepUnsaved(state: JobState): Promise<void> {
  const { id, revision, document, steps, position, unsavedFrom, base } = state;
  await tried(async () => {
    const window = await own();
    const kept: Unsaved = {
      job: id,
      at: Date.now(),
      window,
      revision,
      document,
      steps,
      position,
      unsavedFrom,
      base,
    };
    await set(keyOf(id, window), kept, store());
  });
}

/** Lets go of it: the server has it. */
export async function dropUnsaved(job: string, window?: string): Promise<void> {
  await tried(async () => del(keyOf(job, window ?? (await own())), store()));
}

/** What windows that are gone, or this one before it was loaded anew, had of a job; the newest first. */
export async function leftUnsaved(job: string): Promise<Unsaved[]> {
  const left = await tried(async () => {
    const window = await own();
    const all = await entries<string, Unsaved>(store());
    const held = (await locks()?.query())?.held;
    const isThere = (one: string) => held === undefined || held.some(({ name }) => name === lockOf(one));
    return all
      .map(([, kept]) => kept)
      .filter((kept) => kept.job === job && (kept.window === window || !isThere(kept.window)))
      .sort((a, b) => b.at - a.at);
  });
  return left ?? [];
}
