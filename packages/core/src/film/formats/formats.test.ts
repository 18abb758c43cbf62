import sharp from 'sharp';
import { plateCoverage } from '../../plate/plate-art.ts';
import { dotTransfer } from '../../plate/plate-transfer.ts';
import { bitAt } from '../../raster/bits.ts';
import { SOLID } from '../../raster/plane.ts';
import { frameOf } from '../../recipe/frame.ts';
import { plainPlate } from '../../recipe/plain-plate.ts';
import type { Scene } from '../../recipe/scene.ts';
import { newScreen } from '../../screen/screen.ts';
import { greyPicture, sceneOf, TEST_PRESS, testInk } from '../../testing.ts';
import { filmBits } from '../film-bits.ts';
import { filmLayout } from '../film-layout.ts';
import { NO_WORDS } from '../film-words.ts';
import { memorySink } from '../sink.ts';
import type { FilmOptions } from './film-format.ts';
import { filmFormat, FILM_FORMATS, type FilmFormatId } from './index.ts';

const OPTIONS: FilmOptions = {
  mirrored: false,
  negative: false,
  smooth: 0,
  outlines: 'pure',
  pages: 'composite',
  panels: null,
  ppi: 120,
  depth: 8,
};

const plain = sceneOf(
  greyPicture(120, 80, (x, y) => (x * 2 + y) % 256),
  { width: 40, height: 30, resolution: 400 },
);
const scene: Scene = {
  ...plain,
  recipe: {
    ...plain.recipe,
    inks: [testInk('ink-1', [20, 0, 0]), testInk('ink-2', [50, 60, 30])],
    originals: [
      ...plain.recipe.originals,
      { ...plain.recipe.originals[0], id: 'two', route: { kind: 'ink', ink: 'ink-2' }, overprint: true },
    ],
    plates: [
      plainPlate('plate-1', 'ink-1', newScreen('dots', { ruling: 30, angle: 45 })),
      plainPlate('plate-2', 'ink-2', newScreen('dots', { ruling: 25, angle: 75 })),
    ],
    press: {
      id: 'test',
      press: { ...TEST_PRESS, gain: { by: 'number', middle: 20, shape: 1 } },
      compensates: true,
    },
  },
};

function made(id: FilmFormatId, plates: readonly number[], options: Partial<FilmOptions> = {}): Uint8Array {
  const sink = memorySink();
  const holds = plates.length > 1 ? 'job' : 'plate';
  const job = {
    scene,
    holds,
    plates,
    name: 'Test',
    day: '2026-11-29',
    options: { ...OPTIONS, ...options },
    sink,
  } as const;
  for (const _ of filmFormat(id).write!(job)) {
    // Each step makes a part.
  }
  return sink.bytes();
}

it('ids of formats are those that documents name', () => {
  expect(FILM_FORMATS.map(({ id }) => id)).toEqual([
    'tiff-group4',
    'tiff-deflate',
    'png',
    'svg',
    'pdf-films',
    'pdf-vector',
    'pdf-tones',
    'tiff-tones',
  ]);
});

it('all plates in one TIFF are a page each, every bit the film’s', async () => {
  const file = made('tiff-group4', [0, 1]);
  expect((await sharp(file).metadata()).pages).toBe(2);
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  for (const page of [0, 1]) {
    const { data, info } = await sharp(file, { page })
      .toColourspace('b-w')
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([width, height]);
    const bits = filmBits(scene, page, layout, { x: 0, y: 0, width, height }, NO_WORDS);
    let different = 0;
    for (let i = 0; i < width * height; i++)
      if ((data[i * info.channels] < 128 ? 1 : 0) !== bitAt(bits, i % width, Math.floor(i / width)))
        different++;
    expect(different).toBe(0);
  }
});

it.each([8, 16] as const)('tones of %i bits are what the film carries of what is asked', async (depth) => {
  const file = made('tiff-tones', [1], { depth });
  const metadata = await sharp(file).metadata();
  expect([metadata.density, metadata.depth]).toEqual([120, depth === 8 ? 'uchar' : 'ushort']);
  const { data, info } = await sharp(file)
    .toColourspace(depth === 8 ? 'b-w' : 'grey16')
    .raw({ depth: 'ushort' })
    .toBuffer({ resolveWithObject: true });
  const frame = frameOf(scene.recipe.sheet, 120);
  expect([info.width, info.height]).toEqual([frame.width, frame.height]);
  const asked = plateCoverage(scene, 1, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  const film = dotTransfer(scene.recipe, 1);
  const read = new Uint16Array(data.buffer, data.byteOffset, data.length / 2);
  const scale = depth === 8 ? 255 : 65535;
  let worst = 0;
  for (let i = 0; i < asked.data.length; i++)
    worst = Math.max(worst, Math.abs(1 - read[i * info.channels] / scale - film.made(asked.data[i]) / SOLID));
  expect(worst).toBeLessThanOrEqual(1 / (depth === 8 ? 255 : 65535));
  // The press's gain is met: the film is lighter than what is asked.
  expect(film.made(32768)).toBeLessThan(32768);
});
