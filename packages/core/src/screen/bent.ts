import type { NumberField, SeedField } from '../base/field.ts';
import { turnOf } from '../base/turn.ts';
import { scatter } from '../kernel/scatter.ts';
import type { Place } from '../kernel/places.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';

/** How any lattice may be bent as a whole: twisted about a centre, and uneven as seen through poor glass. */
export interface Bent {
  /** Degrees anticlockwise at the centre. */
  readonly twist: number;
  /** How far from the centre the twist has faded away, mm. */
  readonly twistReach: number;
  /** The centre, mm from the sheet's middle. */
  readonly twistX: number;
  readonly twistY: number;
  /** How far apart places may come, in percent of a cell: half of it either way. */
  readonly uneven: number;
  /** Length of that unevenness, mm. */
  readonly unevenLength: number;
  readonly unevenSeed: number;
}

const TWISTED = { field: 'twist', not: 0 } as const;
const UNEVEN = { field: 'uneven', above: 0 } as const;

const offset = (label: string): NumberField => ({
  type: 'number',
  label,
  unit: 'mm',
  least: -10000,
  most: 10000,
  usual: [-300, 300],
  start: 0,
  when: TWISTED,
  isLater: true,
});

/** The fields of screens whose lattice may be bent. */
export const BENT_FIELDS = {
  twist: {
    type: 'number',
    label: 'Twist',
    unit: 'degrees',
    least: -360,
    most: 360,
    start: 0,
    isLater: true,
  },
  twistReach: {
    type: 'number',
    label: 'Twist reaches',
    unit: 'mm',
    least: 1,
    most: 5000,
    usual: [10, 300],
    ratio: true,
    start: 80,
    when: TWISTED,
    isLater: true,
  },
  twistX: offset('Twist across'),
  twistY: offset('Twist down'),
  uneven: {
    type: 'number',
    label: 'Uneven lattice',
    unit: 'percent',
    least: 0,
    most: 300,
    usual: [0, 150],
    start: 0,
    isLater: true,
  },
  unevenLength: {
    type: 'number',
    label: 'Over a length of',
    unit: 'mm',
    least: 0.5,
    most: 500,
    usual: [1, 80],
    ratio: true,
    start: 12,
    when: UNEVEN,
    isLater: true,
  },
  unevenSeed: { type: 'seed', label: 'Variation', start: 1, when: UNEVEN, isLater: true },
} as const satisfies Record<keyof Bent, NumberField | SeedField>;

/** How a lattice is bent; undefined where it is not. */
export function bentOf(settings: Partial<Bent>): Bent | undefined {
  const { twist = 0, uneven = 0 } = settings;
  if (twist === 0 && uneven === 0) return undefined;
  const start = Object.fromEntries(
    Object.entries(BENT_FIELDS).map(([name, field]) => [name, field.start]),
  ) as unknown as Bent;
  return { ...start, ...settings };
}

/** Moves the middle of a pixel to where it lies in the lattice before that was bent, in pixels. */
export type Unbend = (x: number, y: number, out: Float64Array) => void;

/** @param ruling lines per inch, whose cells unevenness is told in */
export function unbending(bent: Bent, ruling: number, frame: Frame): Unbend {
  const perMm = frame.resolution / MM_PER_INCH;
  const centreX = frame.width / 2 + bent.twistX * perMm;
  const centreY = frame.height / 2 + bent.twistY * perMm;
  const reach = bent.twistReach * perMm;
  const off = ((bent.uneven / 100) * frame.resolution) / ruling;
  const perLength = 1 / (bent.unevenLength * perMm);
  const [across, down] = [scatter(bent.unevenSeed * 11), scatter(bent.unevenSeed * 11 + 1)];
  return (x, y, out) => {
    let [u, v] = [x, y];
    if (bent.twist !== 0) {
      const [dx, dy] = [x + 0.5 - centreX, y + 0.5 - centreY];
      const far = Math.sqrt(dx * dx + dy * dy) / reach;
      if (far < 1) {
        // Level at the centre and where it ends, so that neither shows.
        const { cos, sin } = turnOf(bent.twist * (1 - far) * (1 - far) * (1 + 2 * far));
        u = centreX + dx * cos - dy * sin - 0.5;
        v = centreY + dx * sin + dy * cos - 0.5;
      }
    }
    if (off > 0) {
      const [i, j] = [eased(x * perLength), eased(y * perLength)];
      u += across(i, j) * off;
      v += down(i, j) * off;
    }
    out[0] = u;
    out[1] = v;
  };
}

/** A number that comes to every whole one level, so that nothing kinks there. */
function eased(at: number): number {
  const whole = Math.floor(at);
  const part = at - whole;
  return whole + part * part * (3 - 2 * part);
}

/** Places of a lattice that is bent. */
export function bentPlace(place: Place, unbend: Unbend): Place {
  const at = new Float64Array(2);
  return (x, y, out) => {
    unbend(x, y, at);
    place(at[0], at[1], out);
  };
}
