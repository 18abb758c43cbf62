declare module 'lcms-wasm' {
  /** Little CMS as far as it is used here; handles are numbers, 0 for none. */
  export interface Lcms {
    readonly HEAPU8: Uint8Array;
    _malloc(bytes: number): number;
    _free(at: number): void;
    ccall(name: string, result: 'number' | undefined, types: string[], values: unknown[]): number;
    cmsCreate_sRGBProfile(): number;
    cmsCreateLab4Profile(white: number[] | undefined): number;
    cmsCloseProfile(profile: number): void;
    cmsGetColorSpaceASCII(profile: number): string | null;
    cmsCreateTransform(
      input: number,
      inputFormat: number,
      output: number,
      outputFormat: number,
      intent: number,
      flags: number,
    ): number;
    cmsDeleteTransform(transform: number): void;
    cmsDoTransform(
      transform: number,
      input: Uint16Array | Float32Array,
      pixels: number,
    ): Uint16Array | Float32Array;
  }
  export function instantiate(): Promise<Lcms>;
}
