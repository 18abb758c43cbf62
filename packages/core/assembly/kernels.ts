// The inner loops, for WebAssembly with 128-bit SIMD. AssemblyScript; `npm run kernels` compiles it into
// src/kernel/kernels.wasm.ts. Every loop is arithmetic on whole numbers, or on 32-bit reals step by step,
// so all machines make the same bits.

export * from './compare';
export * from './resample';
export * from './filter';
export * from './diffuse';
export * from './separate';
export * from './group4';
export * from './places';
export * from './grey';
export * from './light';
export * from './range';
export * from './cell-tones';
export * from './cell-outlines';
