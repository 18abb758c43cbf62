import type { ReactNode } from 'react';
import { useMeQuery } from '../store/studio-api.ts';
import { isShared } from '../shell/is-shared.ts';
import { Live } from './live-line.tsx';
import { SignIn } from './sign-in.tsx';

/** The page that is there for whoever has a link. */
const OPEN = /^\/welcome$/;

/** Lets in whoever is signed in, where that is asked at all. */
export function Gate({ children }: { children: ReactNode }) {
  const { data, isError, refetch } = useMeQuery(undefined, { skip: !isShared() });
  if (!isShared() || OPEN.test(location.pathname)) return children;
  if (isError)
    return (
      <p role="alert" className="p-10">
        The server cannot be reached.{' '}
        <button type="button" className="underline" onClick={() => void refetch()}>
          Try again
        </button>
      </p>
    );
  if (!data) return null;
  if (!data.person) return <SignIn />;
  return (
    <>
      <Live />
      {children}
    </>
  );
}
