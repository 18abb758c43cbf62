import { BANDS, BANDS_BYTES, kernels } from './memory.ts';
import { PAGES } from './pages.ts';
import { plainKernels } from './plain.ts';
import { startKernels } from './start.ts';

const PAGE = 1 << 16;
const { WebAssembly } = globalThis as unknown as {
  WebAssembly: { Memory: new (pages: { initial: number; maximum: number }) => object; Module: object };
};

it('all areas but the bands fit in the least memory, and bands have the rest of more', () => {
  expect(BANDS).toBeLessThanOrEqual(PAGES.least * PAGE);
  expect(kernels.memory.buffer.byteLength).toBe(PAGES.most * PAGE);
  expect(BANDS + BANDS_BYTES).toBe(PAGES.most * PAGE);
  expect(plainKernels().memory.buffer.byteLength).toBe(PAGES.least * PAGE);
});

it('where WebAssembly does not run the plain kernels do, and it is said why', () => {
  const { Module } = WebAssembly;
  Object.assign(WebAssembly, {
    Module: class {
      constructor() {
        throw new TypeError('No SIMD here.');
      }
    },
  });
  try {
    const { kernels: plain, slowBecause } = startKernels();
    expect(slowBecause).toBe('TypeError: No SIMD here.');
    expect(plain.memory.buffer.byteLength).toBe(PAGES.least * PAGE);
  } finally {
    Object.assign(WebAssembly, { Module });
  }
});

it('where a machine does not give so much memory the compiled kernels make do with the least', () => {
  const { Memory } = WebAssembly;
  class Small extends Memory {
    constructor(pages: { initial: number; maximum: number }) {
      if (pages.initial > PAGES.least) throw new RangeError('Out of memory.');
      super(pages);
    }
  }
  Object.assign(WebAssembly, { Memory: Small });
  try {
    const { kernels: small, slowBecause } = startKernels();
    expect(slowBecause).toBeUndefined();
    expect(small.memory.buffer.byteLength).toBe(PAGES.least * PAGE);
    expect(small.memory).toBeInstanceOf(Memory);
    const pixels = new Uint16Array(small.memory.buffer, 1 << 20, 16);
    pixels.fill(100).fill(60, 8);
    const addresses = new Int32Array(small.memory.buffer, 1 << 16, 2);
    addresses.set([1 << 20, (1 << 20) + 16]);
    small.leastOf(1 << 16, 2, 1 << 21, 8);
    expect(new Uint16Array(small.memory.buffer, 1 << 21, 8)).toEqual(new Uint16Array(8).fill(60));
  } finally {
    Object.assign(WebAssembly, { Memory });
  }
});
