import { cache } from '../../base/cache.ts';
import { MissingMaterial } from '../../base/errors.ts';
import { numberOf } from '../../base/identity.ts';
import type { Drawing } from '../../drawing/drawing.ts';
import type { Scene } from '../../recipe/scene.ts';
import type { FilmWords } from '../film-words.ts';
import { markKind } from './index.ts';
import { joined, type MarkArt } from './mark-art.ts';
import type { MarkedFilm } from './mark-kind.ts';
import { marksLayout } from './marks-layout.ts';

/** All marks of one film. */
export interface FilmMarks extends MarkArt {
  /** Their line art, in mm from the trimmed sheet's left top corner. */
  readonly drawing: Drawing;
}

const recentMarks = cache<FilmMarks>('film marks');

/** @throws MissingMaterial when the typeface of a label is not at hand */
export function filmMarks(scene: Scene, plate: number, words: FilmWords): FilmMarks {
  const { recipe, typefaces } = scene;
  const { sheet, marks, plates, inks, press } = recipe;
  const font = typefaces.get(marks.font);
  const key = JSON.stringify([
    plate,
    words,
    sheet,
    marks,
    plates.map(({ ink, printed, screen }) => [ink, printed, screen]),
    plates[plate],
    inks.map(({ id, name }) => [id, name]),
    press,
    font ? numberOf(font) : 0,
  ]);
  return recentMarks(key, () => {
    const { ring, blocks } = marksLayout(recipe);
    const film: MarkedFilm = {
      recipe,
      plate,
      words,
      get face() {
        if (!font) throw new MissingMaterial('typeface', 'Film marks', marks.font);
        return font;
      },
    };
    const around = marks.uses.flatMap(
      ({ kind, settings }) => markKind(kind).around?.(settings, sheet, ring) ?? [],
    );
    const art = joined([...around, ...blocks.map(({ block, ...at }) => block.draw(film, at))]);
    return { ...art, drawing: { width: sheet.width, height: sheet.height, shapes: art.shapes, clips: [] } };
  });
}
