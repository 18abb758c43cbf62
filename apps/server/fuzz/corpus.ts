import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { unpackWoff } from '@brachytone/typeface';
import sharp, { type Sharp } from 'sharp';
import { compress } from 'wawoff2';
import { TYPEFACES_FOLDER } from '../src/paths.ts';
import { DRAWINGS } from './drawings.ts';

/** A small file of a kind that is taken in. */
export interface Sample {
  readonly kind: string;
  readonly bytes: Uint8Array;
  readonly isText?: boolean;
}

/** Small files of every kind that is taken in. */
export async function corpus(): Promise<Sample[]> {
  const width = 48;
  const height = 32;
  const data = Buffer.from(Array.from({ length: width * height * 3 }, (_, i) => (i * i * 7 + i) & 255));
  const picture = () => sharp(data, { raw: { width, height, channels: 3 } });
  const clear = () => picture().ensureAlpha(0.6);
  const bytes = async (image: Sharp) => new Uint8Array(await image.toBuffer());
  const cmyk = await picture().withIccProfile('cmyk').toColourspace('cmyk').jpeg().toBuffer();
  const { icc } = await sharp(cmyk).metadata();
  const woff = new Uint8Array(readFileSync(join(TYPEFACES_FOLDER, 'alfa-slab-one.woff')));
  const font = unpackWoff(woff);
  const pictures: [string, Sharp][] = [
    ['PNG', clear().png()],
    ['PNG of 16 bits', picture().toColourspace('rgb16').png()],
    ['PNG of greys', picture().toColourspace('b-w').png()],
    [
      'JPEG',
      picture()
        .withIccProfile('p3')
        .withExif({ IFD0: { Orientation: '6' } })
        .jpeg(),
    ],
    ['TIFF', clear().tiff({ compression: 'lzw' })],
    ['TIFF of CMYK', picture().toColourspace('cmyk').tiff({ compression: 'deflate' })],
    ['WebP', clear().webp({ quality: 60 })],
    ['AVIF', picture().avif({ quality: 40 })],
  ];
  const samples: Sample[] = [
    { kind: 'JPEG of CMYK', bytes: new Uint8Array(cmyk) },
    { kind: 'WOFF', bytes: woff },
    { kind: 'WOFF2', bytes: new Uint8Array(await compress(Buffer.from(font))) },
    { kind: 'TrueType', bytes: font },
  ];
  if (icc) samples.push({ kind: 'ICC', bytes: new Uint8Array(icc) });
  for (const [kind, image] of pictures) samples.push({ kind, bytes: await bytes(image) });
  for (const text of DRAWINGS)
    samples.push({ kind: 'SVG', bytes: new TextEncoder().encode(text), isText: true });
  return samples;
}
