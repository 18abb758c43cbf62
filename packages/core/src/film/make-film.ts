import { present } from '../base/present.ts';
import { countInk, cropBits, type Bits } from '../raster/bits.ts';
import { withStripBits } from '../raster/work-memory.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import { toFilm, type Emulsion } from './emulsion.ts';
import { filmBits } from './film-bits.ts';
import type { FilmFacts, FilmFile } from './film-file.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';
import { NO_WORDS, type FilmWords } from './film-words.ts';
import { screenFacts } from './screen-facts.ts';
import type { PackedPiece } from './pieces.ts';
import { filmStrips, type StripPacking } from './strips.ts';

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

/** What a plate's film is made by. */
interface FilmOf {
  readonly scene: Scene;
  readonly plate: number;
  readonly emulsion: Emulsion;
  readonly words: Omit<FilmWords, 'mirrored'>;
}

/** Packs a strip of a plate's film apart from all others. */
export function packStrip(film: FilmOf, strip: Region, { seesAbove, pack }: StripPacking): PackedPiece {
  const up = seesAbove && strip.y > 0 ? 1 : 0;
  return withBits(film, { ...strip, y: strip.y - up, height: strip.height + up }, (made) => {
    const { stride, data } = made;
    const bits = { ...made, height: strip.height, data: data.subarray(up * stride) };
    const above = up === 0 ? undefined : { ...made, height: 1, data: data.subarray(0, stride) };
    // Packing may write over the lent bits.
    const inked = plateInk(bits, strip, filmLayout(film.scene.recipe));
    return { ...pack(toFilm(bits, film.emulsion), above && toFilm(above, film.emulsion).data), inked };
  });
}

/** Lends bits of a strip as they are seen from the plate's side. */
function withBits<Made>(
  { scene, plate, emulsion, words }: FilmOf,
  strip: Region,
  use: (bits: Bits) => Made,
): Made {
  const layout = filmLayout(scene.recipe);
  const said = { ...words, mirrored: emulsion.mirrored };
  return withStripBits(strip.width, strip.height, (out) =>
    use(filmBits(scene, plate, layout, strip, said, out)),
  );
}

/**
 * Makes one plate's film, a strip at a time, and tells after each how far it is. Only a strip is ever held: memory
 * does not grow with the film. Stop asking, and it stops.
 *
 * @param packed strips that were packed apart, by their place from the top
 */
export function* makeFilm(
  scene: Scene,
  plate: number,
  emulsion: Emulsion,
  file: FilmFile,
  words: Omit<FilmWords, 'mirrored'> = NO_WORDS,
  packed?: (strip: number) => PackedPiece,
): Generator<FilmProgress> {
  const layout = filmLayout(scene.recipe);
  const film = { scene, plate, emulsion, words };
  let inked = 0;
  for (const [i, strip] of filmStrips(layout).entries()) {
    if (packed) {
      const made = packed(i);
      inked += made.inked;
      present(file.packed, 'way to take packed strips')(made.bytes);
    } else {
      withBits(film, strip, (bits) => {
        inked += plateInk(bits, strip, layout);
        file.strip(toFilm(bits, emulsion));
      });
    }
    yield { rows: strip.y + strip.height, of: layout.height, inked };
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
