import { present } from '@brachytone/core';
import type { OriginalFacts } from '@brachytone/job';
import { readTypeface, UnreadableTypeface } from '@brachytone/typeface';
import { decompress } from 'wawoff2';
import { Problem } from '../http/problem.ts';

/** Bytes of the largest font file that is read. */
const LARGEST = 30e6;

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
 * Reads a font: what is packed as WOFF2 is unpacked.
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
    const font = kind === 'WOFF2' ? await unpack(bytes) : bytes;
    const { name } = readTypeface(font);
    const facts = {
      format: kind,
      colour: 'lettering',
      bitsPerSample: 1,
      alpha: true,
      profile: null,
      density: null,
      turned: false,
      typeface: name,
    };
    return { font, facts };
  } catch (error) {
    if (error instanceof UnreadableTypeface) throw refuse(`${error.message} Nothing was added.`);
    throw error;
  }
}

async function unpack(bytes: Uint8Array): Promise<Uint8Array> {
  try {
    return await decompress(bytes);
  } catch {
    throw new UnreadableTypeface('The font file is damaged or ends too early, so it could not be unpacked.');
  }
}
