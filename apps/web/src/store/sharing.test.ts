import { isEqual, sharing } from './sharing.ts';

it('shares what is equal, and takes what is not', () => {
  const before = { a: { b: [1, { c: 2 }] }, d: { e: 3 } };
  const made = sharing(before, { d: { e: 4 }, a: { b: [1, { c: 2 }] } });
  expect(made).toEqual({ a: { b: [1, { c: 2 }] }, d: { e: 4 } });
  expect(made.a).toBe(before.a);
  expect(sharing(before, structuredClone(before))).toBe(before);
});

it('tells equal values whatever the order of their members, and no others', () => {
  expect(isEqual({ by: 'number', middle: 18, shape: 1 }, { shape: 1, by: 'number', middle: 18 })).toBe(true);
  expect(isEqual({ a: 1 }, { a: 1, b: undefined })).toBe(false);
  expect(isEqual([1, 2], [1, 2, 3])).toBe(false);
  expect(isEqual(undefined, undefined)).toBe(true);
  expect(isEqual([], {})).toBe(false);
});
