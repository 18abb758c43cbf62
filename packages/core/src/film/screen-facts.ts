import { screenKind } from '../screen/kinds/index.ts';
import { latticeOf, type Screen } from '../screen/screen.ts';

/**
 * A screen in a few words: its ruling and angle, or what it is.
 *
 * @param degrees what stands after the angle: files' descriptions are in plain letters
 */
export function screenFacts(screen: Screen, degrees = ' degrees'): string {
  const lattice = latticeOf(screen);
  return lattice
    ? `${lattice.ruling} lpi, ${lattice.angle}${degrees}`
    : screenKind(screen.kind).name.toLowerCase();
}
