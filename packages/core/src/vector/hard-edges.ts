import { isLineWork } from '../original/line-work.ts';
import { baseOf, platesOverBase, hasLines, isEdged } from '../plate/plate-art.ts';
import type { OriginalRecipe, Recipe } from '../recipe/recipe.ts';
import type { Materials, Scene } from '../recipe/scene.ts';
import { readOriginal } from '../original/read-original.ts';
import { shifted } from '../original/shifted.ts';
import { lineInks, routeInks } from '../separation/route.ts';
import { routeKind } from '../separation/routes/index.ts';
import { boxArea, containerArea, cutArea, lettersOf, lineShapes, type LineShape } from './line-shapes.ts';
import { areaOfContours, boxesMeet, boxOf, rectangle, shared, without, type Area } from './area.ts';
import type { Units } from './units.ts';

/** What of a plate is told by geometry: parts of the sheet in each of which tones run on, and line work over them. */
export interface HardEdges {
  /** None of them overlap. Dots end where theirs does. */
  readonly faces: readonly Area[];
  /** The lowest first; whatever leaves others bare has been taken from them already. */
  readonly lines: readonly LineShape[];
}

/** Millimetres that a part of the sheet goes on beyond it, so that dots there are not looked at one by one. */
const BEYOND = 30;

/** True for tones whose edge is soft, or made of whole dots: there is no line to cut dots along. */
const isSoft = ({ container, content }: OriginalRecipe): boolean =>
  (container !== null && (container.feather > 0 || container.edge === 'whole')) ||
  (content.kind === 'picture' && content.cut !== null && content.cut.softness > 0);

/** True for what only pixels can tell: tones in bands, dots within dots, line work that fades. */
const isPixels = (original: OriginalRecipe): boolean => {
  const { fade, mix, route, content } = original;
  const isLine = content.kind === 'lettering' || isLineWork(original);
  return (
    fade !== null ||
    mix !== null ||
    (!isLine && routeKind(route).isFlat === true) ||
    (isLine && isSoft(original))
  );
};

/** Originals that have a say on a plate. */
const sayingOn = ({ originals, plates }: Recipe, plate: number): OriginalRecipe[] => {
  const { ink } = plates[plate];
  return originals.filter(
    ({ shown, overprint, route }) => shown && (!overprint || routeInks(route).includes(ink)),
  );
};

/** True when a plate's edges can be told as geometry, as far as its recipe says. */
export function hasGeometry(recipe: Recipe, plate: number): boolean {
  if (isEdged(recipe, plate)) return false;
  const saying = sayingOn(recipe, plate);
  if (saying.some(isPixels)) return false;
  if (platesOverBase(recipe, plate).length > 0 || baseOf(recipe, plate) >= 0) {
    const others = [plate, baseOf(recipe, plate), ...platesOverBase(recipe, plate)].filter((one) => one >= 0);
    return !hasLines({ recipe }, plate) && others.every((one) => sayingOn(recipe, one).every(isPlain));
  }
  // Soft edges over line work hide it by halves.
  let lines = false;
  for (const original of saying) {
    if (isLineWork(original) || original.content.kind === 'lettering') lines = true;
    else if (lines && isSoft(original) && !original.overprint) return false;
  }
  return true;
}

/** True for tones that end only where their dots do. */
const isPlain = (original: OriginalRecipe): boolean =>
  original.content.kind !== 'lettering' &&
  !isPixels(original) &&
  (original.container === null || isSoft(original)) &&
  (original.content.kind !== 'picture' || original.content.cut === null);

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
    if (!one.shown) continue;
    const original = shifted(one, scene, recipe.sheet, shift);
    const printed = lineInks(original.route).includes(ink);
    if (original.content.kind === 'lettering' || isLineWork(original)) {
      if (!printed && original.overprint) continue;
      layLines(original, scene, units, printed, made);
    } else if (routeInks(original.route).includes(ink) || !original.overprint) {
      if (readOriginal(original, scene, units.film).alpha) {
        // What is clear in parts ends softly, and hides only parts of the line work under it.
        if (made.lines.length > 0 && !original.overprint) return undefined;
      } else layTones(original, scene, units, everything, made);
    }
  }
  return made;
}

interface Made {
  faces: Area[];
  lines: LineShape[];
}

function layTones(
  original: OriginalRecipe,
  materials: Materials,
  units: Units,
  everything: Area,
  made: Made,
): void {
  if (isSoft(original)) return;
  const { container, content, overprint } = original;
  const { width, height } = units.frame;
  let area = container ? containerArea(original, materials, units) : boxArea(original, materials, units);
  if (content.kind === 'picture' && content.cut) area = shared(area, cutArea(original, materials, units));
  // What covers all of the sheet ends nowhere on it.
  const slack = Math.ceil(SLACK * units.perMm);
  const sheet = rectangle({ left: slack, top: slack, right: width - slack, foot: height - slack });
  layArea(without(sheet, area).length === 0 ? everything : area, overprint, made);
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

function layLines(
  original: OriginalRecipe,
  materials: Materials,
  units: Units,
  printed: boolean,
  made: Made,
): void {
  const { content, overprint } = original;
  if (content.kind === 'lettering' && content.fill === 'gradient') {
    const contours = lettersOf(original, materials, units);
    let letters = areaOfContours(contours, 'nonzero', units.tolerance);
    if (original.container) letters = shared(letters, containerArea(original, materials, units));
    layArea(letters, overprint, made);
  }
  for (const shape of lineShapes(original, materials, units)) {
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
