import { present } from '@brachytone/core';
import { Check, History } from 'lucide-react';
import { Menu, MenuItem } from '../controls/menu.tsx';
import { jumped } from '../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';

/** Most steps that are listed, the latest. */
const MOST = 200;

/** The undo history as a list, the latest step first: any of them is gone back to, or on to, at once. */
export function StepsMenu() {
  const dispatch = useAppDispatch();
  const { steps, position } = useAppSelector((state) => present(state.job, 'open job'));
  const first = Math.max(0, steps.length - MOST);
  const listed = steps
    .slice(first)
    .map(({ label, by }, i) => ({ label, by, after: first + i + 1 }))
    .reverse();
  const item = (label: string, after: number, by?: string) => (
    <MenuItem
      key={after}
      name={
        <span className={`flex items-center gap-2 font-normal ${after > position ? 'opacity-60' : ''}`}>
          <span className="w-3.5 shrink-0">{after === position && <Check size={13} />}</span>
          <span className="truncate">{label}</span>
          {by !== undefined && <span className="ml-auto shrink-0 opacity-70">{by}</span>}
        </span>
      }
      onPick={() => dispatch(jumped(after))}
    />
  );
  return (
    <Menu
      align="end"
      label={
        <>
          <History size={15} />
          <span className="sr-only">Steps</span>
        </>
      }
    >
      {listed.map(({ label, after, by }) => item(label, after, by))}
      {first === 0 && item('As it began', 0)}
    </Menu>
  );
}
