import { lengthUnit } from '../words/lengths.ts';
import type { Unit } from '../words/quantity.ts';
import { useAppSelector } from './store.ts';
import { useDocument } from './use-job.ts';

/**
 * The units of the open job's lengths, as this browser shows them.
 *
 * @param ppi pixels of the original per inch of the sheet, where lengths belong to one
 */
export function useLengthUnits(ppi?: number): {
  /** For what is kept in mm of the sheet. */
  readonly mm: Unit;
  /** The same, of whole mm rather than of dots. */
  readonly largeMm: Unit;
  /** For what is kept in pixels of the original; of 300 an inch where nothing tells. */
  readonly pixels: Unit;
} {
  const shown = useAppSelector((state) => state.view.lengthsIn);
  const { resolution } = useDocument().recipe.sheet;
  const sizes = { resolution, ppi };
  return {
    mm: lengthUnit('mm', shown, sizes),
    largeMm: lengthUnit('mm', shown, sizes, true),
    pixels: lengthUnit('picture', shown, { resolution, ppi: ppi ?? 300 }),
  };
}
