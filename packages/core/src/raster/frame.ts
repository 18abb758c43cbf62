export const MM_PER_INCH = 25.4;

/** The grid of device pixels a plate is made on. Its left top corner is that of the bleed. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** Pixels per inch. */
  readonly resolution: number;
  /** From the grid's corner to the trimmed sheet's, mm each way. */
  readonly bleed: number;
  /** True for a first picture that is soon drawn over: its screens may be a little off in ruling and angle. */
  readonly draft?: boolean;
}

/** Millimetres to pixels of a grid. */
export const mmToPixels = (mm: number, frame: Frame): number => (mm / MM_PER_INCH) * frame.resolution;
