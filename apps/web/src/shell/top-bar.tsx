import type { ReactNode } from 'react';
import { Link, NavLink, useLocation } from 'react-router';
import { isShared } from './is-shared.ts';
import { PersonMenu } from './person-menu.tsx';

/** The bar across every place: mark, where you are, what you can do here. */
export function TopBar({ where, children }: { where?: ReactNode; children?: ReactNode }) {
  return (
    <header className="flex h-[46px] shrink-0 items-center gap-3 border-b border-edge bg-card px-3.5">
      <Link to="/" className="flex items-center gap-2.5" aria-label="Brachytone, to the job board">
        <img src="/mark.svg" alt="" className="size-6" />
        <span className="text-[15px] font-semibold [font-stretch:112%]">Brachytone</span>
      </Link>
      <span className="h-7 w-px bg-edge" />
      {where ?? (
        <nav className="flex h-full items-center gap-5" aria-label="Places">
          <Place to="/">Job board</Place>
          <Place to="/treatments" also={['/inks', '/stocks', '/screens']}>
            Shelves
          </Place>
          <Place to="/presses" within>
            Press room
          </Place>
          <Place to="/gang">Gang</Place>
          <Place to="/runs">Runs</Place>
          <Place to="/storage">Storage</Place>
          {isShared() && <Place to="/people">People</Place>}
          <Place to="/handbook" within>
            Handbook
          </Place>
        </nav>
      )}
      <div className="ml-auto flex items-center gap-2.5">
        {children}
        {where === undefined && <PersonMenu />}
      </div>
    </header>
  );
}

function Place({
  to,
  also = [],
  within = false,
  children,
}: {
  to: string;
  also?: readonly string[];
  /** True where pages below it belong to it. */
  within?: boolean;
  children: ReactNode;
}) {
  const { pathname } = useLocation();
  return (
    <NavLink
      to={to}
      end={!within}
      className={({ isActive }) =>
        `flex h-full items-center border-b-2 pt-0.5 ${isActive || also.includes(pathname) ? 'border-ink font-semibold' : 'border-transparent text-soft hover:text-ink'}`
      }
    >
      {children}
    </NavLink>
  );
}
