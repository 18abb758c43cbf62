import type { Lab } from '@brachytone/core';

/** Angles for a set of plates. */
export interface AngleSet {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** Degrees, one for each plate in the order given. */
  readonly angles: readonly number[];
}

const ninety = (angle: number): number => ((angle % 90) + 90) % 90;

/** Difference of two screens that look the same every 90°, degrees. */
export function anglesApart(a: number, b: number): number {
  const between = Math.abs(ninety(a) - ninety(b));
  return Math.min(between, 90 - between);
}

/**
 * Distance from one beat to the next where two equal screens lie over one another, mm: 1 ÷ (2 f sin(δ/2)), geometry;
 * Infinity for the same angle.
 *
 * @param ruling  lines per inch of both
 * @param between angle between them, degrees
 */
export const moirePeriod = (ruling: number, between: number): number =>
  between === 0 ? Infinity : 25.4 / (2 * ruling * Math.sin((between * Math.PI) / 360));

/** Angles for the strong inks, the strongest first: 30° apart (common practice, no source). */
const STRONG = [45, 75, 15];

/** Angles that a further plate is tried at, those wanted most first. */
const TRIED = [45, 75, 15, 0, 60, 30] as const;

/** The first angle that is 30° or more from those that are there, as a third then finds room too; else the one farthest from them. */
export function freeAngle(angles: readonly number[]): number {
  const apart = (angle: number) => Math.min(30, ...angles.map((one) => anglesApart(one, angle)));
  return TRIED.reduce((best: number, angle) => (apart(angle) > apart(best) + 1e-9 ? angle : best), TRIED[0]);
}

/**
 * Sets of angles for plates by their inks: the darkest at 45°, where the eye sees a screen least, the strong ones 30° apart,
 * the weakest between them; all at one angle; and the first turned off the threads of a mesh (common practice, no source).
 *
 * @param labs colours of the inks, plate by plate
 */
export function angleSets(labs: readonly Lab[]): AngleSet[] {
  const order = labs.map((_, i) => i).sort((a, b) => labs[a][0] - labs[b][0]);
  const angles = new Array<number>(labs.length);
  order.forEach((plate, rank) => {
    if (rank < 3) angles[plate] = STRONG[rank];
    // The weakest lies in the middle of the widest gap that is left; more inks than that have to share.
    else angles[plate] = rank === 3 ? 0 : rank === 4 ? 30 : rank === 5 ? 60 : STRONG[rank % 3];
  });
  const turned = (by: number) => angles.map((angle) => ninety(angle + by));
  return [
    {
      id: 'apart',
      name: '30° apart',
      says: 'The strong inks 30° apart, the weakest between them',
      angles,
    },
    {
      id: 'mesh-7',
      name: 'Off 7.5°',
      says: 'The same, all turned by 7.5° off the threads',
      angles: turned(7.5),
    },
    {
      id: 'mesh-22',
      name: 'Off 22.5°',
      says: 'The same, all turned by 22.5° off the threads',
      angles: turned(22.5),
    },
    {
      id: 'one',
      name: 'One angle',
      says: 'All at one angle: no moiré, but colours shift with poor register',
      angles: labs.map(() => 22.5),
    },
  ];
}
