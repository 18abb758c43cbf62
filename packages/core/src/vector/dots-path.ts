import { present } from '../base/present.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { screenKind } from '../screen/kinds/index.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { latticeOf, type Screen } from '../screen/screen.ts';
import { cellShares } from './cell-shares.ts';
import { shared, without, type Area } from '../path/area.ts';
import { edgeIndex } from './edge-index.ts';
import { LatticeGrid } from './lattice-grid.ts';
import { latticePath } from './lattice-path.ts';
import { levelPath, type LevelField } from './level-path.ts';
import type { Paths } from './path-data.ts';
import { ExcessRows } from './excess-rows.ts';
import { filmArea, type Units } from './units.ts';

/** Points along a cell at which the edges of dots are looked for; the thinnest lines must not fall between two. */
const PER_CELL = { dot: 16, line: 24 };
/** Pixels per inch of a picture that outlines follow inside coarse cells, as far as the film has them. */
const DETAIL = 300;
/** From so many points on half as many do. */
const MANY_POINTS = 150e6;
/** Cells that an outline may stray from a dot's edge, to save points. */
const STRAYS = 0.002;

/** How the dots of a straight lattice are drawn. */
export type DotOutlines =
  /** Each the screen's own shape, as large as what the film inks in its cell. */
  | 'pure'
  /** Cut by the picture's detail inside the cell, as the film has them. */
  | 'film';

/** How a screen's dots are geometry: each by its size, or by where coverage passes a threshold; undefined where they are pixels. */
export function dotsManner(screen: Screen, outlines: DotOutlines): 'lattice' | 'contours' | undefined {
  if (screen.coarse > 0) return undefined;
  const { contours } = screenKind(screen.kind);
  if (latticeOf(screen)?.supercell && (outlines === 'pure' || !contours)) return 'lattice';
  return contours ? 'contours' : undefined;
}

/** Draws a plate's dots as geometry out of its tones, each part of the sheet by itself and cut to it and to the film. */
export function dotsPath(
  scene: Scene,
  plate: number,
  faces: readonly Area[],
  units: Units,
  outlines: DotOutlines,
  out: Paths,
): void {
  const { screen } = scene.recipe.plates[plate];
  const draw = dotsManner(screen, outlines) === 'lattice' ? latticeDots : contourDots;
  const film = filmArea(units);
  for (const face of faces) {
    const area = shared(face, film);
    if (area.length > 0) draw(scene, plate, area, units, out);
  }
}

type Draw = (scene: Scene, plate: number, area: Area, units: Units, out: Paths) => void;

/** Dots of a straight lattice, by what the film inks of each cell. */
const latticeDots: Draw = (scene, plate, area, units, out) => {
  const { film } = units;
  const lattice = present(latticeOf(scene.recipe.plates[plate].screen), 'lattice');
  const { spot, spotKey: key, supercell } = lattice;
  const grid = new LatticeGrid(present(supercell, 'straight lattice')(film.resolution), film);
  const near = edgeIndex(area);
  const shares = cellShares(scene, plate, spot, grid, area, near, units);
  const scale = units.frame.resolution / film.resolution;
  latticePath({ grid, key, shape: spot.outline, shares, scale, area, near }, out);
};

/** Cells of contours in one path: about a megabyte. */
const PATH_CELLS = 6000;

/** Dots by where coverage passes their threshold. */
const contourDots: Draw = (scene, plate, area, units, out) => {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { ruling, mark } = present(latticeOf(screen), 'lattice');
  const { resolution } = units.film;
  const least = Math.min(resolution, DETAIL) / ruling;
  const wanted = Math.max(PER_CELL[mark], least);
  const fine = frameOf(recipe.sheet, ruling * wanted);
  const perCell = fine.width * fine.height > MANY_POINTS ? PER_CELL[mark] / 2 : wanted;
  const grid = frameOf(recipe.sheet, ruling * perCell);
  const { margin, over } = present(screenKind(screen.kind).contours, 'screen with contours')(
    screen.settings,
    dotTransfer(recipe, plate),
    grid,
    resolution,
  );
  const whole = without(filmArea(units), area).length === 0;
  const rows = new ExcessRows({ scene, plate, face: whole ? undefined : area, units, grid, margin, over });
  const scale = units.frame.resolution / grid.resolution;
  const step = Math.max(64, Math.round((PATH_CELLS * perCell * perCell) / grid.width));
  // Each path but the last goes on for a row, so that no seam shows between it and the next.
  for (let from = 0; from < grid.height; from += step) {
    const height = Math.min(rows.height - from, step + 2);
    levelPath(partOf(rows, from, height), scale, STRAYS * perCell, out.next(), from);
  }
};

/** Some rows of a field. */
const partOf = (field: ExcessRows, from: number, height: number): LevelField => ({
  edge: field.edge,
  width: field.width,
  height,
  row: (y) => field.row(from + y),
  crossing: (x, y, ...rest) => field.crossing(x, from + y, ...rest),
});
