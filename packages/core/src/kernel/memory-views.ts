/** Bare memory, seen as numbers of each kind. */
export interface MemoryViews {
  readonly u8: Uint8Array;
  readonly u16: Uint16Array;
  readonly i16: Int16Array;
  readonly i32: Int32Array;
  readonly f32: Float32Array;
  readonly f64: Float64Array;
}

export const memoryViews = (buffer: ArrayBuffer): MemoryViews => ({
  u8: new Uint8Array(buffer),
  u16: new Uint16Array(buffer),
  i16: new Int16Array(buffer),
  i32: new Int32Array(buffer),
  f32: new Float32Array(buffer),
  f64: new Float64Array(buffer),
});
