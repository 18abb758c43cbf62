import { overprints } from '../../ink/overprint.ts';
import { MM_PER_INCH } from '../../raster/frame.ts';
import { latticeOf } from '../../screen/screen.ts';
import type { Mesh } from '../../press/press.ts';
import { layoutOf, type Calibration } from '../calibration.ts';
import type { ToneReading } from '../fit-gain.ts';
import { targetFilm, targetFrame } from '../target-bits.ts';
import { normalOf } from './normal.ts';
import { INSTRUMENT_NOISE, pressOfGain, truthOf } from './press-loop.ts';
import { simulatedPrint, type LightPicture, type SimulatedPress } from './simulated-press.ts';

/** What of a calibration is printed. */
type Printed = Pick<Calibration, 'inks' | 'stock' | 'resolution'>;

/** Films of a simulated press are as fine as this at most, dots an inch: finer ones print alike, and take longer. */
export const FINEST = 720;

const resolutionOf = ({ resolution }: Printed): number => Math.min(FINEST, resolution);

/** How far ink of such a press runs: as a share of a cell, which it must bridge to gain as much as is wished; mm where there are no cells. */
const [CELL_SPREAD, PLAIN_SPREAD] = [0.106, 0.06];

/** A press that is only simulated, before it is known how much it gains. */
const SOFT: Omit<SimulatedPress, 'spread' | 'mesh'> = {
  slur: 0.01,
  takes: 0.5,
  starvation: 0.05,
  register: 0.1,
  noise: 0.02,
  seed: 3,
};

/**
 * The simulated press that gains so much at 50 % in the screen of a target's first ink.
 *
 * @param gain percent
 * @param mesh of the frame that it prints through, if it has one
 */
export function simulatedPressFor(target: Printed, gain: number, mesh: Mesh | null = null): SimulatedPress {
  const [{ screen }] = target.inks;
  const ruling = latticeOf(screen)?.ruling;
  const spread = ruling === undefined ? PLAIN_SPREAD : (CELL_SPREAD * MM_PER_INCH) / ruling;
  return pressOfGain({ screen, resolution: resolutionOf(target), press: { ...SOFT, spread, mesh } }, gain);
}

/** The target as that press prints it. */
export function simulatedTarget(target: Printed, press: SimulatedPress, ppi: number): LightPicture {
  const { inks, stock } = target;
  const resolution = resolutionOf(target);
  const layout = layoutOf(target);
  return simulatedPrint(
    {
      frame: targetFrame(layout, resolution),
      plates: inks.length,
      film: (plate, region) => targetFilm(layout, plate, inks[plate].screen, resolution, region),
      colours: overprints(
        stock,
        inks.map(({ ink }) => ink),
      ),
    },
    press,
    ppi,
  );
}

/** All patches of the target as an instrument reads them, ink by ink. */
export function simulatedReadings(target: Printed, press: SimulatedPress): ToneReading[][] {
  const { patches } = layoutOf(target);
  return target.inks.map(({ screen }, ink) => {
    const truth = truthOf({ screen, resolution: resolutionOf(target), press });
    const known = new Map<number, number>();
    return patches.flatMap((patch, i) => {
      if (patch.ink !== ink || patch.tone === 0) return [];
      const printed = known.get(patch.tone) ?? truth(patch.tone);
      known.set(patch.tone, printed);
      const noise = INSTRUMENT_NOISE * normalOf(press.seed, i, 7);
      return [{ film: patch.tone, printed: Math.min(100, Math.max(0, printed + noise)) }];
    });
  });
}
