import type { Check } from '../finding.ts';
import { dotsLost, gapsFilled } from './dots.ts';
import { fewGreys } from './few-greys.ts';
import { moireBetweenPlates, moireWithMesh } from './moire.ts';
import { noBleed } from './no-bleed.ts';
import { noTrap } from './no-trap.ts';
import { oddThings } from './odd-things.ts';
import { outOfReach } from './out-of-reach.ts';
import { rulingAgainstMesh } from './ruling-against-mesh.ts';
import { thinLineWork } from './thin-lines.ts';
import { tooCoarse } from './too-coarse.ts';
import { tooMuchInk } from './too-much-ink.ts';

/** All checks, in the order of the work. */
export const CHECKS: readonly Check[] = [
  tooCoarse,
  fewGreys,
  rulingAgainstMesh,
  moireWithMesh,
  moireBetweenPlates,
  dotsLost,
  gapsFilled,
  thinLineWork,
  tooMuchInk,
  noBleed,
  noTrap,
  outOfReach,
  oddThings,
];
