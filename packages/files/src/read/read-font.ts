import { present } from '@brachytone/core';
import type { OriginalFacts } from '@brachytone/job';
import { readTypeface, UnreadableTypeface, unpackWoff } from '@brachytone/typeface';
import { decompress } from 'wawoff2';
import { Problem } from '@brachytone/job';
import { soundText } from './sound-text.ts';

/** Bytes of the largest font file that is read. */
const LARGEST = 30e6;
/** The same of the font in it. */
const LARGEST_UNPACKED = 64e6;

/** What a font file begins with (OpenType 1.9.1, “Organization of an OpenType Font”; WOFF and WOFF2, W3C). */
const KINDS: Record<string, string> = {
  '\0\x01\0\0': 'TrueType',
  true: 'TrueType',
  OTTO: 'OpenType',
  wOFF: 'WOFF',
  wOF2: 'WOFF2',
};

const kindOf = (bytes: Uint8Array): string | undefined =>
  KINDS[Buffer.from(bytes.subarray(0, 4)).toString('latin1')];

/** True for a file that begins as a font does. */
export const isFont = (bytes: Uint8Array): boolean => kindOf(bytes) !== undefined;

const refuse = (detail: string): Problem => new Problem(422, 'Font not taken', detail);

/**
 * Reads a font: what is packed is unpacked.
 *
 * @throws Problem that says what is wrong with the file
 */
export async function readFont(bytes: Uint8Array): Promise<{ font: Uint8Array; facts: OriginalFacts }> {
  const kind = present(kindOf(bytes), 'font in the file');
  if (bytes.length > LARGEST) {
    throw refuse(
      `The font file has ${Math.round(bytes.length / 1e6)} MB; Brachytone takes up to ${LARGEST / 1e6}. Nothing was added.`,
    );
  }
  try {
    const font = kind === 'WOFF2' ? await unpackWoff2(bytes) : kind === 'WOFF' ? unpackWoff(bytes) : bytes;
    const { name } = readTypeface(font);
    const facts = {
      format: kind,
      colour: 'lettering',
      bitsPerSample: 1,
      alpha: true,
      profile: null,
      density: null,
      turned: false,
      typeface: soundText(name) || 'Typeface',
    };
    return { font, facts };
  } catch (error) {
    if (error instanceof UnreadableTypeface) throw refuse(`${error.message} Nothing was added.`);
    throw error;
  }
}

/** Where a WOFF2 file says how large its font is (W3C, WOFF File Format 2.0, section 4). */
const FONT_SIZE_AT = 16;

async function unpackWoff2(bytes: Uint8Array): Promise<Uint8Array> {
  const says = bytes.length > FONT_SIZE_AT + 4 ? Buffer.from(bytes).readUInt32BE(FONT_SIZE_AT) : 0;
  if (says > LARGEST_UNPACKED) {
    throw new UnreadableTypeface(
      `The font file unpacks to ${Math.round(says / 1e6)} MB; Brachytone takes up to ${LARGEST_UNPACKED / 1e6}.`,
    );
  }
  try {
    return await decompress(bytes);
  } catch {
    throw new UnreadableTypeface('The font file is damaged or ends too early, so it could not be unpacked.');
  }
}
