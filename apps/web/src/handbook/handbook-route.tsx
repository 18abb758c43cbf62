import { Navigate, useSearchParams } from 'react-router';
import { HandbookPage } from './handbook-page.tsx';
import { addressOf } from './pages.ts';

/** The handbook; asked of something by name it goes to where that is told. */
export default function HandbookRoute() {
  const [params] = useSearchParams();
  const of = params.get('of');
  return of === null ? <HandbookPage /> : <Navigate to={addressOf(of, params.get('on') ?? '')} replace />;
}
