import { mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { proofPng, sceneOf } from '@brachytone/files/write';
import { plainName } from '@brachytone/job';
import type { Command } from 'commander';
import { AskedServer } from '../asked-server.ts';
import { AskedWrongly, EXIT, lineOf } from '../failure.ts';
import {
  FILM_OPTIONS,
  PIXELS_OPTION,
  SERVER_OPTIONS,
  withWishes,
  type FilmWishes,
  type ServerWishes,
} from '../film-options.ts';
import { bytesOf, inputsOf, sheetNamed, treatmentNamed } from '../input.ts';
import { makeFilms, type CliFilm } from '../make-films.ts';
import { Originals } from '../originals.ts';
import { progress } from '../progress.ts';
import { treatPicture } from '../treat-picture.ts';

interface Wishes extends FilmWishes, ServerWishes {
  readonly treatment: string;
  readonly out: string;
  readonly sheet?: string;
  readonly proof?: boolean;
  readonly pixels: number;
  readonly json?: boolean;
  readonly quiet?: boolean;
}

/** What became of a picture. */
interface Treated {
  readonly picture: string;
  readonly films: readonly CliFilm[];
  readonly proof?: string;
  /** What could not be done as the treatment says. */
  readonly notes: readonly string[];
  /** Why nothing could be made of it. */
  readonly problem?: string;
}

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
  const treat = wishes.server === undefined ? treatHere(wishes) : treatThere(wishes.server, wishes);
  const folder = resolve(wishes.out);
  mkdirSync(folder, { recursive: true });
  const bar = progress(!wishes.quiet && !wishes.json);
  const all: Treated[] = [];
  for (const [i, input] of inputs.entries()) {
    const tell = (share: number) => bar.tell((i + share) / inputs.length, input.name);
    tell(0);
    try {
      all.push({ picture: input.path, ...(await treat(bytesOf(input), input.name, folder, tell)) });
    } catch (error) {
      // What is asked wrongly of one is so of all.
      if (error instanceof AskedWrongly) throw error;
      all.push({ picture: input.path, films: [], notes: [], problem: lineOf(error) });
    }
  }
  bar.end();
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

/** Makes the films of a picture into a folder. */
type Treat = (
  bytes: Uint8Array,
  name: string,
  folder: string,
  tell: (share: number) => void,
) => Promise<Omit<Treated, 'picture'>>;

/** In this process. */
function treatHere(wishes: Wishes): Treat {
  const treatment = treatmentNamed(wishes.treatment);
  const originals = new Originals();
  const names = new Set<string>();
  return async (bytes, name, folder, tell) => {
    try {
      const laid = await treatPicture(bytes, name, treatment, wishes.sheet, originals);
      const asked = withWishes(laid.document, wishes);
      const document = { ...asked, name: freeName(asked.name, names) };
      const films = await makeFilms(document, originals, folder, tell);
      let proof: string | undefined;
      if (wishes.proof) {
        proof = `${plainName(document.name) || 'picture'}-proof.png`;
        const scene = sceneOf(document.recipe, await originals.materials(document.recipe));
        writeFileSync(join(folder, proof), await proofPng(scene, wishes.pixels));
      }
      return { films, ...(proof ? { proof } : {}), notes: laid.says };
    } finally {
      originals.forget();
    }
  };
}

/** By a server, which keeps a job of each. */
function treatThere(url: string, wishes: Wishes): Treat {
  const given = (['format', 'dpi', 'mirrored', 'negative', 'proof'] as const).find(
    (one) => wishes[one] !== undefined,
  );
  if (given) throw new AskedWrongly(`A server makes films as the treatment says: leave out --${given}.`);
  const server = new AskedServer(url, wishes.token);
  return async (bytes, name, folder, tell) => ({
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

/** A name that no picture before has: two of one name come from different folders. */
function freeName(name: string, taken: Set<string>): string {
  let free = name;
  for (let number = 2; taken.has(plainName(free)); number++) free = `${name} ${number}`;
  taken.add(plainName(free));
  return free;
}
