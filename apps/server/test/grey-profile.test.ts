import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { readPicture } from '@brachytone/files/read';

/** A grey input profile with a pure power as its tone curve (ICC.1:2022, 8.3.3 and 10.6). */
function greyProfile(gamma: number): Buffer {
  const text = Buffer.from('Grey by a power\0', 'latin1');
  const tags: [string, Buffer][] = [
    ['desc', Buffer.concat([Buffer.from('desc\0\0\0\0'), u32(text.length), text, Buffer.alloc(78)])],
    ['cprt', Buffer.concat([Buffer.from('text\0\0\0\0'), Buffer.from('None\0')])],
    ['wtpt', Buffer.concat([Buffer.from('XYZ \0\0\0\0'), u32(0xf6d6), u32(0x10000), u32(0xd32d)])],
    ['kTRC', Buffer.concat([Buffer.from('curv\0\0\0\0'), u32(1), u16(Math.round(gamma * 256))])],
  ];
  const header = Buffer.alloc(128);
  header.write('lcms', 4);
  header.writeUInt32BE(0x02100000, 8);
  header.write('scnrGRAYXYZ ', 12);
  header.write('acsp', 36);
  [0xf6d6, 0x10000, 0xd32d].forEach((value, i) => header.writeUInt32BE(value, 68 + 4 * i));
  const entries: Buffer[] = [u32(tags.length)];
  const data: Buffer[] = [];
  let at = 128 + 4 + 12 * tags.length;
  for (const [name, body] of tags) {
    const padded = Buffer.concat([body, Buffer.alloc(-body.length & 3)]);
    entries.push(Buffer.from(name), u32(at), u32(body.length));
    data.push(padded);
    at += padded.length;
  }
  header.writeUInt32BE(at, 0);
  return Buffer.concat([header, ...entries, ...data]);
}

const u16 = (value: number) => Buffer.from([value >> 8, value & 255]);
const u32 = (value: number) =>
  Buffer.from([value >>> 24, (value >> 16) & 255, (value >> 8) & 255, value & 255]);

/** A PNG with a profile after its header (PNG, third edition, 11.3.2.3). */
function withProfile(png: Buffer, icc: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from('iCCP'), Buffer.from('grey\0\0'), deflateSync(icc)]);
  const chunk = Buffer.concat([u32(body.length - 4), body, u32(crc32(body))]);
  return Buffer.concat([png.subarray(0, 33), chunk, png.subarray(33)]);
}

const LEVELS = [0, 600, 3000, 9000, 20_000, 32_768, 50_000, 65_535];

/** sRGB of linear light (IEC 61966-2-1). */
const encoded = (light: number) => (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);

describe.each([1, 1.8, 2.2])('a grey file whose profile is a power of %d', (gamma) => {
  const want = LEVELS.map((level) => encoded((level / 65_535) ** gamma));
  it('of 16 bits is read by it', async () => {
    const data = Uint16Array.from({ length: 64 }, (_, i) => LEVELS[i % 8]);
    const png = await sharp(data, { raw: { width: 8, height: 8, channels: 1 } })
      .toColourspace('grey16')
      .png()
      .toBuffer();
    const { picture, facts } = await readPicture(withProfile(png, greyProfile(gamma)));
    expect([picture.channels, facts.colour, facts.bitsPerSample, facts.profile]).toEqual([
      1,
      'grey',
      16,
      'Grey by a power',
    ]);
    want.forEach((value, i) => expect(Math.abs(picture.data[i] / 65_535 - value)).toBeLessThan(0.003));
  });
  it('of 8 bits is read by it', async () => {
    const data = Uint8Array.from({ length: 64 }, (_, i) => Math.round(LEVELS[i % 8] / 257));
    const png = await sharp(data, { raw: { width: 8, height: 8, channels: 1 } })
      .toColourspace('b-w')
      .png()
      .toBuffer();
    const { picture } = await readPicture(withProfile(png, greyProfile(gamma)));
    want
      .slice(2)
      .forEach((value, i) => expect(Math.abs(picture.data[i + 2] / 255 - value)).toBeLessThan(0.02));
  });
});

it('16-bit grey with alpha keeps both by its profile', async () => {
  const data = Uint16Array.from({ length: 4 * 64 }, (_, i) => (i % 4 === 3 ? 30_000 : LEVELS[(i >> 2) % 8]));
  const png = await sharp(data, { raw: { width: 8, height: 8, channels: 4 } })
    .toColourspace('grey16')
    .png()
    .toBuffer();
  const { picture } = await readPicture(withProfile(png, greyProfile(1)));
  expect(picture.channels).toBe(2);
  expect(Math.abs(picture.data[2 * 4] / 65_535 - encoded(20_000 / 65_535))).toBeLessThan(0.003);
  expect(Math.abs(picture.data[9] - 30_000)).toBeLessThan(70);
});
