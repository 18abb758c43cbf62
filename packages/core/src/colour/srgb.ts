import { power } from '../base/power.ts';

/** sRGB transfer function, IEC 61966-2-1:1999: encoded 0–1 to linear light 0–1. */
export const srgbToLinear = (encoded: number): number =>
  encoded <= 0.04045 ? encoded / 12.92 : power((encoded + 0.055) / 1.055, 2.4);

/** Its inverse: linear light 0–1 to encoded 0–1. */
export const linearToSrgb = (linear: number): number =>
  linear <= 0.0031308 ? linear * 12.92 : 1.055 * power(linear, 1 / 2.4) - 0.055;

/** Red, green, blue in linear light, 0–1. */
export type LinearRgb = readonly [number, number, number];

const LINEAR = Float64Array.from({ length: 256 }, (_, value) => srgbToLinear(value / 255));

/** Samples of 65536 steps of light: each from the light half-way to the sample before it. */
const ENCODED = new Uint8Array(65536);
for (let value = 1; value < 256; value++) {
  ENCODED.fill(value, Math.ceil(srgbToLinear((value - 0.5) / 255) * 65535));
}

/** An 8-bit sRGB sample in linear light. */
export const linearOf8 = (value: number): number => LINEAR[value];

/** Linear light (0–1, clipped) as an 8-bit sRGB sample. */
export const encode8 = (linear: number): number =>
  ENCODED[linear <= 0 ? 0 : linear >= 1 ? 65535 : (linear * 65535 + 0.5) | 0];

/** `#rrggbb` as three 8-bit samples. */
export function hexToRgb(hex: string): [number, number, number] {
  const value = Number.parseInt(hex.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

/** `#rrggbb` to linear light. */
export function hexToLinear(hex: string): LinearRgb {
  const [red, green, blue] = hexToRgb(hex);
  return [LINEAR[red], LINEAR[green], LINEAR[blue]];
}
