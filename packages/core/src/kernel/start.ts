import type { Kernels } from './kernels.ts';
import { KERNELS } from './kernels.wasm.ts';
import { PAGES } from './pages.ts';
import { plainKernels } from './plain.ts';

// What of the standard WebAssembly interface is used; browsers and Node.js both have it.
declare const WebAssembly: {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: object };
  Memory: new (pages: { initial: number; maximum: number }) => object;
};
declare function atob(text: string): string;

/** Memory with room for bands, or without where a machine does not give as much. */
function newMemory(): object {
  try {
    return new WebAssembly.Memory({ initial: PAGES.most, maximum: PAGES.most });
  } catch {
    return new WebAssembly.Memory({ initial: PAGES.least, maximum: PAGES.least });
  }
}

/** Kernels, and why they are the slow ones; undefined when they are the compiled ones. */
export interface Started {
  readonly kernels: Kernels;
  readonly slowBecause?: string;
}

/** Starts the kernels, each time with memory of their own: the compiled ones, or plain ones where these cannot run. */
export function startKernels(): Started {
  try {
    const bytes = Uint8Array.from(atob(KERNELS), (letter) => letter.charCodeAt(0));
    const imports = { env: { memory: newMemory() } };
    return { kernels: new WebAssembly.Instance(new WebAssembly.Module(bytes), imports).exports as Kernels };
  } catch (error) {
    return { kernels: plainKernels(), slowBecause: String(error) };
  }
}
