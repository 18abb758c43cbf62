import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { OriginalRecipe } from '@brachytone/core';
import { readArchive } from '@brachytone/files/archive';
import { filesOf, readDocument, UnreadableDocument, type FileUse, type JobDocument } from '@brachytone/job';
import { AskedWrongly } from './failure.ts';
import type { Original, Originals } from './originals.ts';

/** True for a ZIP, by its first bytes. */
const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * Reads a job and brings in what it is made from: an archive has that with it, of a document the files are given.
 *
 * @param given files brought in already; one that the document does not name stands in place of a picture or drawing that is missing, the first for the first
 */
export async function readJob(
  bytes: Uint8Array,
  originals: Originals,
  given: readonly Original[],
): Promise<JobDocument> {
  if (isZip(bytes)) return fromArchive(bytes, originals);
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new UnreadableDocument(
      'This is neither a job’s archive nor its document: it is no ZIP and no JSON.',
    );
  }
  return inPlace(readDocument(value), originals, given);
}

async function fromArchive(bytes: Uint8Array, originals: Originals): Promise<JobDocument> {
  const folder = mkdtempSync(join(tmpdir(), 'brachytone-'));
  try {
    const path = join(folder, 'job.zip');
    writeFileSync(path, bytes);
    const archive = await readArchive(path);
    try {
      const { files, taken, painted, separated, document } = archive.manifest;
      for (const one of files) await originals.add(await archive.file(one.path));
      for (const { from, intent, compensate } of taken) await originals.take(from, { intent, compensate });
      for (const { from, longest } of painted) await originals.paint(from, longest);
      for (const { from } of separated) await originals.separate(from);
      return readDocument(document);
    } finally {
      archive.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A document with the files that were given in place of those it names and that are not here. */
function inPlace(document: JobDocument, originals: Originals, given: readonly Original[]): JobDocument {
  const uses = filesOf(document.recipe).filter(({ kind }) => kind === 'picture' || kind === 'drawing');
  const named = new Set(uses.map(({ sha256 }) => sha256));
  const spare = given.filter(
    ({ sha256, kind }) => !named.has(sha256) && (kind === 'picture' || kind === 'drawing'),
  );
  const missing = uses.filter(({ sha256 }) => !originals.get(sha256));
  if (spare.length > missing.length)
    throw new AskedWrongly(
      `The job has ${missing.length} missing ${missing.length === 1 ? 'original' : 'originals'}, and ${spare.length} were given in their place.`,
    );
  const instead = new Map<string, string>();
  for (const use of missing) {
    const at = spare.findIndex(({ kind }) => kind === use.kind);
    if (at >= 0) instead.set(use.sha256, spare.splice(at, 1)[0].sha256);
  }
  if (instead.size === 0) return document;
  const { recipe } = document;
  return {
    ...document,
    recipe: { ...recipe, originals: recipe.originals.map((one) => replaced(one, instead)) },
  };
}

function replaced(original: OriginalRecipe, instead: ReadonlyMap<string, FileUse['sha256']>): OriginalRecipe {
  const { content } = original;
  if (content.kind === 'picture')
    return { ...original, content: { ...content, picture: instead.get(content.picture) ?? content.picture } };
  if (content.kind === 'drawing')
    return { ...original, content: { ...content, drawing: instead.get(content.drawing) ?? content.drawing } };
  return original;
}
