import { countInk } from '../raster/bits.ts';
import { newScreen } from '../screen/screen.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { filmBits } from './film-bits.ts';
import { filmForecast } from './film-forecast.ts';
import { filmLayout } from './film-layout.ts';
import { NO_WORDS } from './film-words.ts';
import { encodeGroup4 } from './group4.ts';

it.each(['dots', 'diffused', 'grain'])('of %s: bytes and ink are told within a seventh', (kind) => {
  const scene = sceneOf(
    greyPicture(200, 150, (x, y) => 128 + 100 * Math.sin(x / 9) * Math.cos(y / 7)),
    { width: 80, height: 60, resolution: 600 },
    newScreen(kind),
  );
  const { bytes, ink } = filmForecast(scene, [0], 'group4');
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  const bits = filmBits(scene, 0, layout, { x: 0, y: 0, width, height }, NO_WORDS);
  expect(Math.abs(bytes / encodeGroup4(bits).length - 1)).toBeLessThan(0.14);
  expect(Math.abs(ink / ((countInk(bits) / (width * height)) * 80 * 60) - 1)).toBeLessThan(0.14);
});
