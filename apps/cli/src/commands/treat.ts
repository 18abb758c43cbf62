import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, resolve } from 'node:path';
import { plainName } from '@brachytone/job';
import type { Command } from 'commander';
import { AskedServer } from '../asked-server.ts';
import { AskedWrongly, EXIT, lineOf } from '../failure.ts';
import { FILM_OPTIONS, PIXELS_OPTION, SERVER_OPTIONS, type ServerWishes } from '../film-options.ts';
import { bytesOf, inputsOf, sheetNamed, treatmentNamed, type Input } from '../input.ts';
import { treatWorker } from '../paths.ts';
import { progress } from '../progress.ts';
import { treatOne, type OnePicture, type TreatedOne, type TreatWishes } from '../treat-one.ts';
import type { TreatAnswer, TreatTask } from '../treat-worker.ts';

interface Wishes extends TreatWishes, ServerWishes {
  readonly out: string;
  readonly json?: boolean;
  readonly quiet?: boolean;
}

/** What became of a picture, and why if nothing did. */
interface Treated extends TreatedOne {
  readonly picture: string;
  readonly problem?: string;
}

/** Threads that pictures are shared out to, at most: each holds a picture. */
const MOST_THREADS = 4;
/** How far all are is told so often, ms. */
const TELLS_EVERY = 200;

export function addTreat(program: Command): Command {
  const command = program
    .command('treat')
    .summary('make films of pictures in a treatment')
    .description(
      'Makes the films of each picture in a treatment. One that cannot be read stops none of the others.\nA picture named - is read from a pipe.',
    )
    .argument('<picture...>', 'JPEG, PNG, TIFF, WebP, AVIF or SVG files')
    .requiredOption('--treatment <id>', 'a treatment that ships, or a treatment’s file')
    .option('--out <folder>', 'where the films go', '.')
    .option('--sheet <size>', 'a sheet (A3), its sides in mm (300x400), or its longest side (420)')
    .option('--proof', 'a proof of each picture beside its films, as PNG')
    .addOption(PIXELS_OPTION('longer side of the proof, pixels'))
    .option('--json', 'tell what was made as a JSON list')
    .option('--quiet', 'tell only what went wrong');
  for (const option of [...FILM_OPTIONS(), ...SERVER_OPTIONS()]) command.addOption(option);
  return command
    .addHelpText(
      'after',
      '\nExamples:\n  brachytone treat portrait.jpg --treatment engraved-portrait --out films --sheet A3\n  brachytone treat *.jpg --treatment two-inks --out films --proof --json > made.json',
    )
    .action(treat);
}

async function treat(pictures: string[], wishes: Wishes): Promise<void> {
  const inputs = inputsOf(pictures);
  sheetNamed(wishes.sheet, false);
  const treat = wishes.server === undefined ? undefined : treatThere(wishes.server, wishes);
  // A server may know treatments of its own.
  if (!treat) treatmentNamed(wishes.treatment);
  const folder = resolve(wishes.out);
  mkdirSync(folder, { recursive: true });
  const bar = progress(!wishes.quiet && !wishes.json);
  const told = (share: number, words: string) => bar.tell(share / inputs.length, words);
  const making = treat ? oneByOne(inputs, folder, treat, told) : here(inputs, folder, wishes, told);
  const all = await making.finally(() => bar.end());
  if (wishes.json) console.log(JSON.stringify(all, null, 1));
  for (const { picture, films, notes, problem } of all) {
    if (problem !== undefined) console.error(`${picture}: ${problem}`);
    else if (!wishes.json && !wishes.quiet) {
      for (const note of notes) console.error(`${picture}: ${note}`);
      for (const { file, bytes } of films) if (bytes > 0) console.log(join(wishes.out, file));
    }
  }
  if (all.some(({ problem }) => problem !== undefined)) process.exitCode = EXIT.failed;
}

/** Makes the films of a picture. */
type Treat = (picture: OnePicture, tell: (share: number) => void) => Promise<TreatedOne>;

const failedOf = (picture: string, problem: string): Treated => ({ picture, films: [], notes: [], problem });

/** One picture after another. */
async function oneByOne(
  inputs: readonly Input[],
  folder: string,
  treat: Treat,
  told: (share: number, words: string) => void,
): Promise<Treated[]> {
  const all: Treated[] = [];
  const after = namesAfter(inputs);
  for (const [i, input] of inputs.entries()) {
    told(i, input.name);
    try {
      const picture = { bytes: bytesOf(input), name: input.name, after: after[i], folder };
      all.push({ picture: input.path, ...(await treat(picture, (share) => told(i + share, input.name))) });
    } catch (error) {
      // What is asked wrongly of one is so of all.
      if (error instanceof AskedWrongly) throw error;
      all.push(failedOf(input.path, lineOf(error)));
    }
  }
  return all;
}

/** In this process; several pictures in as many threads as there are cores. */
async function here(
  inputs: readonly Input[],
  folder: string,
  wishes: Wishes,
  told: (share: number, words: string) => void,
): Promise<Treated[]> {
  const threads = Math.min(availableParallelism(), inputs.length, MOST_THREADS);
  if (threads < 2) return oneByOne(inputs, folder, (picture, tell) => treatOne(picture, wishes, tell), told);
  const { Piscina } = await import('piscina');
  const pool = new Piscina<TreatTask, TreatAnswer>({ filename: treatWorker(), maxThreads: threads });
  const shares = new Float32Array(new SharedArrayBuffer(4 * inputs.length));
  const all: Treated[] = [];
  const after = namesAfter(inputs);
  let next = 0;
  const telling = setInterval(
    () =>
      told(
        shares.reduce((sum, share) => sum + share, 0),
        inputs[Math.min(next, inputs.length) - 1]?.name ?? '',
      ),
    TELLS_EVERY,
  );
  /** A picture is read when a thread is free for it. */
  const lane = async (): Promise<void> => {
    for (let at = next++; at < inputs.length; at = next++) {
      const { path, name } = inputs[at];
      try {
        const picture = { bytes: bytesOf(inputs[at]), name, after: after[at], folder };
        const answer = await pool.run({ picture, wishes: plain(wishes), shares, at });
        if ('asked' in answer) throw new AskedWrongly(answer.asked);
        all[at] = 'problem' in answer ? failedOf(path, answer.problem) : { picture: path, ...answer };
      } catch (error) {
        if (error instanceof AskedWrongly) throw error;
        all[at] = failedOf(path, lineOf(error));
      }
      shares[at] = 1;
    }
  };
  try {
    await Promise.all(Array.from({ length: threads }, lane));
  } finally {
    clearInterval(telling);
    await pool.destroy();
  }
  return all;
}

/** What a thread has to know of all that was asked for. */
const plain = ({
  treatment,
  sheet,
  proof,
  pixels,
  format,
  dpi,
  mirrored,
  negative,
}: Wishes): TreatWishes => ({
  treatment,
  pixels,
  ...(sheet === undefined ? {} : { sheet }),
  ...(proof === undefined ? {} : { proof }),
  ...(format === undefined ? {} : { format }),
  ...(dpi === undefined ? {} : { dpi }),
  ...(mirrored === undefined ? {} : { mirrored }),
  ...(negative === undefined ? {} : { negative }),
});

/** By a server, which keeps a job of each. */
function treatThere(url: string, wishes: Wishes): Treat {
  const given = (['format', 'dpi', 'mirrored', 'negative', 'proof'] as const).find(
    (one) => wishes[one] !== undefined,
  );
  if (given) throw new AskedWrongly(`A server makes films as the treatment says: leave out --${given}.`);
  const server = new AskedServer(url, wishes.token);
  return async ({ bytes, name, folder }, tell) => ({
    films: await server.treat(
      bytes,
      name,
      wishes.treatment,
      (isWide) => sheetNamed(wishes.sheet, isWide),
      folder,
      tell,
    ),
    notes: [],
  });
}

/** What is put after each picture's name, so that all are others: two of one name come from different folders. */
function namesAfter(inputs: readonly Input[]): string[] {
  const taken = new Set<string>();
  return inputs.map(({ name }) => {
    const own = name.replace(/\.[a-z0-9]{2,5}$/i, '');
    let after = '';
    for (let number = 2; taken.has(plainName(own + after)); number++) after = ` ${number}`;
    taken.add(plainName(own + after));
    return after;
  });
}
