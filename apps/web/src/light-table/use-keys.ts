import { useEffect, useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { isTyping } from '../controls/is-typing.ts';
import { redone, undone } from '../store/job-slice.ts';
import { usePullsQuery } from '../store/api.ts';
import { store, useAppDispatch, useAppSelector } from '../store/store.ts';
import { lookSet, loupeHeld, showPlate, wiped, zoomed } from '../store/view-slice.ts';
import { useKeepPull } from './pulls/use-keep-pull.ts';
import { STAGES } from './stages.ts';

/** Every key of the light table, as listed by `?`. */
export const KEYS: readonly (readonly [string, string])[] = [
  ['1 – 6', 'open a stage'],
  ['L', 'hold for the loupe'],
  ['T', 'test strip of the focused number'],
  ['P', 'keep a pull'],
  ['X', 'wipe against the last pull'],
  ['O', 'press on and off, to compare'],
  ['[ ]', 'previous and next plate'],
  ['0', 'all plates'],
  ['Shift ← →', 'print the focused plate sooner or later'],
  ['F', 'fit the sheet'],
  ['R', 'print size'],
  ['D', 'every dot'],
  ['↑ ↓', 'nudge the focused number; with Shift ×10, with Alt ÷10'],
  ['Ctrl Z', 'undo (Cmd Z)'],
  ['Ctrl Shift Z', 'redo (Cmd Shift Z)'],
  ['?', 'all keys'],
];

/** Shows the neighbour of the plate shown alone. */
function stepPlate(by: 1 | -1): void {
  const { job, view } = store.getState();
  if (!job) return;
  const ids = job.document.recipe.plates.map(({ id }) => id);
  const at = view.plate === null ? (by > 0 ? -1 : ids.length) : ids.indexOf(view.plate);
  store.dispatch(showPlate(ids[(at + by + ids.length) % ids.length]));
}

export function useKeys(): void {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { id = '' } = useParams();
  const { data: pulls = [] } = usePullsQuery(id);
  const keep = useKeepPull();
  const wiping = useAppSelector((state) => state.view.wipe !== null);
  const pull = useRef({ keep, wipe: () => {} });
  pull.current = {
    keep,
    wipe: () => {
      const last = pulls[pulls.length - 1];
      if (wiping) dispatch(wiped(null));
      else if (last) dispatch(wiped({ against: last.id, at: 0.5 }));
      else toast('There is no pull yet to wipe against. Press P to keep one.');
    },
  };
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        if (event.target instanceof HTMLElement) event.target.blur();
        dispatch(event.shiftKey ? redone() : undone());
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const stage = STAGES[Number(event.key) - 1];
      if (stage) void navigate(`/jobs/${id}/${stage.id}`, { replace: true });
      const actions: Record<string, () => void> = {
        l: () => !event.repeat && dispatch(loupeHeld(true)),
        f: () => dispatch(zoomed({ zoom: 'fit' })),
        r: () => dispatch(zoomed({ zoom: 'print' })),
        d: () => dispatch(zoomed({ zoom: 'dots' })),
        p: () => !event.repeat && pull.current.keep(),
        x: () => pull.current.wipe(),
        o: () => !event.repeat && dispatch(lookSet({ press: !store.getState().view.look.press })),
        '0': () => dispatch(showPlate(null)),
        '[': () => stepPlate(-1),
        ']': () => stepPlate(1),
      };
      actions[event.key.toLowerCase()]?.();
    };
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() === 'l') dispatch(loupeHeld(false));
    };
    addEventListener('keydown', onKeyDown);
    addEventListener('keyup', onKeyUp);
    return () => {
      removeEventListener('keydown', onKeyDown);
      removeEventListener('keyup', onKeyUp);
    };
  }, [dispatch, navigate, id]);
}
