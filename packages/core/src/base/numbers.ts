/** A value kept between two others. */
export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

/** A value to so many decimals; never −0. */
export const rounded = (value: number, decimals: number): number => {
  const times = 10 ** decimals;
  return Math.round(value * times) / times + 0;
};
