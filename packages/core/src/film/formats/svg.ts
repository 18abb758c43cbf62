import { filmFacts } from '../make-film.ts';
import { svgGeometry, writePlates } from '../svg.ts';
import { defineFormat } from './film-format.ts';

export const svg = defineFormat({
  id: 'svg',
  name: 'SVG',
  says: 'Dots as geometry, to recolour and scale in any drawing program',
  ending: 'svg',
  mediaType: 'image/svg+xml',
  holds: ['plate', 'job'],
  made: 'geometry',
  strips: null,
  geometry: svgGeometry,
  *write({ scene, holds, plates, name, day, approval, options, sink, packed }) {
    const alone = holds === 'plate';
    const title = alone ? filmFacts(scene, plates[0], name).description : name;
    const words = { job: name, day, approval, mirrored: false };
    const { inked } = yield* writePlates(scene, plates, title, options, words, sink.write, packed);
    return { inked: alone ? inked * 100 : null };
  },
});
