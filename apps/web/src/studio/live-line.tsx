import { useLive } from './use-live.ts';

/** The line to the others, while somebody is signed in. */
export function Live() {
  useLive();
  return null;
}
