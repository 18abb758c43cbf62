import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import {
  buildPyramid,
  filmFrame,
  INTENTS,
  plateBits,
  readPam,
  type Intent,
  type Picture,
  type Recipe,
} from '@brachytone/core';
import { countInk } from '@brachytone/core/raster/bits.ts';
import { newJob, newRoute, withRoute, type ChannelsView, type OriginalView } from '@brachytone/job';
import sharp from 'sharp';
import { binary, send, startServer, type Harness } from './harness.ts';

/** A press's profile from Debian's package libgs-common. */
const PROFILE = '/usr/share/color/icc/ghostscript/default_cmyk.icc';

let harness: Harness;
beforeAll(async () => {
  harness = await startServer();
});
afterAll(() => harness.close());

interface Inks {
  readonly names?: readonly string[];
  readonly profile?: Uint8Array;
  /** Samples of it that are alpha, the last ones. */
  readonly alpha?: number;
}

/** A TIFF file of ink amounts, 8 bits a sample, written by hand after TIFF 6.0, sections 2 and 16. */
function separatedTiff(
  width: number,
  height: number,
  inks: number,
  amounts: Uint8Array,
  more: Inks = {},
): Buffer {
  const { names, profile, alpha = 0 } = more;
  const bits = Buffer.alloc(2 * inks);
  for (let i = 0; i < inks; i++) bits.writeUInt16LE(8, 2 * i);
  const parts: Buffer[] = [];
  let end = 8;
  const lay = (bytes: Uint8Array): number => {
    const at = end;
    const padded = Buffer.concat([bytes, Buffer.alloc(bytes.length % 2)]);
    parts.push(padded);
    end += padded.length;
    return at;
  };
  const [SHORT, LONG, ASCII, UNDEFINED] = [3, 4, 2, 7];
  const entries: [tag: number, type: number, count: number, value: number][] = [
    [256, SHORT, 1, width],
    [257, SHORT, 1, height],
    [258, SHORT, inks, lay(bits)],
    [259, SHORT, 1, 1],
    [262, SHORT, 1, 5],
    [273, LONG, 1, lay(amounts)],
    [277, SHORT, 1, inks],
    [278, SHORT, 1, height],
    [279, LONG, 1, amounts.length],
    [284, SHORT, 1, 1],
    [332, SHORT, 1, inks - alpha === 4 ? 1 : 2],
  ];
  if (names) {
    const text = Buffer.from(`${names.join('\0')}\0`, 'latin1');
    entries.push([333, ASCII, text.length, lay(text)], [334, SHORT, 1, inks]);
  }
  // Unassociated alpha.
  if (alpha > 0) entries.push([338, SHORT, 1, 2]);
  if (profile) entries.push([34675, UNDEFINED, profile.length, lay(profile)]);
  const directory = Buffer.alloc(2 + 12 * entries.length + 4);
  directory.writeUInt16LE(entries.length, 0);
  entries.forEach(([tag, type, count, value], i) => {
    const at = 2 + 12 * i;
    directory.writeUInt16LE(tag, at);
    directory.writeUInt16LE(type, at + 2);
    directory.writeUInt32LE(count, at + 4);
    if (type === SHORT && count === 1) directory.writeUInt16LE(value, at + 8);
    else directory.writeUInt32LE(value, at + 8);
  });
  const head = Buffer.from('II*\0\0\0\0\0', 'latin1');
  head.writeUInt32LE(end, 4);
  return Buffer.concat([head, ...parts, directory]);
}

async function pictureOf({ sha256 }: OriginalView): Promise<Picture> {
  const { body } = await harness.http
    .get(`/api/files/${sha256}/levels/0`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  return readPam(new Uint8Array(body as Buffer));
}

/** Fields of flat colour, 12 × 12 pixels each. */
const FIELDS = [
  [0, 0, 0, 0],
  [255, 0, 0, 0],
  [0, 255, 0, 0],
  [0, 0, 255, 0],
  [0, 0, 0, 255],
  [255, 255, 255, 255],
  [30, 120, 200, 10],
  [128, 96, 80, 60],
];
const SIDE = 12;
const [WIDTH, HEIGHT] = [SIDE * FIELDS.length, SIDE];
const amountsOf = (fields: readonly (readonly number[])[]): Uint8Array => {
  const inks = fields[0].length;
  const out = new Uint8Array(SIDE * SIDE * fields.length * inks);
  for (let y = 0, i = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE * fields.length; x++)
      for (let k = 0; k < inks; k++) out[i++] = fields[Math.floor(x / SIDE)][k];
  return out;
};

describe('a CMYK file with a profile', () => {
  const file = () => separatedTiff(WIDTH, HEIGHT, 4, amountsOf(FIELDS), { profile: readFileSync(PROFILE) });

  /** What Little CMS's own command-line tool makes of the fields, 0–255. */
  function wanted(intent: Intent, compensate: boolean): number[][] {
    const input = FIELDS.map((one) => one.map((amount) => (amount / 255) * 100).join(' ')).join('\n');
    const args = ['-n', '-c0', `-t${INTENTS.indexOf(intent)}`, ...(compensate ? ['-b'] : [])];
    return execFileSync('/usr/bin/transicc', [...args, `-i${PROFILE}`, '-o*sRGB'], {
      input,
      stdio: ['pipe', 'pipe', 'ignore'],
    })
      .toString()
      .split('\n')
      .map((line) => line.trim().split(/\s+/).map(Number))
      .filter((line) => line.length === 3 && line.every(Number.isFinite));
  }

  async function expectColours(view: OriginalView, intent: Intent, compensate: boolean): Promise<void> {
    const { data, channels } = await pictureOf(view);
    expect(channels).toBe(3);
    wanted(intent, compensate).forEach((rgb, field) => {
      const at = ((SIDE / 2) * WIDTH + field * SIDE + SIDE / 2) * 3;
      rgb.forEach((value, c) =>
        expect(Math.abs(data[at + c] - Math.min(255, Math.max(0, value)))).toBeLessThan(2),
      );
    });
  }

  it('is taken relative with its black fitted, as Little CMS’s own tool has it', async () => {
    const { body } = await send(harness, file()).expect(201);
    expect(body.facts).toMatchObject({ colour: 'CMYK', inks: ['Cyan', 'Magenta', 'Yellow', 'Black'] });
    await expectColours(body as OriginalView, 'relative', true);
  });
  it.each<[Intent, boolean]>([
    ['perceptual', false],
    ['relative', false],
    ['absolute', false],
  ])('is taken %s, black fitted: %s, where someone wants it', async (intent, compensate) => {
    const { body: original } = await send(harness, file()).expect(201);
    const retake = () =>
      harness.http.post(`/api/files/${original.sha256}/taken`).send({ intent, compensate });
    const { body } = await retake().expect(201);
    expect(body.sha256).not.toBe(original.sha256);
    expect(body.facts.taken).toEqual({ intent, compensate, from: original.sha256 });
    await expectColours(body as OriginalView, intent, compensate);
    expect((await retake()).body.sha256).toBe(body.sha256);
  });
  it('an intent that is none is refused in a sentence', async () => {
    const { body: original } = await send(harness, file()).expect(201);
    const { body } = await harness.http
      .post(`/api/files/${original.sha256}/taken`)
      .send({ intent: 'vivid', compensate: true })
      .expect(422);
    expect(body.detail).toContain('Nothing was changed');
  });
});

/** A separated file sent to plates as it is: share of ink of each plate over each field. */
async function platesOf(file: Buffer): Promise<{ view: ChannelsView; shares: number[][] }> {
  const { body: original } = await send(harness, file).expect(201);
  const { body } = await harness.http.post(`/api/files/${original.sha256}/channels`).expect(201);
  const view = body as ChannelsView;
  const pictures = new Map([
    [original.sha256 as string, buildPyramid(await pictureOf(original as OriginalView))],
  ]);
  for (const { picture } of view.channels)
    pictures.set(picture.sha256, buildPyramid(await pictureOf(picture)));
  const job = newJob({ ...(original as OriginalView), name: 'six.tif' });
  const channels = view.channels.map(({ name, picture }, i) => ({
    picture: picture.sha256,
    ink: { id: `ink-${i + 2}`, name, lab: [50, 0, 0] as const, opacity: 0, fountain: null },
  }));
  const [first] = job.recipe.originals;
  const fields = original.width / SIDE;
  // A field on a square of 10 mm; the picture covers its sheet.
  const sheet = { width: fields * 10, height: 10, bleed: 0, resolution: 600 };
  const placed: Recipe = {
    ...job.recipe,
    sheet,
    originals: [
      {
        ...first,
        content: {
          ...first.content,
          crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 },
        } as typeof first.content,
        placement: { ...first.placement, x: 0, y: 0, width: sheet.width },
      },
    ],
    plates: job.recipe.plates.map((plate) => ({
      ...plate,
      screen: { ...plate.screen, smallest: 0, largest: 100 },
    })),
  };
  const recipe = withRoute(placed, first.id, newRoute('separated', placed, first.id, [], channels));
  const saved = await harness.http.post('/api/jobs').send({ document: { ...job, recipe } });
  expect([saved.status, saved.body.detail]).toEqual([201, undefined]);
  const frame = filmFrame(recipe);
  const side = Math.floor(frame.width / fields);
  const scene = { recipe, pictures, drawings: new Map(), typefaces: new Map() };
  const shares = recipe.plates.map((_, plate) =>
    Array.from({ length: fields }, (_field, field) => {
      const inset = Math.round(side / 6);
      const region = { x: field * side + inset, y: inset, width: side - 2 * inset, height: side - 2 * inset };
      return countInk(plateBits(scene, plate, frame, region)) / (region.width * region.height);
    }),
  );
  return { view, shares };
}

describe('a separated file goes to the plates as it is', () => {
  it('CMYK: the numbers of its channels, whatever its profile says', async () => {
    const file = separatedTiff(WIDTH, HEIGHT, 4, amountsOf(FIELDS), { profile: readFileSync(PROFILE) });
    const { view, shares } = await platesOf(file);
    expect(view.channels.map(({ name }) => name)).toEqual(['Cyan', 'Magenta', 'Yellow', 'Black']);
    expect(view.profile).toMatch(/^[0-9a-f]{64}$/);
    shares.forEach((plate, k) =>
      plate.forEach((share, field) => expect(Math.abs(share - FIELDS[field][k] / 255)).toBeLessThan(0.005)),
    );
  });
  it('of six inks: channel by channel, by the names that are in it', async () => {
    const names = ['Cyan', 'Magenta', 'Yellow', 'Black', 'Ember', 'Moss'];
    const fields = [
      [0, 0, 0, 0, 0, 0],
      [10, 20, 30, 40, 50, 60],
      [255, 0, 128, 0, 200, 0],
      [0, 64, 0, 255, 0, 250],
    ];
    const file = separatedTiff(SIDE * fields.length, SIDE, 6, amountsOf(fields), { names });
    const { view, shares } = await platesOf(file);
    expect(view.channels.map(({ name }) => name)).toEqual(names);
    expect(view.profile).toBeNull();
    shares.forEach((plate, k) =>
      plate.forEach((share, field) => expect(Math.abs(share - fields[field][k] / 255)).toBeLessThan(0.005)),
    );
  });
  it('alpha is no ink', async () => {
    const fields = [
      [10, 20, 30, 40, 255],
      [200, 0, 100, 0, 128],
    ];
    const file = separatedTiff(SIDE * fields.length, SIDE, 5, amountsOf(fields), { alpha: 1 });
    const { body: original } = await send(harness, file).expect(201);
    expect(original.facts).toMatchObject({ colour: 'CMYK', alpha: true });
    const { body } = await harness.http.post(`/api/files/${original.sha256}/channels`).expect(201);
    const { channels } = body as ChannelsView;
    expect(channels.map(({ name }) => name)).toEqual(['Cyan', 'Magenta', 'Yellow', 'Black']);
    const { data } = await pictureOf(channels[2].picture);
    expect([data[0], data[SIDE]]).toEqual([255 - 30, 255 - 100]);
  });
  it('but not one that is not separated', async () => {
    const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#804020' } })
      .png()
      .toBuffer();
    const { body } = await send(harness, png).expect(201);
    const answer = await harness.http.post(`/api/files/${body.sha256}/channels`).expect(422);
    expect(answer.body.detail).toContain('not separated');
  });
  it('nor one of more inks than a route takes, nor one that ends too early', async () => {
    const many = separatedTiff(4, 4, 17, new Uint8Array(4 * 4 * 17));
    expect((await send(harness, many).expect(422)).body.detail).toContain('17 inks');
    const whole = separatedTiff(400, 400, 6, new Uint8Array(400 * 400 * 6));
    // The directory moved to where the samples end too early.
    const directory = whole.subarray(whole.readUInt32LE(4));
    const short = Buffer.concat([whole.subarray(0, 2000), directory]);
    short.writeUInt32LE(2000, 4);
    const { status, body } = await send(harness, short);
    expect(status).toBe(422);
    expect(body.detail).toContain('Nothing was added');
  });
});
