import { useState } from 'react';

const KEPT = 'name on proofs';

/** The client's name, which the browser keeps. */
export function useName(first: string): readonly [string, (name: string) => void] {
  const [name, setName] = useState(() => localStorage.getItem(KEPT) ?? first);
  return [
    name,
    (next) => {
      setName(next);
      localStorage.setItem(KEPT, next);
    },
  ];
}
