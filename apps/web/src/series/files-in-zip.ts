import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';

/** What one file of an archive may unpack to, bytes, and how many are taken. */
const MOST_BYTES = 400e6;
const MOST_FILES = 2000;

/**
 * The files of a ZIP, one after another, so that no more than one is ever unpacked.
 *
 * @throws Error with a sentence where it is damaged or too large
 */
export async function* filesInZip(zip: Blob): AsyncGenerator<File> {
  const found: { name: string; parts: Uint8Array<ArrayBuffer>[]; whole: boolean }[] = [];
  let failed: Error | undefined;
  let count = 0;
  const unzip = new Unzip((entry: UnzipFile) => {
    const name = entry.name.slice(entry.name.lastIndexOf('/') + 1);
    // Folders, and what some systems put beside files.
    if (name === '' || name.startsWith('.') || entry.name.startsWith('__MACOSX/')) return;
    if ((count += 1) > MOST_FILES) {
      failed = new Error(`It holds more than ${MOST_FILES} files.`);
      return;
    }
    const file = { name, parts: [] as Uint8Array<ArrayBuffer>[], whole: false };
    let bytes = 0;
    found.push(file);
    entry.ondata = (error, part, last) => {
      bytes += part.length;
      if (error || bytes > MOST_BYTES) {
        failed = new Error(error ? 'It is damaged.' : `“${name}” in it is larger than 400 MB.`);
        entry.terminate();
        return;
      }
      file.parts.push(part);
      if (last) file.whole = true;
    };
    entry.start();
  });
  unzip.register(UnzipInflate);
  const reader = zip.stream().getReader();
  for (;;) {
    const { done, value } = await reader.read();
    try {
      unzip.push(value ?? new Uint8Array(0), done);
    } catch {
      failed ??= new Error('It is damaged.');
    }
    if (failed) throw failed;
    while (found[0]?.whole) {
      const file = found.shift();
      if (file) yield new File(file.parts, file.name);
    }
    if (done) return;
  }
}
