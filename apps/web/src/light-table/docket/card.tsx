import { ChevronDown, ChevronRight } from 'lucide-react';
import { Switch } from 'radix-ui';
import type { ReactNode } from 'react';
import { HandbookLink } from './handbook-link.tsx';
import { openStep } from '../../store/view-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';

/** A step of the tone as a card: its name and settings in a line; open, its controls. */
export function Card({
  id,
  name,
  words,
  says,
  on,
  onSwitch,
  handle,
  children,
}: {
  id: string;
  name: string;
  words: string;
  says?: string;
  on?: boolean;
  onSwitch?: (on: boolean) => void;
  /** What the card is dragged by. */
  handle?: ReactNode;
  children: ReactNode;
}) {
  const dispatch = useAppDispatch();
  const open = useAppSelector((state) => state.view.step === id);
  return (
    <div className={`mb-1 rounded-sm border border-edge ${open ? 'bg-raised' : 'bg-card'}`}>
      <div className="flex h-8 items-center pr-2">
        {handle ?? <span className="w-2.5" />}
        <button
          type="button"
          aria-expanded={open}
          title={says}
          className={`flex h-full min-w-0 grow items-center gap-1.5 text-left ${on === false ? 'text-soft line-through' : ''}`}
          onClick={() => dispatch(openStep(open ? null : id))}
        >
          {open ? <ChevronDown size={13} /> : <ChevronRight size={13} />}
          <span className="font-semibold">{name}</span>
          <span className="figures ml-auto truncate pr-2 text-soft">{words}</span>
        </button>
        {onSwitch && (
          <Switch.Root
            checked={on === true}
            onCheckedChange={onSwitch}
            aria-label={`${name}, on`}
            className="relative h-3.5 w-6 shrink-0 rounded-sm border border-soft bg-white data-[state=checked]:border-ink data-[state=checked]:bg-ink"
          >
            <Switch.Thumb className="block h-full w-2.5 bg-soft transition-transform data-[state=checked]:translate-x-3 data-[state=checked]:bg-raised" />
          </Switch.Root>
        )}
      </div>
      {open && (
        <div className="border-t border-edge/70 px-2.5 pt-2 pb-2.5">
          {children}
          <p className="mt-1 text-right leading-none">
            <HandbookLink name={name} />
          </p>
        </div>
      )}
    </div>
  );
}
