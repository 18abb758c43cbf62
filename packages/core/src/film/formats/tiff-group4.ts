import { told } from '../../base/told.ts';
import { filmFacts } from '../make-film.ts';
import { openTiff, tiffBits, tiffStrips } from '../tiff.ts';
import { writePlateBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const tiffGroup4 = defineFormat({
  id: 'tiff-group4',
  name: 'TIFF, Group 4',
  says: 'The film’s own bits, packed as Group 4 fax: what most film setters take',
  ending: 'tif',
  mediaType: 'image/tiff',
  holds: ['plate', 'job'],
  made: 'bits',
  strips: tiffStrips('group4'),
  geometry: null,
  *write(job) {
    const { scene, plates, holds, name, sink } = job;
    const tiff = openTiff(sink);
    let inked = 0;
    for (const [i, plate] of plates.entries()) {
      const file = tiffBits(tiff, filmFacts(scene, plate, name), 'group4');
      inked = yield* told(writePlateBits(job, plate, file), (share) => (i + share) / plates.length);
    }
    return { inked: holds === 'plate' ? inked : null };
  },
});
