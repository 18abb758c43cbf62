import { plateBits } from '../../plate/evaluate.ts';
import { filmFrame } from '../../recipe/frame.ts';
import { overprints } from '../../ink/overprint.ts';
import { inkOf } from '../../ink/ink-of.ts';
import { countInk } from '../../raster/bits.ts';
import { bands } from '../../raster/region.ts';
import { inkSetOf } from '../../recipe/ink-set.ts';
import type { Scene } from '../../recipe/scene.ts';
import { simulatedPrint, type LightPicture, type SimulatedPress } from './simulated-press.ts';
import { FINEST } from './simulated-target.ts';

/** How much of the whole sheet is inked, percent: as asked, and as it came out. */
export interface PrintedShare {
  /** Name of the ink. */
  readonly ink: string;
  readonly asked: number;
  readonly printed: number;
}

/**
 * A job's films as a simulated press prints them, bleed and all.
 *
 * @param plates by their places, in printing order
 * @param longer pixels of the longer side of the picture
 */
export function simulatedJobPrint(
  scene: Scene,
  plates: readonly number[],
  press: SimulatedPress,
  longer: number,
): { readonly picture: LightPicture; readonly shares: readonly PrintedShare[] } {
  const { sheet } = scene.recipe;
  const resolution = Math.min(FINEST, sheet.resolution);
  const recipe = { ...scene.recipe, sheet: { ...sheet, resolution } };
  const films: Scene = { ...scene, recipe };
  const asked: Scene = { ...scene, recipe: { ...recipe, press: null } };
  const frame = filmFrame(recipe);
  const whole = { x: 0, y: 0, width: frame.width, height: frame.height };
  const { stock, inks, overprints: measured } = inkSetOf(recipe);
  const printing = plates.map((plate) => inkOf(inks, recipe.plates[plate].ink));
  const inked = plates.map(() => 0);
  // A solid is as dark as its ink gets: what ink there is counts beside that.
  const solid = 1 - press.starvation;
  const picture = simulatedPrint(
    {
      frame,
      plates: plates.length,
      film: (plate, region) => plateBits(films, plates[plate], frame, region),
      colours: overprints(stock, printing, measured),
      printed: (plate, full) => {
        for (const share of full) inked[plate] += (share * (1 - press.starvation * share * share)) / solid;
      },
    },
    press,
    // Whole film pixels in each of the picture's.
    resolution / Math.max(1, Math.ceil(Math.max(frame.width, frame.height) / longer)),
  );
  const pixels = frame.width * frame.height;
  const shares = plates.map((plate, i): PrintedShare => {
    let wanted = 0;
    for (const band of bands(whole, 1, 256)) wanted += countInk(plateBits(asked, plate, frame, band));
    return { ink: printing[i].name, asked: (100 * wanted) / pixels, printed: (100 * inked[i]) / pixels };
  });
  return { picture, shares };
}
