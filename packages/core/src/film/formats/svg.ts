import { filmFacts } from '../make-film.ts';
import { platesSvg } from '../svg.ts';
import { defineFormat } from './film-format.ts';

export const svg = defineFormat({
  id: 'svg',
  name: 'SVG',
  says: 'Dots as geometry, to recolour and scale in any drawing program',
  ending: 'svg',
  mediaType: 'image/svg+xml',
  holds: ['plate', 'job'],
  made: 'geometry',
  // Geometry is made as one piece, so there is nothing to tell on the way.
  // eslint-disable-next-line require-yield
  *write({ scene, holds, plates, name, day, approval, options, sink }) {
    const alone = holds === 'plate';
    const title = alone ? filmFacts(scene, plates[0], name).description : name;
    const { text, inked } = platesSvg(scene, plates, title, options, {
      job: name,
      day,
      approval,
      mirrored: false,
    });
    sink.write(encodeText(text));
    return { inked: alone ? inked * 100 : null };
  },
});

// Part of the encoding standard, which browsers and Node.js both have.
declare const TextEncoder: new () => { encode(text: string): Uint8Array };
const encodeText = (text: string): Uint8Array => new TextEncoder().encode(text);
