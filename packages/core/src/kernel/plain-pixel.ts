const { fround } = Math;

/** A whole number kept within what a pixel holds. */
export const keptPixel = (value: number): number => (value < 0 ? 0 : value > 65535 ? 65535 : value);

/** A real as a pixel, rounded (the even one of two alike near) and kept within 0 to 65535. */
export const toPixel = (value: number): number => keptPixel(fround(value + 2 ** 23) - 2 ** 23);
