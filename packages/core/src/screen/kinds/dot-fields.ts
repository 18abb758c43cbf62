import type { MotifField, NumberField, SpotField } from '../../base/field.ts';
import { MM_PER_INCH } from '../../raster/frame.ts';
import { MOTIFS } from '../spot/motif.ts';
import { spotOf, SPOTS } from '../spot/index.ts';
import { USUAL_ASPECT } from '../spot/ellipse.ts';
import type { Lattice } from './kind.ts';

/** Fields that screens of dots and of lines share. */

export const SPOT = (start: string): SpotField => ({ type: 'spot', label: 'Shape', start });

export const RULING: NumberField = {
  type: 'number',
  label: 'Ruling',
  unit: 'lpi',
  least: 1,
  most: 300,
  usual: [4, 175],
  ratio: true,
  start: 30,
};

export const ANGLE = (start: number): NumberField => ({
  type: 'number',
  label: 'Angle',
  unit: 'degrees',
  least: -180,
  most: 180,
  usual: [0, 180],
  start,
});

export const ASPECT: NumberField = {
  type: 'number',
  label: 'Aspect',
  unit: 'plain',
  least: 0.2,
  most: 1,
  start: USUAL_ASPECT,
  when: { field: 'spot', is: ['ellipse'] },
};

export const MOTIF: MotifField = {
  type: 'motif',
  label: 'Motif',
  start: MOTIFS[0].path,
  when: { field: 'spot', is: ['motif'] },
};

interface SpotSettings {
  readonly spot: string;
  readonly aspect: number;
  readonly motif: string;
}

/** Cache key: equal iff the shape is equal. */
export const spotKey = ({ spot, aspect, motif }: SpotSettings): string =>
  spot === 'ellipse' ? `ellipse ${aspect}` : spot === 'motif' ? `motif ${motif}` : spot;

/** A shape by its name; a motif by its own, if it has one. */
export function spotWords({ spot, motif }: SpotSettings): string {
  const name = spot === 'motif' ? MOTIFS.find(({ path }) => path === motif)?.name : undefined;
  return (name ?? SPOTS.find(({ id }) => id === spot)?.name ?? spot).toLowerCase();
}

/** What a lattice of a shape at a ruling and angle says of itself. */
export function latticeFacts(
  settings: SpotSettings & { readonly ruling: number; readonly angle: number },
): Omit<Lattice, 'supercell'> {
  const { ruling, angle } = settings;
  const spot = spotOf(settings.spot, settings);
  return {
    ruling,
    angle,
    mark: settings.spot === 'line' ? 'line' : 'dot',
    spot,
    spotKey: spotKey(settings),
    size: (coverage) => spot.size(coverage) * (MM_PER_INCH / ruling),
  };
}
