import { coverageTable } from '../raster/coverage-table.ts';
import type { Picture } from '../raster/picture.ts';
import { SOLID } from '../raster/plane.ts';
import type { ToneSource } from '../tone/tone-rows.ts';
import { NO_TONE } from '../tone/tone.ts';
import { channelTone } from './channel-rows.ts';

const LIGHT = coverageTable((coverage) => SOLID - coverage);

/** The picture behind a source before any tone step; of one that is no picture, its greys or colours on its own grid, 16 bits. */
export function sourcePixels(source: ToneSource): Picture {
  if (source.picture) return source.picture;
  const { width, height } = source;
  const whole = { x: 0, y: 0, width, height };
  if (!source.isColoured)
    return { width, height, channels: 1, data: source.coverage(NO_TONE, LIGHT, whole).data };
  const data = new Uint16Array(3 * width * height);
  for (let channel = 0; channel < 3; channel++) {
    const plane = source.coverage(channelTone(NO_TONE, channel), LIGHT, whole).data;
    for (let i = 0; i < plane.length; i++) data[3 * i + channel] = plane[i];
  }
  return { width, height, channels: 3, data };
}
