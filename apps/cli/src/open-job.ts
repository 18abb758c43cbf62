import type { JobDocument } from '@brachytone/job';
import { bytesOf, inputsOf } from './input.ts';
import { readJob } from './job-file.ts';
import { Originals, type Original } from './originals.ts';

/** A job's archive or document, with the files that were given along. */
export async function openJob(
  path: string,
  files: readonly string[] = [],
): Promise<{ document: JobDocument; originals: Originals }> {
  const [job, ...rest] = inputsOf([path, ...files]);
  const originals = new Originals();
  const given: Original[] = [];
  for (const file of rest) given.push(await originals.add(bytesOf(file)));
  return { document: await readJob(bytesOf(job), originals, given), originals };
}
