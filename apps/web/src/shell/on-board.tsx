import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** Where a page of a job is, in its head: the way back to the board, then the job. */
export const OnBoard = ({ children }: { children: ReactNode }) => (
  <div className="flex min-w-0 items-center gap-3">
    <Link to="/" className="text-soft hover:text-ink">
      Job board
    </Link>
    <span className="text-edge">/</span>
    {children}
  </div>
);
