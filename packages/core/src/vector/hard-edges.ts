import { cutOutOf, hasLine, placeOriginal, type PlacedOriginal } from '../original/place-original.ts';
import { shifted } from '../original/shifted.ts';
import { printedInks } from '../plate/composed-art.ts';
import { baseOf, hasLines, isEdged, platesOverBase } from '../plate/plate-art.ts';
import { isPlated } from '../recipe/plated.ts';
import type { OriginalRecipe, Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { routeInks } from '../separation/route.ts';
import { routeKind } from '../separation/routes/index.ts';
import { boxesMeet, boxOf, rectangle, shared, without, type Area } from '../path/area.ts';
import { lineShapes, screenedArea } from './content-shapes/index.ts';
import type { LineShape } from './line-shape.ts';
import { boxArea, containerArea, cutArea } from './original-areas.ts';
import type { Units } from './units.ts';

/** What of a plate is told by geometry: parts of the sheet in each of which tones run on, and line work over them. */
export interface HardEdges {
  /** None of them overlap. Dots end where theirs does. */
  readonly faces: readonly Area[];
  /** The lowest first; whatever leaves others bare has been taken from them already. */
  readonly lines: readonly LineShape[];
}

/** Millimetres that a part of the sheet goes on beyond it, so that no dot near the sheet's edge needs clipping. */
const BEYOND = 30;

/** True for tones whose edge is soft, or made of whole dots: there is no line to cut dots along. */
const isSoft = (original: OriginalRecipe): boolean => {
  const { container } = original;
  const cut = cutOutOf(original);
  return (
    (container !== null && (container.feather > 0 || container.edge === 'whole')) ||
    (cut !== null && cut.softness > 0)
  );
};

/** True for what only pixels can tell: flat tones, dots within dots, line work that fades. */
const isPixels = (original: OriginalRecipe): boolean => {
  const { fade, mix, route } = original;
  if (fade !== null || mix !== null) return true;
  return hasLine(original) ? isSoft(original) : routeKind(route).isFlat === true;
};

/** Originals that have a say on a plate. */
const sayingOn = ({ originals, plates }: Recipe, plate: number): OriginalRecipe[] => {
  const { ink } = plates[plate];
  return originals.filter(
    (original) => isPlated(original) && (!original.overprint || routeInks(original.route).includes(ink)),
  );
};

/** True when a plate's edges can be told as geometry, as far as its recipe says. */
export function hasGeometry(recipe: Recipe, plate: number): boolean {
  if (isEdged(recipe, plate)) return false;
  const { coarse, coarseLines } = recipe.plates[plate].screen;
  // Line work in the pixels of a coarse grid has none of its own outlines.
  if (coarse > 0 && coarseLines && hasLines({ recipe }, plate)) return false;
  const saying = sayingOn(recipe, plate);
  if (saying.some(isPixels)) return false;
  if (platesOverBase(recipe, plate).length > 0 || baseOf(recipe, plate) >= 0) {
    const others = [plate, baseOf(recipe, plate), ...platesOverBase(recipe, plate)].filter((one) => one >= 0);
    return !hasLines({ recipe }, plate) && others.every((one) => sayingOn(recipe, one).every(isPlain));
  }
  // Soft edges over line work hide it by halves.
  let lines = false;
  for (const original of saying) {
    if (hasLine(original)) lines = true;
    else if (lines && isSoft(original) && !original.overprint) return false;
  }
  return true;
}

/** True for tones that end only where their dots do. */
const isPlain = (original: OriginalRecipe): boolean =>
  !isPixels(original) && (original.container === null || isSoft(original)) && cutOutOf(original) === null;

/** A plate's hard edges; undefined where only its film's pixels tell them. */
export function hardEdges(scene: Scene, plate: number, units: Units): HardEdges | undefined {
  const { recipe } = scene;
  if (!hasGeometry(recipe, plate)) return undefined;
  const reach = BEYOND * units.perMm;
  const { width, height } = units.frame;
  const everything = rectangle({ left: -reach, top: -reach, right: width + reach, foot: height + reach });
  const isBase = platesOverBase(recipe, plate).length > 0 || baseOf(recipe, plate) >= 0;
  const made: Made = { faces: [everything], lines: [] };
  if (isBase) return made;
  const { ink, shift } = recipe.plates[plate];
  for (const one of recipe.originals) {
    if (!isPlated(one)) continue;
    const original = shifted(one, scene, recipe.sheet, shift);
    const printed = printedInks(original).includes(ink);
    if (!printed && original.overprint) continue;
    const placed = placeOriginal({ original, materials: scene, frame: units.film });
    if (hasLine(original)) layLines(placed, units, printed, made);
    else if (placed.tones?.alpha) {
      // What is clear in parts ends softly, and hides only parts of the line work under it.
      if (made.lines.length > 0 && !original.overprint) return undefined;
    } else layTones(placed, units, everything, made);
  }
  return made;
}

interface Made {
  faces: Area[];
  lines: LineShape[];
}

function layTones(placed: PlacedOriginal, units: Units, everything: Area, made: Made): void {
  const { original } = placed;
  if (isSoft(original)) return;
  const { width, height } = units.frame;
  const whole = containerArea(placed, units) ?? boxArea(placed, units);
  const cut = cutArea(placed, units);
  const area = cut ? shared(whole, cut) : whole;
  // What covers all of the sheet ends nowhere on it.
  const slack = Math.ceil(SLACK * units.perMm);
  const sheet = rectangle({ left: slack, top: slack, right: width - slack, foot: height - slack });
  layArea(without(sheet, area).length === 0 ? everything : area, original.overprint, made);
}

/** Millimetres that a picture may be short of the sheet's edge and still fill it: less than a film pixel. */
const SLACK = 0.005;

/** Begins a part of its own for an area; line work under it goes unless it is printed over. */
function layArea(area: Area, overprint: boolean, made: Made): void {
  const rest = made.faces.map((face) => without(face, area));
  const over = overprint ? made.faces.map((face) => shared(face, area)) : [area];
  made.faces = [...rest, ...over].filter((face) => face.length > 0);
  if (!overprint) made.lines = cutLines(made.lines, area);
}

function layLines(placed: PlacedOriginal, units: Units, printed: boolean, made: Made): void {
  const screened = screenedArea(placed, units);
  if (screened) layArea(screened, placed.original.overprint, made);
  for (const shape of lineShapes(placed, units)) {
    if (shape.ink && printed) {
      made.lines.push(shape);
      continue;
    }
    // What prints elsewhere knocks out here, and so does what is to stay bare.
    made.faces = made.faces.map((face) => without(face, shape.area)).filter((face) => face.length > 0);
    made.lines = cutLines(made.lines, shape.area);
  }
}

/** Line work without what lies in an area; what does not meet it keeps its curves. */
function cutLines(lines: readonly LineShape[], area: Area): LineShape[] {
  const box = boxOf(area);
  if (!box) return [...lines];
  return lines.flatMap((line): LineShape[] => {
    const own = boxOf(line.area);
    if (!own || !boxesMeet(own, box) || shared(line.area, area).length === 0) return [line];
    const rest = without(line.area, area);
    return rest.length > 0 ? [{ ink: true, rule: 'nonzero', area: rest }] : [];
  });
}
