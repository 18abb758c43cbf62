/** The module that holds the compiled kernels, as text. */
export function compileKernels(): Promise<string>;
