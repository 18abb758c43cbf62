import type { Finding } from '@brachytone/core';
import { checkReducer, checked, mendTried, triedMend } from './check-slice.ts';

const finding = (says: string, ruling: string): Finding => ({
  check: 'dots-lost',
  why: 'why',
  severity: 'risky',
  says,
  places: [],
  mends: [{ label: 'Smallest dot 3 %', recipe: { ruling } as never }],
});

it('a mend that is tried is that of its own finding, as the last check has it', () => {
  const [first, second] = [finding('Lantern', 'a'), finding('Night blue', 'b')];
  let state = checkReducer(undefined, checked({ findings: [first, second], seconds: 0 }));
  expect(triedMend(state)).toBeUndefined();
  state = checkReducer(state, mendTried({ says: 'Night blue', label: 'Smallest dot 3 %' }));
  expect(triedMend(state)).toBe(second.mends[0]);
  const later = finding('Night blue', 'c');
  state = checkReducer(state, checked({ findings: [later], seconds: 0 }));
  expect(triedMend(state)).toBe(later.mends[0]);
  expect(triedMend(checkReducer(state, checked({ findings: [first], seconds: 0 })))).toBeUndefined();
});
