import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { TopBar } from '../shell/top-bar.tsx';

const SHELVES = [
  { to: '/treatments', name: 'Treatments' },
  { to: '/inks', name: 'Inks' },
  { to: '/stocks', name: 'Stocks' },
  { to: '/screens', name: 'Screens' },
] as const;

/** One of the shelves: what is kept to be used again, one's own first. */
export function Shelves({ aside, children }: { aside?: ReactNode; children: ReactNode }) {
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <div className="mb-5 flex max-w-[1200px] items-center gap-5">
          <h1 className="text-[16px]">Shelves</h1>
          <nav aria-label="Shelves" className="flex">
            {SHELVES.map(({ to, name }) => (
              <NavLink
                key={to}
                to={to}
                className={({ isActive }) =>
                  `flex h-7 items-center border border-l-0 border-edge px-3 first:rounded-l-sm first:border-l last:rounded-r-sm ${isActive ? 'bg-ink text-raised' : 'bg-raised hover:bg-white'}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto">{aside}</div>
        </div>
        <div className="max-w-[1200px]">{children}</div>
      </main>
    </div>
  );
}

/** Things on a shelf under a heading. */
export function ShelfPart({
  name,
  empty,
  children,
}: {
  name: string;
  empty?: string;
  children: ReactNode[];
}) {
  return (
    <section className="mb-7" aria-label={name}>
      <h2 className="mb-2 text-[13.5px]">{name}</h2>
      {children.length === 0 && empty && <p className="text-soft">{empty}</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(216px,1fr))] gap-3">{children}</ul>
    </section>
  );
}

/** One thing on a shelf: how it looks, its name and what is to be known of it. */
export function ShelfCard({
  picture,
  name,
  words,
  onDrop,
}: {
  picture: ReactNode;
  name: string;
  words: string;
  /** Takes it off the shelf; missing for what ships with the program. */
  onDrop?: () => void;
}) {
  return (
    <li className="overflow-hidden rounded-sm border border-edge bg-raised">
      {picture}
      <div className="px-2.5 py-1.5">
        <h3 className="truncate text-[13px]" title={name}>
          {name}
        </h3>
        <p className="figures flex items-baseline justify-between gap-2 text-soft">
          <span className="truncate" title={words}>
            {words}
          </span>
          {onDrop && (
            <button
              type="button"
              aria-label={`Take ${name} off the shelf`}
              className="font-sans text-[12px] underline hover:text-ruby"
              onClick={onDrop}
            >
              Take off
            </button>
          )}
        </p>
      </div>
    </li>
  );
}
