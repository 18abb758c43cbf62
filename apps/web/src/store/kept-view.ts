import { KEPT, viewRestored, type KeptView, type ViewState } from './view-slice.ts';
import { store } from './store.ts';

const keyOf = (job: string): string => `brachytone.view.${job}`;
/** Changes that follow one another are written once, ms. */
const PAUSE = 250;

/** What this window last showed of a job; nothing where it was not open here, or was kept in another shape. */
function keptView(job: string): KeptView {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(job)) ?? '{}') as Record<string, unknown>;
    const now = store.getState().view;
    return Object.fromEntries(
      KEPT.filter((name) => name in kept && isLike(kept[name], now[name], name)).map((name) => [
        name,
        kept[name],
      ]),
    );
  } catch {
    return {};
  }
}

/** Members that may be null, or a word or a number. */
const LOOSE: readonly (keyof ViewState)[] = ['zoom', 'centre', 'original', 'step', 'plate', 'scene'];

/** True for a value of the shape that the view has now. */
function isLike(value: unknown, now: unknown, name: keyof ViewState): boolean {
  if (LOOSE.includes(name)) return value === null || ['string', 'number', 'object'].includes(typeof value);
  if (Array.isArray(now)) return Array.isArray(value);
  if (typeof value !== typeof now || value === null) return false;
  if (typeof now !== 'object' || now === null) return true;
  return Object.entries(now).every(([member, one]) => typeof (value as never)[member] === typeof one);
}

/**
 * Shows a job as this window showed it last, and keeps what is shown of it from then on: after a reload, and on the way back, nothing has to be found again.
 *
 * @returns ends the keeping
 */
export function keepView(job: string): () => void {
  store.dispatch(viewRestored(keptView(job)));
  let last = store.getState().view;
  let waiting = 0;
  const write = () => {
    waiting = 0;
    const view = store.getState().view;
    sessionStorage.setItem(
      keyOf(job),
      JSON.stringify(Object.fromEntries(KEPT.map((name) => [name, view[name]]))),
    );
  };
  const now = () => {
    if (waiting === 0) return;
    clearTimeout(waiting);
    write();
  };
  const unsubscribe = store.subscribe(() => {
    const { view } = store.getState();
    if (view === last) return;
    last = view;
    waiting ||= window.setTimeout(write, PAUSE);
  });
  addEventListener('pagehide', now);
  return () => {
    unsubscribe();
    removeEventListener('pagehide', now);
    now();
  };
}
