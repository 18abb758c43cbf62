import { readFile } from 'node:fs/promises';
import { compileKernels } from './kernels.mjs';

it('the compiled kernels are those of their source', async () => {
  const kept = await readFile(
    new URL('../packages/core/src/kernel/kernels.wasm.ts', import.meta.url),
    'utf8',
  );
  expect(await compileKernels()).toBe(kept);
});
