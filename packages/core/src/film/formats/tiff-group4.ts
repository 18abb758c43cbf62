import { filmFacts } from '../make-film.ts';
import { openTiff, tiffBits } from '../tiff.ts';
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
  *write(job) {
    const { scene, plates, holds, name, sink } = job;
    const tiff = openTiff(sink);
    let inked = 0;
    for (const [i, plate] of plates.entries()) {
      const file = tiffBits(tiff, filmFacts(scene, plate, name), 'group4');
      const making = writePlateBits(job, plate, file);
      for (let step = making.next(); ; step = making.next()) {
        if (step.done) {
          inked = step.value;
          break;
        }
        yield (i + step.value) / plates.length;
      }
    }
    return { inked: holds === 'plate' ? inked : null };
  },
});
