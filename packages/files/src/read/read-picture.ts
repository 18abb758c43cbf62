import { levelCount, type Picture } from '@brachytone/core';
import { USUAL_TAKING, type OriginalFacts, type Taking } from '@brachytone/job';
import sharp, { type Metadata, type Sharp } from 'sharp';
import { Problem } from '@brachytone/job';
import { profileName } from './profile-name.ts';
import { cmykToSrgb, greyTable } from './read-profile.ts';
import { cmykOf, PROCESS_NAMES } from './read-separated.ts';

/** Pictures of more pixels than this are refused: their working copy would not fit beside the films. */
export const MOST_PIXELS = 160e6;

/** And of more bytes, unpacked. */
export const MOST_BYTES = 640e6;

/** Pictures with a longer side are refused: a row of them is worked on at once. */
export const LONGEST_SIDE = 100_000;

const FORMATS: Record<string, string> = {
  jpeg: 'JPEG',
  png: 'PNG',
  tiff: 'TIFF',
  webp: 'WebP',
  heif: 'AVIF',
};

const NOT_A_PICTURE =
  'This is not a picture Brachytone can read. It reads JPEG, PNG, TIFF, WebP, AVIF and SVG, and fonts as TTF, OTF, WOFF and WOFF2; nothing was added.';

/** A file made ready: its lossless working picture (sRGB or grey, the right way up), and what it was. */
export interface ReadPicture {
  readonly picture: Picture;
  readonly facts: OriginalFacts;
}

const refuse = (detail: string): Problem => new Problem(422, 'Picture not taken', detail);

/**
 * Reads a picture by its content: obeys its orientation tag, converts its colours to sRGB by its ICC profile, and
 * keeps 8 or 16 bits a sample.
 *
 * @param taken how colours of a CMYK file are taken
 * @throws Problem that says what is wrong with the file
 */
export async function readPicture(bytes: Uint8Array, taken: Taking = USUAL_TAKING): Promise<ReadPicture> {
  if (bytes.length === 0) throw refuse('The file is empty: it has no bytes at all. Nothing was added.');
  const meta = await describe(bytes);
  const format = FORMATS[meta.format ?? ''];
  if (!format) throw refuse(NOT_A_PICTURE);
  if (meta.width * meta.height > MOST_PIXELS) {
    throw refuse(
      `The picture has ${meta.width} × ${meta.height} pixels; Brachytone takes up to ${MOST_PIXELS / 1e6} million. Make it smaller first. Nothing was added.`,
    );
  }
  const unpacked = meta.width * meta.height * meta.channels * (isDeep(meta) ? 2 : 1);
  if (unpacked > MOST_BYTES) {
    throw refuse(
      `The picture has ${Math.round(unpacked / 1e6)} MB once it is unpacked; Brachytone takes up to ${MOST_BYTES / 1e6}. Make it smaller, or save it with 8 bits a channel. Nothing was added.`,
    );
  }
  if (Math.max(meta.width, meta.height) > LONGEST_SIDE) {
    throw refuse(
      `The picture is ${Math.max(meta.width, meta.height)} pixels long; Brachytone takes up to ${LONGEST_SIDE}. Cut it into parts first. Nothing was added.`,
    );
  }
  try {
    return { picture: await samples(bytes, meta, taken), facts: factsOf(meta, format) };
  } catch (error) {
    const reason = (error as Error).message.split('\n')[0];
    throw refuse(
      `The ${format} file is damaged or ends too early, so not all of the picture is there (${reason}). Nothing was added.`,
    );
  }
}

const isGrey = (meta: Metadata): boolean => meta.space === 'b-w' || meta.space === 'grey16';
const isDeep = (meta: Metadata): boolean => meta.depth !== 'uchar' && meta.depth !== 'char';

/** The picture's samples in sRGB or grey, the right way up. */
async function samples(bytes: Uint8Array, meta: Metadata, taken: Taking): Promise<Picture> {
  if (meta.space === 'cmyk' && meta.icc) {
    const picture = await byProfile(bytes, meta.icc, isDeep(meta), taken);
    if (picture) return picture;
  }
  const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' }).rotate();
  const kind = { grey: isGrey(meta), alpha: meta.hasAlpha, deep: isDeep(meta) };
  if (!kind.deep || !meta.icc) return raw(image, kind);
  if (kind.grey) {
    // What reads the file obeys the profiles of colours, and of greys of 8 bits, alone.
    const [picture, table] = await Promise.all([
      raw(image, kind),
      // As elsewhere, a profile that is damaged counts as none.
      greyTable(meta.icc).catch(() => undefined),
    ]);
    return table ? byTable(picture, table) : picture;
  }
  // Samples of 16 bits are brought to sRGB only on their way into a file, so these go by way of one.
  const converted = await image
    .withIccProfile('srgb')
    .toColourspace('rgb16')
    .png({ compressionLevel: 1 })
    .toBuffer();
  return raw(sharp(converted, { limitInputPixels: false, ignoreIcc: true }), kind);
}

/** A CMYK file by its profile; undefined where that is damaged, or none of CMYK. */
async function byProfile(
  bytes: Uint8Array,
  profile: Uint8Array,
  deep: boolean,
  { intent, compensate }: Taking,
): Promise<Picture | undefined> {
  const { data, info } = await cmykOf(bytes)
    .raw({ depth: deep ? 'ushort' : 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = info;
  const all = deep ? new Uint16Array(data.buffer, data.byteOffset, data.length / 2) : new Uint8Array(data);
  const colours = await cmykToSrgb(profile, all, channels, intent, compensate).catch(() => undefined);
  if (!colours) return undefined;
  if (channels === 4) return { width, height, channels: 3, data: colours };
  const out = deep ? new Uint16Array(4 * width * height) : new Uint8Array(4 * width * height);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) out[4 * i + c] = colours[3 * i + c];
    out[4 * i + 3] = all[channels * i + 4];
  }
  return { width, height, channels: 4, data: out };
}

/** A grey picture whose greys are read through a table; alpha stays. */
function byTable(picture: Picture, table: Uint16Array): Picture {
  const { data, channels } = picture;
  for (let i = 0; i < data.length; i += channels) data[i] = table[data[i]];
  return picture;
}

interface Kind {
  readonly grey: boolean;
  readonly alpha: boolean;
  readonly deep: boolean;
}

/** Samples of an image as 1 to 4 channels of 8 or 16 bits. */
async function raw(image: Sharp, { grey, alpha, deep }: Kind): Promise<Picture> {
  // Grey with alpha comes out of raw() without its alpha, so it is read as colour and thinned.
  const thin = grey && alpha;
  const space = grey && !thin ? (deep ? 'grey16' : 'b-w') : deep ? 'rgb16' : 'srgb';
  const { data, info } = await image
    .toColourspace(space)
    .raw({ depth: deep ? 'ushort' : 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const all = deep
    ? new Uint16Array(data.buffer, data.byteOffset, data.length / 2)
    : new Uint8Array(data.buffer, data.byteOffset, data.length);
  const { width, height, channels } = info;
  const picture = { width, height, channels, data: all };
  return thin ? thinned(picture) : picture;
}

/** A grey picture, with its alpha, out of one whose colours are all grey. */
function thinned({ width, height, channels, data }: Picture): Picture {
  const alpha = channels === 4;
  const kept = alpha ? 2 : 1;
  const out = new (data instanceof Uint16Array ? Uint16Array : Uint8Array)(width * height * kept);
  for (let i = 0; i < width * height; i++) {
    out[kept * i] = data[i * channels];
    if (alpha) out[kept * i + 1] = data[(i + 1) * channels - 1];
  }
  return { width, height, channels: kept, data: out };
}

async function describe(bytes: Uint8Array): Promise<Metadata> {
  try {
    return await sharp(bytes, { limitInputPixels: false }).metadata();
  } catch {
    throw refuse(NOT_A_PICTURE);
  }
}

function factsOf(meta: Metadata, format: string): OriginalFacts {
  const density = meta.density && meta.density > 1 ? Math.round(meta.density * 100) / 100 : null;
  return {
    format,
    colour: isGrey(meta) ? 'grey' : meta.space === 'cmyk' ? 'CMYK' : 'RGB',
    bitsPerSample: isDeep(meta) ? 16 : 8,
    alpha: meta.hasAlpha,
    profile: meta.icc ? profileName(meta.icc) : null,
    density,
    turned: (meta.orientation ?? 1) > 1,
    ...(meta.space === 'cmyk' ? { inks: PROCESS_NAMES } : {}),
  };
}

/** Pixels of the small level: enough for a first look, little enough to be there at once. */
const SMALL_PIXELS = 0.8e6;

/** The first level of a picture's pyramid of no more pixels than that. */
export function smallLevelOf(width: number, height: number): number {
  const count = levelCount(width, height);
  let level = 0;
  while (level < count - 1 && (width * height) / 4 ** level > SMALL_PIXELS) level++;
  return level;
}

/** Samples as a lossless PNG, quickly packed. */
export async function packPicture(picture: Picture): Promise<Uint8Array> {
  const { width, height, channels, data } = picture;
  const image = sharp(data, { raw: { width, height, channels } });
  const deep = data instanceof Uint16Array;
  return image
    .toColourspace(channels < 3 ? (deep ? 'grey16' : 'b-w') : deep ? 'rgb16' : 'srgb')
    .png({ compressionLevel: 2, adaptiveFiltering: false })
    .toBuffer();
}

/** The samples of such a PNG. */
export const unpackPicture = (png: Uint8Array, deep: boolean, channels: number): Promise<Picture> =>
  raw(sharp(png, { limitInputPixels: false, ignoreIcc: true }), {
    grey: channels < 3,
    alpha: channels === 2 || channels === 4,
    deep,
  });
