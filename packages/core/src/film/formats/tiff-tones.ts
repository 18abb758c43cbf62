import { deflate } from 'pako';
import { plateCoverage } from '../../plate/plate-art.ts';
import { SOLID, type Plane } from '../../raster/plane.ts';
import { bands } from '../../raster/region.ts';
import { frameOf } from '../../recipe/frame.ts';
import { toFilmCoverage, toneRows } from '../film-coverage.ts';
import { filmFacts } from '../make-film.ts';
import { openTiff } from '../tiff.ts';
import { defineFormat } from './film-format.ts';

/** Coverage as samples of light: solid ink is 0. */
function samplesOf({ data }: Plane, depth: 8 | 16): Uint8Array {
  const light = Uint16Array.from(data, (ink) => SOLID - ink);
  if (depth === 8) return Uint8Array.from(light, (one) => (one * 255 + 32767) / SOLID);
  const bytes = new Uint8Array(light.length * 2);
  const view = new DataView(bytes.buffer);
  light.forEach((one, i) => view.setUint16(2 * i, one, true));
  return bytes;
}

export const tiffTones = defineFormat({
  id: 'tiff-tones',
  name: 'TIFF, tones',
  says: 'Tones of each plate as grey, unscreened, for shops that screen themselves',
  ending: 'tif',
  mediaType: 'image/tiff',
  holds: ['plate'],
  made: 'tones',
  strips: null,
  geometry: null,
  *write({ scene, plates: [plate], name, options: { ppi, depth }, sink }) {
    const { recipe } = scene;
    const frame = frameOf(recipe.sheet, ppi);
    const { description } = filmFacts(scene, plate, name);
    const { width, height } = frame;
    const rows = toneRows(frame);
    const page = { width, height, resolution: ppi, description, depth, compression: 'deflate' } as const;
    const picture = openTiff(sink).picture(page, rows);
    let ink = 0;
    for (const band of bands({ x: 0, y: 0, width, height }, 1, rows)) {
      const film = toFilmCoverage(recipe, plate, plateCoverage(scene, plate, frame, band));
      for (const one of film.data) ink += one;
      picture.strip(deflate(samplesOf(film, depth), { level: 6 }));
      yield (band.y + band.height) / height;
    }
    picture.finish();
    return { inked: (100 * ink) / SOLID / (width * height) };
  },
});
