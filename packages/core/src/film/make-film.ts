import { countInk, cropBits, type Bits } from '../raster/bits.ts';
import { bands, intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import { toFilm, type Emulsion } from './emulsion.ts';
import { filmBits } from './film-bits.ts';
import type { FilmFacts, FilmFile } from './film-file.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';
import { NO_WORDS, type FilmWords } from './film-words.ts';
import { screenFacts } from './screen-facts.ts';

/** What a film file will say of a plate. */
export function filmFacts(scene: Scene, plate: number, jobName: string): FilmFacts {
  const { recipe } = scene;
  const { ink, screen } = recipe.plates[plate];
  const name = recipe.inks.find(({ id }) => id === ink)?.name ?? ink;
  const { width, height, resolution } = filmLayout(recipe);
  return { width, height, resolution, description: `${jobName}: ${name}, ${screenFacts(screen)}` };
}

/** How far a film is: rows made of all rows, and pixels of the plate inked so far. */
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
  words: Omit<FilmWords, 'mirrored'> = NO_WORDS,
): Generator<FilmProgress> {
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  const said = { ...words, mirrored: emulsion.mirrored };
  let inked = 0;
  for (const strip of bands({ x: 0, y: 0, width, height }, 1, file.rowsPerStrip)) {
    const bits = filmBits(scene, plate, layout, strip, said);
    inked += plateInk(bits, strip, layout);
    file.strip(toFilm(bits, emulsion));
    yield { rows: strip.y + strip.height, of: height, inked };
  }
  file.finish();
}

/** Pixels that a strip of a film inks within the plate: marks do not count. */
function plateInk(bits: Bits, strip: Region, { plate }: FilmLayout): number {
  const part = intersect(plate, strip);
  if (isEmpty(part)) return 0;
  if (part.width === strip.width && part.height === strip.height) return countInk(bits);
  return countInk(cropBits(bits, { ...part, x: part.x - strip.x, y: part.y - strip.y }));
}
