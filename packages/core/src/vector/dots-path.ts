import { present } from '../base/present.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import type { Frame } from '../raster/frame.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import { screenKind } from '../screen/kinds/index.ts';
import { latticeOf, limitsOf, screenTransfer, type Screen } from '../screen/screen.ts';
import { clipped } from './clipped.ts';
import { rectangle, without, type Area } from '../path/area.ts';
import { latticePath } from './lattice-path.ts';
import { levelPath } from './level-path.ts';
import type { PathData } from './path-data.ts';
import { ExcessRows } from './excess-rows.ts';
import { bitsIn, tonesOf, tonesWithin } from './tone-field.ts';
import type { Units } from './units.ts';

/** Pixels of tone along a cell of a straight lattice. */
const PER_CELL = 3;
/** Points along a cell at which the edges of dots are looked for; the thinnest lines must not fall between two. */
const PER_BENT_CELL = { dot: 16, line: 24 };
/** From so many points on half as many do. */
const MANY_POINTS = 150e6;
/** Cells that an outline may stray from a dot's edge, to save points. */
const STRAYS = 0.002;

/** How a screen's dots are geometry: each by its size, or by where coverage passes a threshold; undefined where they are pixels. */
export function dotsManner(screen: Screen): 'lattice' | 'contours' | undefined {
  if (screen.coarse > 0) return undefined;
  if (latticeOf(screen)?.supercell) return 'lattice';
  return screenKind(screen.kind).contours ? 'contours' : undefined;
}

/** Draws a plate's dots as geometry out of its tones, each part of the sheet by itself and cut to it. */
export function dotsPath(
  scene: Scene,
  plate: number,
  faces: readonly Area[],
  units: Units,
  out: PathData,
): void {
  const { screen } = scene.recipe.plates[plate];
  const draw = dotsManner(screen) === 'lattice' ? latticeDots : contourDots;
  const whole = faces.length === 1 && isWhole(faces[0], units);
  for (const face of faces) draw(scene, plate, whole ? undefined : face, units, out);
}

/** True for a part that has no edge on the sheet. */
const isWhole = (face: Area, { frame }: Units): boolean =>
  without(rectangle({ left: 0, top: 0, right: frame.width, foot: frame.height }), face).length === 0;

type Draw = (scene: Scene, plate: number, face: Area | undefined, units: Units, out: PathData) => void;

/** Dots of a straight lattice, by the tone at each. */
const latticeDots: Draw = (scene, plate, face, units, out) => {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { film } = units;
  const lattice = present(latticeOf(screen), 'lattice');
  const supercell = present(lattice.supercell, 'straight lattice')(film.resolution);
  const grid = frameOf(recipe.sheet, supercell.ruling * PER_CELL);
  const tone = planeOf(scene, plate, face, units, grid);
  const { film: made } = screenTransfer(screen);
  const step = grid.resolution / film.resolution;
  const read = (x: number, y: number): number => {
    const column = Math.min(grid.width - 1, Math.max(0, Math.floor(x)));
    const row = Math.min(grid.height - 1, Math.max(0, Math.floor(y)));
    return tone.data[row * grid.width + column];
  };
  const toneAt = (x: number, y: number): number => {
    // The mean over most of the cell; a dot whose middle is bare is none.
    const [u, v] = [x * step, y * step];
    const middle = read(u, v);
    if (middle === 0) return 0;
    let asked = 0;
    for (let j = -1; j <= 1; j++) for (let i = -1; i <= 1; i++) asked += read(u + i, v + j);
    asked = Math.round(asked / 9);
    return made(asked) / SOLID;
  };
  const { spot, spotKey } = lattice;
  const cut = face ? clipped(out, face) : undefined;
  latticePath(
    supercell,
    spotKey,
    spot.outline,
    film,
    toneAt,
    units.frame.resolution / film.resolution,
    cut ?? out,
  );
  cut?.finish();
};

/** A plate's tones, or those of a part of the sheet, on a whole grid. */
function planeOf(scene: Scene, plate: number, face: Area | undefined, units: Units, grid: Frame): Plane {
  const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
  const tones = tonesOf(scene, plate, grid, whole);
  return face ? tonesWithin(tones, bitsIn(face, units, grid, whole)) : tones;
}

/** Dots that stand in no straight lattice, by where coverage passes their threshold. */
const contourDots: Draw = (scene, plate, face, units, out) => {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { ruling, mark } = present(latticeOf(screen), 'lattice');
  const fine = frameOf(recipe.sheet, ruling * PER_BENT_CELL[mark]);
  const perCell = PER_BENT_CELL[mark] / (fine.width * fine.height > MANY_POINTS ? 2 : 1);
  const grid = frameOf(recipe.sheet, ruling * perCell);
  const { margin, over } = present(screenKind(screen.kind).contours, 'screen with contours')(
    screen.settings,
    limitsOf(screen),
    grid,
  );
  const rows = new ExcessRows({ scene, plate, face, units, grid, margin, over });
  const scale = units.frame.resolution / grid.resolution;
  levelPath(rows, scale, STRAYS * perCell, out);
};
