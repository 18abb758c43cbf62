import type { ReactNode } from 'react';
import { HandbookLink } from './handbook-link.tsx';

/** Controls that belong together, under a small name. */
export function Group({ name, aside, children }: { name: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <div className="mt-3 border-t border-edge/70 pt-2.5 first:mt-0 first:border-t-0 first:pt-0">
      <div className="mb-1 flex items-baseline justify-between gap-2">
        <span className="flex items-baseline">
          <h3 className="text-[12.5px]">{name}</h3>
          <HandbookLink name={name} />
        </span>
        {aside}
      </div>
      {children}
    </div>
  );
}

/** A label and anything beside it. */
export function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex min-h-[34px] items-center gap-2">
      <span className="w-[82px] shrink-0 text-soft">{label}</span>
      <div className="flex min-w-0 grow items-center justify-end gap-2">{children}</div>
    </div>
  );
}

/** Facts told, not set. */
export function Fact({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex items-baseline gap-2 py-[3px]">
      <span className="w-[82px] shrink-0 text-soft">{label}</span>
      <span className="figures min-w-0 grow text-right break-words">{children}</span>
    </div>
  );
}

/** A small way back to where a thing began. */
export function ResetButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button type="button" className="text-[12px] text-soft underline hover:text-ink" onClick={onClick}>
      {label}
    </button>
  );
}
