import { useSyncExternalStore } from 'react';

/** Where the pointer is: on the sheet in mm, and on the table in CSS pixels. */
export interface Pointer {
  readonly mm: { readonly x: number; readonly y: number };
  readonly table: { readonly x: number; readonly y: number };
}

// Kept apart from the store: it changes with every move of the hand.
let pointer: Pointer | undefined;
const listeners = new Set<() => void>();

export function pointAt(next: Pointer | undefined): void {
  pointer = next;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Where the pointer is, or undefined when it is not on the table. */
export const usePointer = (): Pointer | undefined => useSyncExternalStore(subscribe, () => pointer);
