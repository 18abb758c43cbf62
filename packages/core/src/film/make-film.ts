import { plateBits } from '../plate/evaluate.ts';
import { countInk, createBits, placeBits, type Bits } from '../raster/bits.ts';
import { bands, intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import { screenKind } from '../screen/kinds/index.ts';
import { latticeOf, type Screen } from '../screen/screen.ts';
import { toFilm, type Emulsion } from './emulsion.ts';
import type { FilmFacts, FilmFile } from './film-file.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';

/** What a film file will say of a plate. */
export function filmFacts(scene: Scene, plate: number, jobName: string): FilmFacts {
  const { recipe } = scene;
  const { ink, screen } = recipe.plates[plate];
  const name = recipe.inks.find(({ id }) => id === ink)?.name ?? ink;
  const { width, height, resolution } = filmLayout(recipe);
  return { width, height, resolution, description: `${jobName}: ${name}, ${screenFacts(screen)}` };
}

/** A screen in plain letters: its ruling and angle, or what it is. */
function screenFacts(screen: Screen): string {
  const lattice = latticeOf(screen);
  return lattice
    ? `${lattice.ruling} lpi, ${lattice.angle} degrees`
    : screenKind(screen.kind).name.toLowerCase();
}

/** How far a film is: rows made of all rows, and pixels inked so far. */
export interface FilmProgress {
  readonly rows: number;
  readonly of: number;
  readonly inked: number;
}

/**
 * Makes one plate's film, a strip at a time, and tells after each how far it is. Only a strip is ever held: memory
 * does not grow with the film. Stop asking, and it stops.
 */
export function* makeFilm(
  scene: Scene,
  plate: number,
  emulsion: Emulsion,
  file: FilmFile,
): Generator<FilmProgress> {
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  let inked = 0;
  for (const strip of bands({ x: 0, y: 0, width, height }, 1, file.rowsPerStrip)) {
    const bits = filmBits(scene, plate, layout, strip);
    inked += countInk(bits);
    file.strip(toFilm(bits, emulsion));
    yield { rows: strip.y + strip.height, of: height, inked };
  }
  file.finish();
}

/** A region of a film, the plate where the layout has it; around it the film is bare. */
export function filmBits(scene: Scene, plate: number, layout: FilmLayout, region: Region): Bits {
  const part = intersect(layout.plate, region);
  const { x, y } = layout.plate;
  const bits = () => plateBits(scene, plate, layout.frame, { ...part, x: part.x - x, y: part.y - y });
  if (part.width === region.width && part.height === region.height) return bits();
  const out = createBits(region.width, region.height);
  if (!isEmpty(part)) placeBits(bits(), out, part.x - region.x, part.y - region.y);
  return out;
}
