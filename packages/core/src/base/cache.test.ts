import { CACHE_MEGABYTES, PIXEL_BUDGETS, TABLE_BUDGETS } from './cache-budgets.ts';
import { bytesOf, cache } from './cache.ts';

const MEGABYTE = 2 ** 20;

it('all budgets together are what the documents say', () => {
  const all = [...Object.values(PIXEL_BUDGETS), ...Object.values(TABLE_BUDGETS)];
  expect(all.reduce<number>((sum, one) => sum + one, 0)).toBe(CACHE_MEGABYTES);
});

describe('a cache', () => {
  /** A cache of one MB that makes arrays of so many bytes, and what it dropped. */
  function oneMegabyte() {
    const dropped: number[] = [];
    const kept = cache<Uint8Array>('largest dots', undefined, ({ length }) => dropped.push(length));
    let made = 0;
    const get = (bytes: number) =>
      kept(String(bytes), () => {
        made++;
        return new Uint8Array(bytes);
      });
    return { get, dropped, count: () => made };
  }

  it('drops what was asked for longest ago once its budget is used up', () => {
    const { get, dropped, count } = oneMegabyte();
    const [a, b, c] = [400_000, 400_001, 400_002];
    for (const size of [a, b, a, c]) get(size);
    expect(dropped).toEqual([b]);
    for (const size of [a, c]) get(size);
    expect(count()).toBe(3);
    get(b);
    expect(count()).toBe(4);
  });

  it('keeps what is larger than all of its budget while it is the last that was made', () => {
    const { get, dropped, count } = oneMegabyte();
    get(100);
    get(3 * MEGABYTE);
    get(3 * MEGABYTE);
    get(100);
    expect(count()).toBe(2);
    get(200);
    expect(dropped).toEqual([3 * MEGABYTE]);
    get(3 * MEGABYTE);
    expect(count()).toBe(4);
  });
});

it('a value is as large as the arrays of numbers in it', () => {
  const plane = { width: 100, height: 10, data: new Uint16Array(1000) };
  expect(bytesOf(plane)).toBeGreaterThanOrEqual(2000);
  expect(bytesOf(plane)).toBeLessThan(2500);
  expect(bytesOf([plane, { inner: plane }])).toBeGreaterThanOrEqual(4000);
});
