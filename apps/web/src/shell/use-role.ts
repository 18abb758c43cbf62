import type { PersonView, Role } from '@brachytone/job';
import { useMeQuery } from '../store/studio-api.ts';
import { isShared } from './is-shared.ts';

/** Who is signed in; undefined alone, where nobody is asked. */
export function usePerson(): PersonView | undefined {
  const { data } = useMeQuery(undefined, { skip: !isShared() });
  return data?.person ?? undefined;
}

/** What whoever is here may do. */
export const useRole = (): Role => usePerson()?.role ?? (isShared() ? 'viewer' : 'owner');
