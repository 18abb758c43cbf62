import { join, resolve } from 'node:path';
import type { Command } from 'commander';
import { FILM_OPTIONS, withWishes, type FilmWishes } from '../film-options.ts';
import { makeFilms } from '../make-films.ts';
import { openJob } from '../open-job.ts';
import { progress } from '../progress.ts';

interface Wishes extends FilmWishes {
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
  for (const option of FILM_OPTIONS()) command.addOption(option);
  return command
    .addHelpText(
      'after',
      '\nExamples:\n  brachytone make poster.zip --out films\n  brachytone make poster.json --original moon.jpg --out films --format pdf-films',
    )
    .action(async (job: string, wishes: Wishes) => {
      const { document, originals } = await openJob(job, wishes.original);
      const bar = progress(!wishes.quiet && !wishes.json);
      try {
        const films = await makeFilms(withWishes(document, wishes), originals, resolve(wishes.out), (share) =>
          bar.tell(share, document.name),
        );
        bar.end();
        if (wishes.json) console.log(JSON.stringify(films, null, 1));
        else if (!wishes.quiet)
          for (const { file, bytes } of films) if (bytes > 0) console.log(join(wishes.out, file));
      } finally {
        bar.end();
      }
    });
}
