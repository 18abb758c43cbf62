import { inkOf } from '../ink/ink-of.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { SOLID } from '../raster/plane.ts';
import { openShare } from '../press/thread-mark.ts';
import type { Gain } from '../press/gain.ts';
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

/** The gain of a plate's ink on the press; undefined without a press, and for hard edges alone, which have no tones. */
function gainOn({ press, inks, plates }: Recipe, plate: number): Gain | undefined {
  const { ink, screen } = plates[plate];
  if (!press || screenKind(screen.kind).hasDots === false) return undefined;
  return gainOf(press.press, inkOf(inks, ink).name);
}

/** What is done to a plate's tones against the press's gain, before its film is made. */
function againstPress(recipe: Recipe, plate: number): Transfer {
  const gain = recipe.press?.compensates ? gainOn(recipe, plate) : undefined;
  return gain ? compensation(gain) : STRAIGHT_TRANSFER;
}

/** What a press does to its film's tones after. */
function onPress(recipe: Recipe, plate: number): Transfer {
  const gain = gainOn(recipe, plate);
  if (!gain) return STRAIGHT_TRANSFER;
  // A gain is measured on prints: what threads keep bare of them, dots make good.
  const mesh = recipe.throughMesh ? recipe.press?.press.mesh : null;
  return mesh ? inTurn(gainTransfer(gain), fuller(openShare(mesh))) : gainTransfer(gain);
}

/** From a plate's art to what its film carries: against the press's gain, then the limits of its dots. */
export function filmTransfer(recipe: Recipe, plate: number): Transfer & Required<Pick<Transfer, 'parts'>> {
  const limits = screenTransfer(recipe.plates[plate].screen);
  const gain = againstPress(recipe, plate);
  return { ...inTurn(gain, limits), parts: { gain, limits } };
}

/** From a plate's art to what a recipe wants of it: its film, or of a print what is printed of that. */
export function dotTransfer(recipe: Recipe, plate: number): Transfer {
  const film = filmTransfer(recipe, plate);
  if (!recipe.isPrint) return film;
  const after = onPress(recipe, plate);
  const { gain, limits } = film.parts;
  return { ...inTurn(film, after), parts: { gain: inTurn(gain, after), limits } };
}

/** What the press prints by what is on a plate's film, 65536 coverages; undefined where they are equal, and of films. */
export const printedByFilm = (recipe: Recipe, plate: number): Uint16Array | undefined =>
  recipe.isPrint ? onPress(recipe, plate).table : undefined;

/** From what the originals ask of a plate to its dots, where nothing else is done to it: its own curve and weight come first. */
export const plateTransfer = (recipe: Recipe, plate: number): Transfer =>
  inTurn(ownTransfer(recipe.plates[plate]), dotTransfer(recipe, plate));
