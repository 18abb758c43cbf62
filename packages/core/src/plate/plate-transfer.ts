import { inkOf } from '../ink/ink-of.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { SOLID } from '../raster/plane.ts';
import { openShare } from '../press/thread-mark.ts';
import { gainOf } from '../press/press.ts';
import { compensation, gainTransfer } from '../press/press-transfer.ts';
import type { PlateRecipe, Recipe } from '../recipe/recipe.ts';
import { screenKind } from '../screen/kinds/index.ts';
import { screenTransfer } from '../screen/screen.ts';
import {
  curveTransfer,
  inTurn,
  STRAIGHT_TRANSFER,
  transferByTable,
  type Transfer,
} from '../screen/transfer.ts';

/** Dots so much larger that a share of each of them prints the whole. */
const fuller = (share: number): Transfer =>
  transferByTable(`through ${share}`, () =>
    coverageTable((tone) => Math.min(SOLID, Math.round(tone / share))),
  );

/** What a plate's own curve and weight make of its art. */
export const ownTransfer = ({ curve, weight }: PlateRecipe): Transfer => curveTransfer(curve, weight);

/** What a press does to a plate's tones before its film is made, and to the film's after; hard edges alone have no tones. */
function pressTransfers(
  { press, inks, plates, throughMesh }: Recipe,
  plate: number,
): { before: Transfer; after: Transfer } {
  const { ink, screen } = plates[plate];
  if (!press || screenKind(screen.kind).hasDots === false)
    return { before: STRAIGHT_TRANSFER, after: STRAIGHT_TRANSFER };
  // A gain is measured on prints: what threads keep bare of them, dots make good.
  const mesh = throughMesh ? press.press.mesh : null;
  const gain = gainOf(press.press, inkOf(inks, ink).name);
  return {
    before: press.compensates ? compensation(gain) : STRAIGHT_TRANSFER,
    after: mesh ? inTurn(gainTransfer(gain), fuller(openShare(mesh))) : gainTransfer(gain),
  };
}

/** From a plate's art to what its film carries: against the press's gain, then the limits of its dots. */
export function filmTransfer(recipe: Recipe, plate: number): Transfer {
  const limits = screenTransfer(recipe.plates[plate].screen);
  const { before } = pressTransfers(recipe, plate);
  return { ...inTurn(before, limits), parts: { gain: before, limits } };
}

/** From a plate's art to what a recipe wants of it: its film, or of a print what is printed of that. */
export function dotTransfer(recipe: Recipe, plate: number): Transfer {
  const film = filmTransfer(recipe, plate);
  if (!recipe.isPrint) return film;
  const limits = screenTransfer(recipe.plates[plate].screen);
  const { before, after } = pressTransfers(recipe, plate);
  return { ...inTurn(film, after), parts: { gain: inTurn(before, after), limits } };
}

/** What the press prints by what is on a plate's film, 65536 coverages; undefined where they are equal, and of films. */
export const printedByFilm = (recipe: Recipe, plate: number): Uint16Array | undefined =>
  recipe.isPrint ? pressTransfers(recipe, plate).after.table : undefined;

/** From what the originals ask of a plate to its dots, where nothing else is done to it: its own curve and weight come first. */
export const plateTransfer = (recipe: Recipe, plate: number): Transfer =>
  inTurn(ownTransfer(recipe.plates[plate]), dotTransfer(recipe, plate));
