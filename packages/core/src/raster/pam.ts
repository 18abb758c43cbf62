import type { Allocate, Picture } from './picture.ts';

/**
 * A picture as a Portable Arbitrary Map (the Netpbm project's open format, "P7"): a short text header, then the samples
 * row by row, two bytes each and the higher first when they have 16 bits. Used to carry samples without loss.
 */
export function writePam(picture: Picture): Uint8Array {
  const deep = picture.data.BYTES_PER_ELEMENT === 2;
  const kind = ['GRAYSCALE', 'GRAYSCALE_ALPHA', 'RGB', 'RGB_ALPHA'][picture.channels - 1];
  const header = `P7\nWIDTH ${picture.width}\nHEIGHT ${picture.height}\nDEPTH ${picture.channels}\nMAXVAL ${deep ? 65535 : 255}\nTUPLTYPE ${kind}\nENDHDR\n`;
  const samples = picture.data.length;
  const out = new Uint8Array(header.length + samples * (deep ? 2 : 1));
  for (let i = 0; i < header.length; i++) out[i] = header.charCodeAt(i);
  if (!deep) {
    out.set(picture.data, header.length);
    return out;
  }
  for (let i = 0, at = header.length; i < samples; i++) {
    out[at++] = picture.data[i] >> 8;
    out[at++] = picture.data[i] & 255;
  }
  return out;
}

/**
 * Reads what `writePam` wrote.
 *
 * @throws Error where the bytes are no such map
 */
export function readPam(bytes: Uint8Array, allocate: Allocate = (size) => new ArrayBuffer(size)): Picture {
  let header = '';
  for (let i = 0; i < Math.min(bytes.length, 400) && !header.endsWith('ENDHDR\n'); i++) {
    header += String.fromCharCode(bytes[i]);
  }
  const field = (name: string) => Number(new RegExp(`\\n${name} (\\d+)\\n`).exec(header)?.[1]);
  const [width, height, channels] = [field('WIDTH'), field('HEIGHT'), field('DEPTH')];
  const deep = field('MAXVAL') === 65535;
  const samples = width * height * channels;
  if (!header.startsWith('P7\n') || bytes.length !== header.length + samples * (deep ? 2 : 1)) {
    throw new Error('These bytes are not a picture.');
  }
  const size = { width, height, channels: channels as Picture['channels'] };
  if (!deep) {
    const data = new Uint8Array(allocate(samples));
    data.set(bytes.subarray(header.length));
    return { ...size, data };
  }
  const data = new Uint16Array(allocate(samples * 2));
  for (let i = 0, at = header.length; i < samples; i++, at += 2) data[i] = (bytes[at] << 8) | bytes[at + 1];
  return { ...size, data };
}
