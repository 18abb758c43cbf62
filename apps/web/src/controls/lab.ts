import { hexToLab, labToXyz, xyzToLab, type Lab, rounded } from '@brachytone/core';

/** `46 · −24 · −30`. */
export const labWords = ([l, a, b]: Lab): string =>
  [l, a, b].map((one) => String(Math.round(one)).replace('-', '−')).join(' · ');

/** Status T-like densities of a neutral have its reflectance: D = −log₁₀ Y. */
const ofDensity = (density: number): Lab => {
  const light = 10 ** -density;
  const [x, y, z] = labToXyz([100, 0, 0]);
  return xyzToLab([x * light, y * light, z * light]);
};

/**
 * Reads a colour: `#2f8fc4` as sRGB, three numbers as Lab under D50, or `1.6 D` as the density of a neutral.
 *
 * @returns Lab to two decimals, or undefined when it cannot be read
 */
export function parseLab(text: string): Lab | undefined {
  const typed = text.trim().toLowerCase().replace(/[−–]/g, '-');
  if (/^#?[0-9a-f]{6}$/.test(typed)) return hexToLab(typed.replace(/^#?/, '#'));
  const numbers = typed.match(/-?\d+(?:[.,]\d+)?/g)?.map((one) => Number(one.replace(',', '.'))) ?? [];
  if (/^d?\s*\d+(?:[.,]\d+)?\s*d?$/.test(typed) && typed.includes('d') && numbers.length === 1) {
    return numbers[0] <= 4
      ? (ofDensity(numbers[0]).map((value) => rounded(value, 2)) as unknown as Lab)
      : undefined;
  }
  if (numbers.length !== 3 || numbers[0] < 0 || numbers[0] > 100) return undefined;
  if (Math.abs(numbers[1]) > 160 || Math.abs(numbers[2]) > 160) return undefined;
  return [rounded(numbers[0], 2), rounded(numbers[1], 2), rounded(numbers[2], 2)];
}
