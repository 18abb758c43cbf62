import { createHash } from 'node:crypto';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Problem } from '@brachytone/job';
import { MANIFEST, manifestSchema, type Manifest } from './manifest.ts';

/** Bytes that an archive may unpack to, that a file of it may have, and its manifest. */
const MOST_BYTES = 2 ** 33;
const MOST_OF_FILE = 160 * 2 ** 20;
const MOST_OF_MANIFEST = 16 * 2 ** 20;
/** Entries it may have. */
const MOST_ENTRIES = 5000;

const refused = (why: string): Problem => new Problem(422, 'Not a job archive', `${why} Nothing was added.`);

/** An archive of a job whose contents were all seen, and are what they are said to be. */
export interface ReadArchive {
  readonly manifest: Manifest;
  /** A file's bytes by its place in the archive. */
  file(path: string): Promise<Uint8Array<ArrayBuffer>>;
  close(): void;
}

/**
 * Opens an archive and looks at all that a job is made from: names, sizes and sums have to be right before anything of it is used.
 *
 * @param path of the archive's file
 * @throws Problem with a sentence that says what is wrong
 */
export async function readArchive(path: string): Promise<ReadArchive> {
  let zip: ZipFile;
  try {
    zip = await yauzl.openPromise(path, {
      lazyEntries: true,
      strictFileNames: true,
      validateEntrySizes: true,
      autoClose: false,
    });
  } catch {
    throw refused('The file is no ZIP archive, or it is damaged.');
  }
  try {
    const entries = await entriesOf(zip);
    const own = entries.get(MANIFEST);
    if (!own) throw refused(`There is no ${MANIFEST} in it: it is another kind of archive.`);
    const manifest = readManifest(await bytesOf(zip, own, MOST_OF_MANIFEST));
    const file = async (place: string): Promise<Uint8Array<ArrayBuffer>> => {
      const entry = entries.get(place);
      if (!entry) throw refused(`“${place}” is missing in it.`);
      return bytesOf(zip, entry, MOST_OF_FILE);
    };
    for (const one of manifest.files) {
      const sum = createHash('sha256')
        .update(await file(one.path))
        .digest('hex');
      if (sum !== one.sha256) throw refused(`“${one.path}” is not what it was when it was packed.`);
    }
    return { manifest, file, close: () => zip.close() };
  } catch (error) {
    zip.close();
    if (error instanceof Problem) throw error;
    throw refused('The archive is damaged.');
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  if (zip.entryCount > MOST_ENTRIES)
    throw refused(`It has ${zip.entryCount} entries; up to ${MOST_ENTRIES} are read.`);
  const entries = new Map<string, Entry>();
  let total = 0;
  await new Promise<void>((resolve, reject) => {
    zip.on('error', () => reject(refused('A name in it leads out of its folder, or it is damaged.')));
    zip.on('end', () => resolve());
    zip.on('entry', (entry: Entry) => {
      total += entry.uncompressedSize;
      if (total > MOST_BYTES) {
        reject(refused('It would unpack to more than 8 GB.'));
        return;
      }
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
  return entries;
}

/** An entry's bytes; no more are unpacked than it says it has. */
async function bytesOf(zip: ZipFile, entry: Entry, most: number): Promise<Uint8Array<ArrayBuffer>> {
  if (entry.uncompressedSize > most)
    throw refused(`“${entry.fileName}” in it is larger than ${Math.round(most / 2 ** 20)} MB.`);
  const stream = await new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (error, opened) => (error ? reject(error) : resolve(opened))),
  );
  const bytes = new Uint8Array(entry.uncompressedSize);
  let at = 0;
  await pipeline(stream, async (parts: AsyncIterable<Buffer>) => {
    for await (const part of parts) {
      bytes.set(part, at);
      at += part.length;
    }
  });
  return bytes;
}

function readManifest(bytes: Uint8Array): Manifest {
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw refused(`Its ${MANIFEST} cannot be read.`);
  }
  const result = manifestSchema.validate(value, { convert: false });
  if (result.error) throw refused(`Its ${MANIFEST} is not right: ${result.error.message}.`);
  return result.value;
}
