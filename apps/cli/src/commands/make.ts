import { join, resolve } from 'node:path';
import type { Command } from 'commander';
import { AskedServer } from '../asked-server.ts';
import {
  FILM_OPTIONS,
  SERVER_OPTIONS,
  withWishes,
  type FilmWishes,
  type ServerWishes,
} from '../film-options.ts';
import { bytesOf, inputsOf } from '../input.ts';
import { makeFilms } from '../make-films.ts';
import { openJob } from '../open-job.ts';
import { progress } from '../progress.ts';

interface Wishes extends FilmWishes, ServerWishes {
  readonly original?: string[];
  readonly out: string;
  readonly json?: boolean;
  readonly quiet?: boolean;
}

export function addMake(program: Command): Command {
  const command = program
    .command('make')
    .summary('make the films of a job')
    .description(
      'Makes the films of a job: of its archive, or of its document with the files that it is made from.\nThey are the same, bit for bit, as those the server makes.',
    )
    .argument('<job>', 'job.zip or job.json; - for a pipe')
    .option(
      '--original <file...>',
      'what a document is made from; the first stands in for what is missing first',
    )
    .option('--out <folder>', 'where the films go', '.')
    .option('--json', 'tell what was made as a JSON list')
    .option('--quiet', 'tell only what went wrong');
  for (const option of [...FILM_OPTIONS(), ...SERVER_OPTIONS()]) command.addOption(option);
  return command
    .addHelpText(
      'after',
      '\nExamples:\n  brachytone make poster.zip --out films\n  brachytone make poster.json --original moon.jpg --out films --format pdf-films',
    )
    .action(async (job: string, wishes: Wishes) => {
      const bar = progress(!wishes.quiet && !wishes.json);
      const tell = (share: number) => bar.tell(share, job);
      const out = resolve(wishes.out);
      try {
        const films =
          wishes.server === undefined
            ? await here(job, wishes, out, tell)
            : await there(job, wishes, out, tell);
        bar.end();
        if (wishes.json) console.log(JSON.stringify(films, null, 1));
        else if (!wishes.quiet)
          for (const { file, bytes } of films) if (bytes > 0) console.log(join(wishes.out, file));
      } finally {
        bar.end();
      }
    });
}

async function here(job: string, wishes: Wishes, out: string, tell: (share: number) => void) {
  const { document, originals } = await openJob(job, wishes.original);
  return makeFilms(withWishes(document, wishes), originals, out, tell);
}

async function there(
  job: string,
  { server = '', token }: Wishes,
  out: string,
  tell: (share: number) => void,
) {
  const [input] = inputsOf([job]);
  return new AskedServer(server, token).make(bytesOf(input), out, tell);
}
