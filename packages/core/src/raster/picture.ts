/**
 * Samples of a picture in sRGB (IEC 61966-2-1) or grey with the sRGB tone curve, row after row, channels
 * interleaved: 1 grey, 2 grey + alpha, 3 RGB, 4 RGB + alpha. Alpha is not premultiplied. The sample type says
 * the depth: `Uint8Array` 8 bits, `Uint16Array` 16 bits.
 */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly channels: 1 | 2 | 3 | 4;
  readonly data: Uint8Array | Uint16Array;
}

/** 255 or 65535: the value of a full sample. */
export const fullSample = (picture: Picture): number => (picture.data instanceof Uint8Array ? 255 : 65535);

/** True when the last channel is alpha. */
export const hasAlpha = (picture: Picture): boolean => picture.channels === 2 || picture.channels === 4;

/** Makes the memory for samples; lets a caller put them where workers can share them. */
export type Allocate = (bytes: number) => ArrayBufferLike;

const ordinaryMemory: Allocate = (bytes) => new ArrayBuffer(bytes);

/** An empty picture of the same kind (channels and depth) with another size. */
export function createLike(
  picture: Picture,
  width: number,
  height: number,
  allocate: Allocate = ordinaryMemory,
): Picture {
  const samples = width * height * picture.channels;
  const data =
    picture.data instanceof Uint8Array
      ? new Uint8Array(allocate(samples))
      : new Uint16Array(allocate(samples * 2));
  return { width, height, channels: picture.channels, data };
}
