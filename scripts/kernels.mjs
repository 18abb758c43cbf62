/** Compiles packages/core/assembly into packages/core/src/kernel/kernels.wasm.ts. */
import { writeFile } from 'node:fs/promises';
import asc from 'assemblyscript/asc';

const SOURCE = 'packages/core/assembly/kernels.ts';
const TARGET = 'packages/core/src/kernel/kernels.wasm.ts';
/** Pages of 64 KB: any memory fits that the kernels are given; see packages/core/src/kernel/pages.ts. */
const [LEAST, MOST] = [1, 65536];

/** The module that holds the compiled kernels, as text. */
export async function compileKernels() {
  const files = {};
  const { error, stderr } = await asc.main(
    `${SOURCE} -O3 --enable simd --runtime stub --noAssert --importMemory --initialMemory ${LEAST} --maximumMemory ${MOST} --memoryBase 1024 -o kernels.wasm`.split(
      ' ',
    ),
    { writeFile: (name, data) => void (files[name] = data) },
  );
  if (error) throw new Error(`${error.message}\n${stderr.toString()}`);
  const base64 = Buffer.from(files['kernels.wasm']).toString('base64');
  return `/** Made by \`npm run kernels\` from assembly/kernels.ts; not to be changed by hand. */\nexport const KERNELS =\n  '${base64}';\n`;
}

if (process.argv[1] === new URL(import.meta.url).pathname) await writeFile(TARGET, await compileKernels());
