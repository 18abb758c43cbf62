import type { Intent, Pyramid } from '@brachytone/core';
import type { OriginalView } from '@brachytone/job';
import { lanes } from './lanes.ts';

type Listener = () => void;
const listeners = new Set<Listener>();
const states = new Map<string, 'loading' | 'small' | 'whole' | 'failed'>();
let version = 0;

async function keep(sha256: string, pyramid: Pyramid, state: 'small' | 'whole'): Promise<void> {
  if (states.get(sha256) === 'whole') return;
  await Promise.all(lanes.map(({ remote }) => remote.keepPicture(sha256, pyramid)));
  states.set(sha256, state);
  tell();
}

function tell(): void {
  version++;
  for (const listener of listeners) listener();
}

/** How long whole pictures wait for a draft of the small ones, ms; there may be nothing that shows them. */
const DRAFT_WAIT = 1500;
const waiting = new Set<() => void>();

/** Until a draft has been shown. */
const nextDraft = (): Promise<void> =>
  new Promise((resolve) => {
    waiting.add(resolve);
    setTimeout(resolve, DRAFT_WAIT);
  });

/** Told when a draft has been shown. */
export function draftShown(): void {
  for (const resolve of waiting) resolve();
  waiting.clear();
}

/** Pictures, drawings and typefaces in the workers: what has arrived of each. */
export const pictures = {
  /** Sees to it that one arrives; a picture small first. */
  want(original: OriginalView): void {
    const { sha256, width, height, smallLevel, kind } = original;
    const state = states.get(sha256);
    if (state && state !== 'failed') return;
    states.set(sha256, 'loading');
    const run = async () => {
      if (kind === 'picture') {
        if (smallLevel > 0) {
          await keep(sha256, await lanes[0].remote.fetchSmall(sha256, width, height, smallLevel), 'small');
          // Whole pictures keep a worker busy: something is shown first.
          await nextDraft();
        }
        await keep(sha256, await lanes[lanes.length - 1].remote.fetchWhole(sha256), 'whole');
        return;
      }
      if (kind === 'font') {
        const font = await lanes[0].remote.fetchFont(sha256);
        await Promise.all(lanes.map(({ remote }) => remote.keepFont(sha256, font)));
      } else if (kind === 'drawing') {
        const drawing = await lanes[0].remote.fetchDrawing(sha256);
        await Promise.all(lanes.map(({ remote }) => remote.keepDrawing(sha256, drawing)));
      }
      // What a profile gives is fetched as a separation.
      states.set(sha256, 'whole');
      tell();
    };
    run().catch(() => {
      states.set(sha256, 'failed');
      tell();
    });
  },
  /** Sees to it that a separation by a profile arrives; it is kept under the name. */
  wantTable(name: string, profile: string, intent: Intent, compensate: boolean): void {
    const state = states.get(name);
    if (state && state !== 'failed') return;
    states.set(name, 'loading');
    lanes[0].remote
      .fetchTable(profile, intent, compensate)
      .then((table) => Promise.all(lanes.map(({ remote }) => remote.keepTable(name, table))))
      .then(
        () => states.set(name, 'whole'),
        () => states.set(name, 'failed'),
      )
      .finally(tell);
  },
  stateOf: (sha256: string) => states.get(sha256),
  subscribe(listener: Listener): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** Changes whenever anything arrives. */
  version: () => version,
};
