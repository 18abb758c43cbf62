import type { Kernels } from './kernels.ts';
import { KERNELS } from './kernels.wasm.ts';
import { plainKernels } from './plain.ts';

// What of the standard WebAssembly interface is used; browsers and Node.js both have it.
declare const WebAssembly: {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: object };
};
declare function atob(text: string): string;

/** Starts the kernels, each time with memory of their own: the compiled ones, or plain ones where these cannot run. */
export function startKernels(): Kernels {
  try {
    const bytes = Uint8Array.from(atob(KERNELS), (letter) => letter.charCodeAt(0));
    return new WebAssembly.Instance(new WebAssembly.Module(bytes), {}).exports as Kernels;
  } catch {
    return plainKernels();
  }
}
