import type { SpotShape } from '../screen/spot/spot.ts';

/** An original as flat dots in its own colours: each dot is of the one colour found under its middle. */
export interface ColourDots extends SpotShape {
  /** Id of the dot's shape. */
  readonly spot: string;
  /** Lines per inch. */
  readonly ruling: number;
  /** Degrees anticlockwise. */
  readonly angle: number;
  /** Share of its cell that a dot covers, in percent; of a dark one's, if they grow with the tone. */
  readonly size: number;
  /** All alike, or larger where the picture is darker. */
  readonly by: 'even' | 'tone';
  /** Cells each way that share one colour. */
  readonly coarse: number;
}
