/** The ranges the numbers of a job may take, shared by the schema and the interface. */
export const LIMITS = {
  /** Side of a sheet, mm. */
  side: { least: 5, most: 5000 },
  /** Width of an original, mm. */
  placed: { least: 1, most: 10000 },
  /** Blur before the edge of line art is drawn, pixels of the picture. */
  smooth: { least: 0, most: 20 },
  /** One side over another. */
  ratio: { least: 0.02, most: 50 },
  /** Place of an original on the sheet, mm. */
  position: { least: -10000, most: 10000 },
  /** Film resolution, dots per inch. */
  resolution: { least: 36, most: 4800 },
  /** Lines per inch. */
  ruling: { least: 1, most: 300 },
  /** Degrees anticlockwise. */
  angle: { least: -180, most: 180 },
} as const;
