/** Shares of red, green and blue in luma. Source: ITU-R BT.709-6, item 3.2. */
export const LUMA_709 = [0.2126, 0.7152, 0.0722] as const;

/** Luma of a colour, in the units of its channels. */
export const luma709 = (red: number, green: number, blue: number): number =>
  LUMA_709[0] * red + LUMA_709[1] * green + LUMA_709[2] * blue;
