import { MM_PER_INCH } from '../raster/frame.ts';
import type { Lattice } from '../screen/kinds/kind.ts';
import { MOST_ORDER, spotSpectrum } from '../screen/spot/spot-spectrum.ts';
import type { Mesh } from './press.ts';

/** What repeats along two directions: the dots of a screen, the openings of a mesh. */
export interface Grating {
  /** Cycles a mm across and down the sheet, of its first direction and its second. */
  readonly first: readonly [number, number];
  readonly second: readonly [number, number];
  /** Orders that are known, up to ± so many each way. */
  readonly most: number;
  /** Amplitude of order (m, n), 0–1; order (0, 0) is the share that is inked, or open. */
  readonly amplitude: (m: number, n: number) => number;
}

/** Two directions at right angles, the first so many degrees anticlockwise, of so many cycles a mm. */
function directions(perMm: number, angle: number): Pick<Grating, 'first' | 'second'> {
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return { first: [perMm * cos, -perMm * sin], second: [perMm * sin, perMm * cos] };
}

/** A screen's dots at a flat tone of 0–1, its lattice as made or as asked for. */
export function dotGrating(
  { spot, spotKey }: Pick<Lattice, 'spot' | 'spotKey'>,
  { ruling, angle }: { readonly ruling: number; readonly angle: number },
  tone: number,
): Grating {
  return {
    ...directions(ruling / MM_PER_INCH, angle),
    most: MOST_ORDER,
    amplitude: spotSpectrum(spotKey, spot, tone),
  };
}

/**
 * What a mesh leaves to ink: all but bare marks along its threads.
 *
 * @param mark width of a mark as a share of the way from one thread to the next, 0–1
 */
export function meshGrating({ count, angle }: Pick<Mesh, 'count' | 'angle'>, mark: number): Grating {
  const perMm = count / 10;
  const open = 1 - mark;
  // Openings side by side: a square wave each way.
  const wave = (order: number): number =>
    order === 0 ? open : Math.abs(Math.sin(Math.PI * order * open) / (Math.PI * order));
  return { ...directions(perMm, angle), most: 3, amplitude: (m, n) => wave(m) * wave(n) };
}
