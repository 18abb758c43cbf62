import type { TreatmentView } from '@brachytone/job';
import type { ReactNode } from 'react';
import type { SeenOn } from './seen-in.ts';
import { InkDabs, TreatmentPicture } from './treatment-picture.tsx';

/** A treatment as a card: a real proof, its name, its inks, and what it does. */
export function TreatmentCard({
  treatment,
  on,
  size,
  eager = false,
  onPick,
  pick,
  disabled = false,
  children,
}: {
  treatment: TreatmentView;
  on: SeenOn;
  size: { readonly width: number; readonly height: number };
  eager?: boolean;
  /** What a click does; missing where the card is only to be looked at. */
  onPick?: () => void;
  /** What it does, for a screen reader. */
  pick?: string;
  disabled?: boolean;
  /** Small things to do beside the name. */
  children?: ReactNode;
}) {
  const body = (
    <>
      <TreatmentPicture treatment={treatment} on={on} longer={size} eager={eager} />
      <span className="flex items-center gap-2 px-2.5 pt-1.5">
        <span className="min-w-0 grow truncate text-[13px] font-semibold [font-stretch:112%]">
          {treatment.name}
        </span>
        <InkDabs treatment={treatment} />
      </span>
    </>
  );
  return (
    <li className="overflow-hidden rounded-sm border border-edge bg-raised">
      {onPick ? (
        <button
          type="button"
          aria-label={pick ? `${pick} ${treatment.name}` : treatment.name}
          title={treatment.says}
          disabled={disabled}
          className="block w-full text-left hover:bg-white focus-visible:outline-offset-[-2px] disabled:opacity-50"
          onClick={onPick}
        >
          {body}
        </button>
      ) : (
        <div title={treatment.says}>{body}</div>
      )}
      <div className="flex items-baseline gap-3 px-2.5 pb-1.5 text-[12px] text-soft">
        <p className="line-clamp-2 min-h-[32px] grow leading-4">{treatment.says}</p>
        {children}
      </div>
    </li>
  );
}
