import { labToXyz, linearToSrgb, xyzToLinear, type Picture } from '@brachytone/core';
import { colourOfName, type OriginalFacts } from '@brachytone/job';
import type { GeoTIFFImage } from 'geotiff';
import sharp from 'sharp';
import { Problem } from '@brachytone/job';
import { profileName } from './profile-name.ts';
import { readProfile } from './read-profile.ts';

/** The inks of a CMYK file, in the order of its channels. */
export const PROCESS_NAMES = ['Cyan', 'Magenta', 'Yellow', 'Black'];

/** Samples of all channels of a file of many inks at most: they are unpacked together. */
const MOST_SAMPLES = 400e6;
/** Inks of a file at most: as many as a route takes. */
const MOST_INKS = 16;

/** TIFF 6.0’s PhotometricInterpretation of a file in inks. */
const SEPARATED = 5;

const refuse = (detail: string): Problem =>
  new Problem(422, 'Picture not taken', `${detail} Nothing was added.`);

/** True for the first bytes of a TIFF file. */
const isTiff = (bytes: Uint8Array): boolean => {
  const head = Buffer.from(bytes.subarray(0, 4)).toString('latin1');
  return head === 'II*\0' || head === 'MM\0*';
};

async function firstImage(bytes: Uint8Array): Promise<GeoTIFFImage> {
  const copy = Uint8Array.from(bytes);
  const { fromArrayBuffer } = await import('geotiff');
  return (await fromArrayBuffer(copy.buffer)).getImage();
}

/** A TIFF file’s picture if it is separated into more inks than four (TIFF 6.0, section 16); undefined for any other file. */
async function manyInks(bytes: Uint8Array): Promise<GeoTIFFImage | undefined> {
  if (!isTiff(bytes)) return undefined;
  try {
    const image = await firstImage(bytes);
    const photometric: unknown = await image.getFileDirectory().loadValue('PhotometricInterpretation');
    return photometric === SEPARATED && (await inkCount(image)) > 4 ? image : undefined;
  } catch {
    // What is wrong with it is told by what reads pictures.
    return undefined;
  }
}

/** How many of a file's samples are inks: others may be alpha. */
async function inkCount(image: GeoTIFFImage): Promise<number> {
  const extra: unknown = await image.getFileDirectory().loadValue('ExtraSamples');
  const others = typeof extra === 'number' ? 1 : ((extra as ArrayLike<number> | undefined)?.length ?? 0);
  return image.getSamplesPerPixel() - others;
}

/** Names of a file’s inks, numbered where it does not say them. */
async function inkNames(image: GeoTIFFImage): Promise<string[]> {
  const said: unknown = await image.getFileDirectory().loadValue('InkNames');
  const names = typeof said === 'string' ? said.split('\0').map((name) => name.trim()) : [];
  return Array.from({ length: await inkCount(image) }, (_, i) => {
    const name = (names[i] ?? '').replace(/\p{Cc}/gu, '').slice(0, 60);
    return name || (i < 4 && names.length === 0 ? PROCESS_NAMES[i] : `Ink ${i + 1}`);
  });
}

/**
 * Reads a TIFF file of more than four inks: a picture of them over one another, to be looked at. Its channels are read by `readChannels`.
 *
 * @returns undefined for any other file
 * @throws Problem that says what is wrong with the file
 */
export async function readManyInks(
  bytes: Uint8Array,
): Promise<{ picture: Picture; facts: OriginalFacts } | undefined> {
  const image = await manyInks(bytes);
  if (!image) return undefined;
  const inks = await inkNames(image);
  const [width, height] = [image.getWidth(), image.getHeight()];
  if (inks.length > MOST_INKS)
    throw refuse(`The file has ${inks.length} inks; Brachytone takes up to ${MOST_INKS}.`);
  if (width * height * inks.length > MOST_SAMPLES) {
    throw refuse(
      `The picture has ${width} × ${height} pixels in ${inks.length} inks; Brachytone takes up to ${MOST_SAMPLES / 1e6} million samples.`,
    );
  }
  const channels = await rasters(image, bytes.length);
  const data = new Uint8Array(width * height * 3);
  const inkColours = inks.map((name) =>
    xyzToLinear(labToXyz(colourOfName(name))).map((value) => Math.max(0, value)),
  );
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) {
      let light = 1;
      for (let k = 0; k < inks.length; k++) {
        const covers = channels[k][i] / full(channels[k]);
        light *= 1 - covers * (1 - inkColours[k][c]);
      }
      data[3 * i + c] = Math.round(255 * linearToSrgb(Math.min(1, light)));
    }
  }
  const icc: unknown = await image.getFileDirectory().loadValue('ICCProfile');
  return {
    picture: { width, height, channels: 3, data },
    facts: {
      format: 'TIFF',
      colour: `${inks.length} inks`,
      bitsPerSample: channels[0] instanceof Uint16Array ? 16 : 8,
      alpha: false,
      profile: icc instanceof Uint8Array ? profileName(Buffer.from(icc)) : null,
      density: await densityOf(image),
      turned: false,
      inks,
    },
  };
}

async function densityOf(image: GeoTIFFImage): Promise<number | null> {
  const directory = image.getFileDirectory();
  const [across, unit]: unknown[] = [
    await directory.loadValue('XResolution'),
    await directory.loadValue('ResolutionUnit'),
  ];
  const list = ArrayBuffer.isView(across) || Array.isArray(across) ? (across as unknown as number[]) : [];
  const density = list.length === 2 ? list[0] / list[1] : 0;
  if (!(density > 1)) return null;
  return Math.round((unit === 3 ? density * 2.54 : density) * 100) / 100;
}

type Samples = Uint8Array | Uint16Array;
const full = (samples: Samples): number => (samples instanceof Uint8Array ? 255 : 65535);

/** Where a TIFF file's samples lie in it, and how many bytes of them. */
const PLACES = [
  ['StripOffsets', 'StripByteCounts'],
  ['TileOffsets', 'TileByteCounts'],
] as const;

/** True where all samples that a TIFF file tells of lie within it. */
async function isWhole(image: GeoTIFFImage, length: number): Promise<boolean> {
  const directory = image.getFileDirectory();
  const list = async (tag: (typeof PLACES)[number][number]): Promise<number[]> => {
    const value: unknown = await directory.loadValue(tag);
    return typeof value === 'number' ? [value] : Array.from((value ?? []) as ArrayLike<number>);
  };
  for (const [places, sizes] of PLACES) {
    const [at, bytes] = [await list(places), await list(sizes)];
    if (at.some((place, i) => place + (bytes[i] ?? 0) > length)) return false;
  }
  return true;
}

async function rasters(image: GeoTIFFImage, length: number): Promise<Samples[]> {
  if (!(await isWhole(image, length))) {
    throw refuse('The TIFF file is damaged or ends too early, so not all of the picture is there.');
  }
  try {
    const all = (await image.readRasters()) as unknown as Samples[];
    if (all.every((one) => one instanceof Uint8Array || one instanceof Uint16Array)) return [...all];
  } catch (error) {
    const reason = error instanceof Error ? error.message.split('\n')[0] : 'no reason given';
    throw refuse(`The TIFF file is damaged or packed in a way that is not known (${reason}).`);
  }
  throw refuse('The TIFF file has samples of neither 8 nor 16 bits.');
}

/** The channels of a separated file, a grey picture each: what has all ink is black in it. One after another, for each may be large. */
export async function* readChannels(bytes: Uint8Array): AsyncGenerator<{ name: string; picture: Picture }> {
  const image = await manyInks(bytes);
  if (image) {
    const names = await inkNames(image);
    const [width, height] = [image.getWidth(), image.getHeight()];
    const all = await rasters(image, bytes.length);
    for (const [k, name] of names.entries()) yield { name, picture: inked(all[k], width, height) };
    return;
  }
  const { depth, space } = await sharp(bytes).metadata();
  if (space !== 'cmyk') throw refuse('The file is not separated: it has no channels of inks.');
  const deep = depth !== 'uchar';
  const { data, info } = await cmykOf(bytes)
    .raw({ depth: deep ? 'ushort' : 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const all = deep ? new Uint16Array(data.buffer, data.byteOffset, data.length / 2) : data;
  for (const [k, name] of PROCESS_NAMES.entries()) {
    const size = info.width * info.height;
    const one = deep ? new Uint16Array(size) : new Uint8Array(size);
    for (let i = 0; i < size; i++) one[i] = all[i * info.channels + k];
    yield { name, picture: inked(one, info.width, info.height) };
  }
}

/** The profile in a separated file, if it is one of a press that proofs can be made by. */
export async function pressProfileIn(bytes: Uint8Array): Promise<Uint8Array | undefined> {
  const image = await manyInks(bytes);
  const icc: unknown = image
    ? await image.getFileDirectory().loadValue('ICCProfile')
    : (await sharp(bytes).metadata()).icc;
  if (!(icc instanceof Uint8Array)) return undefined;
  return readProfile(icc).then(
    () => icc,
    () => undefined,
  );
}

/** A CMYK file as it is, the right way up: no profile changes its numbers. */
export const cmykOf = (bytes: Uint8Array) =>
  sharp(bytes, { ignoreIcc: true, limitInputPixels: false, failOn: 'truncated' })
    .pipelineColourspace('cmyk')
    .rotate()
    .toColourspace('cmyk');

/** Amounts of an ink as the grey picture they make. */
function inked(amounts: Samples, width: number, height: number): Picture {
  const most = full(amounts);
  return { width, height, channels: 1, data: amounts.map((amount) => most - amount) };
}
