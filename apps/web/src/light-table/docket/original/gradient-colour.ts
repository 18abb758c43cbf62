/** Red, green and blue (0–255) for a style sheet. */
export const cssColour = (rgb: readonly number[]): string => `rgb(${rgb.map(Math.round).join(' ')})`;

/** Red, green and blue (0–255) as #rrggbb. */
export const hexOf = (rgb: readonly number[]): string =>
  `#${rgb.map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`;
