import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { pictureLike, type JobDocument } from '@brachytone/job';
import { InvalidArgumentError, type Command } from 'commander';
import { AskedWrongly } from '../failure.ts';
import { FILM_OPTIONS, PIXELS_OPTION, withWishes, type FilmWishes } from '../film-options.ts';
import { folderNamed, sheetNamed, treatmentNamed } from '../input.ts';
import { openJob } from '../open-job.ts';
import { treatPicture } from '../treat-picture.ts';
import { lockFolder } from '../watch/folder-lock.ts';
import { WatchedFolder, type WatchWishes } from '../watch/watched-folder.ts';

/** The folder is looked at so often, ms. */
const LOOK_EVERY = 500;

interface Wishes extends FilmWishes {
  readonly treatment?: string;
  readonly like?: string;
  readonly out?: string;
  readonly sheet?: string;
  readonly proof?: boolean;
  readonly pixels: number;
  readonly settle: number;
  readonly once?: boolean;
}

const seconds = (text: string): number => {
  const number = Number(text);
  if (!(number >= 0.1 && number <= 3600))
    throw new InvalidArgumentError('It must be seconds, from 0.1 to 3600.');
  return number;
};

export function addWatch(program: Command): Command {
  const command = program
    .command('watch')
    .summary('make films of what is put in a folder')
    .description(
      'Makes the films of every picture that is put in a folder, of each once: what is still being copied is waited for, what was made before a restart is not made again.\nWhat cannot be read leaves a text file that says why. Ends with a signal.',
    )
    .argument('<folder>', 'the folder that pictures are put in')
    .option('--treatment <id>', 'a treatment that ships, or a treatment’s file')
    .option('--like <job>', 'a job whose settings every picture has: job.zip or job.json')
    .option('--out <folder>', 'where the films go; a folder “films” in the watched one by itself')
    .option('--sheet <size>', 'a sheet (A3), its sides in mm (300x400), or its longest side (420)')
    .option('--proof', 'a proof of each picture beside its films, as PNG')
    .addOption(PIXELS_OPTION('longer side of the proof, pixels'))
    .option('--settle <seconds>', 'how long a file has to stay the same until it is taken', seconds, 2)
    .option('--once', 'end once everything that is there is dealt with');
  for (const option of FILM_OPTIONS()) command.addOption(option);
  return command.action(watch);
}

async function watch(path: string, wishes: Wishes): Promise<void> {
  const folder = folderNamed(path);
  const out = resolve(wishes.out ?? join(folder, 'films'));
  if (out === folder) throw new AskedWrongly('Films and pictures need folders of their own.');
  const jobOf = await jobsBy(wishes);
  mkdirSync(out, { recursive: true });
  const unlock = lockFolder(out);
  const ended = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => ended.abort());
  try {
    const watched = new WatchedFolder({
      folder,
      out,
      settle: 1000 * wishes.settle,
      pixels: wishes.proof ? wishes.pixels : 0,
      jobOf,
      say: (line) => console.log(line),
      signal: ended.signal,
    });
    console.error(`Watching ${folder}; films go to ${out}.`);
    for (let idle = 0; !ended.signal.aborted;) {
      idle = (await watched.look()) > 0 ? 0 : idle + LOOK_EVERY;
      // What is still being copied has had its time too.
      if (wishes.once && idle > 1000 * wishes.settle + 2 * LOOK_EVERY) return;
      await wait(LOOK_EVERY, undefined, { signal: ended.signal }).catch(() => undefined);
    }
  } finally {
    unlock();
  }
}

/** What makes the job of a picture: a treatment, or another job's settings. */
async function jobsBy(wishes: Wishes): Promise<WatchWishes['jobOf']> {
  sheetNamed(wishes.sheet, false);
  const { treatment: name, like } = wishes;
  if ((name === undefined) === (like === undefined))
    throw new AskedWrongly('Say how pictures are to be printed: with --treatment, or with --like.');
  if (name !== undefined) {
    const treatment = treatmentNamed(name);
    return async (bytes, file, originals) =>
      withWishes((await treatPicture(bytes, file, treatment, wishes.sheet, originals)).document, wishes);
  }
  const { document } = await openJob(like ?? '');
  return async (bytes, file, originals): Promise<JobDocument> => {
    const { sha256, kind, width, height } = await originals.add(bytes);
    return withWishes(pictureLike(document, { sha256, kind, width, height, name: file }), wishes);
  };
}
