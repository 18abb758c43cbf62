import { pressOf, SHIPPED_PRESSES } from '@brachytone/job';
import type { Press, PressKind } from '@brachytone/core';
import { usePressesQuery } from './api.ts';

/** A press of the room. */
export interface RoomEntry {
  readonly id: string;
  readonly press: Press;
  /** What a press that ships is for; undefined of one's own. */
  readonly says?: string;
}

/** What kinds of presses are called. */
export const KIND_WORDS: Record<PressKind, string> = {
  screen: 'screen printing',
  offset: 'offset',
  relief: 'relief',
  stencil: 'stencil duplicator',
  digital: 'digital',
};

export const SHIPPED: readonly RoomEntry[] = SHIPPED_PRESSES.map((one) => ({
  id: one.id,
  says: one.says,
  press: pressOf(one),
}));

/** All presses there are, one's own first. */
export function useRoom(): {
  readonly own: readonly RoomEntry[];
  readonly all: readonly RoomEntry[];
  readonly error: unknown;
} {
  const { data = [], error } = usePressesQuery();
  const own = data.map((one) => ({ id: one.id, press: pressOf(one) }));
  return { own, all: [...own, ...SHIPPED], error };
}
