import fc from 'fast-check';
import type { Kernels } from './kernels.ts';
import { plainKernels } from './plain.ts';
import { startKernels } from './start.ts';

/** Room that each test uses, from a place that both kinds of kernels leave alone. */
export const BASE = 1 << 20;
export const ROOM = 1 << 16;
export const WIDTH = 333;

export const both = [startKernels().kernels, plainKernels()] as const;

/** The same bytes before both, the same call of both, and what each has made of them. */
export function made(
  seed: number,
  prepare: (bytes: Uint8Array, view: DataView) => void,
  call: (kernels: Kernels) => void,
) {
  const before = new Uint8Array(ROOM);
  let state = seed | 1;
  for (let i = 0; i < ROOM; i++) {
    state = Math.imul(state, 1664525) + 1013904223;
    before[i] = state >>> 24;
  }
  prepare(before, new DataView(before.buffer));
  return both.map((kernels) => {
    const room = new Uint8Array(kernels.memory.buffer, BASE, ROOM);
    room.set(before);
    call(kernels);
    return room.slice();
  });
}

export const A = BASE;
export const B = BASE + 4096;
export const C = BASE + 8192;
export const D = BASE + 12288;
export const OUT = BASE + 32768;
export const from = (area: number) => area - BASE;

/** Bytes of the results that count: kernels may write a little past the end. */
export function expectSame([a, b]: Uint8Array[], area: number, bytes: number): void {
  expect(
    Buffer.compare(a.subarray(from(area), from(area) + bytes), b.subarray(from(area), from(area) + bytes)),
  ).toBe(0);
}

const seeds = fc.integer({ min: 1, max: 2 ** 30 });
export const check = (property: (seed: number) => void) =>
  fc.assert(fc.property(seeds, property), { numRuns: 40 });
