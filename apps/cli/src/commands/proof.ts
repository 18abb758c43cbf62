import { writeFileSync } from 'node:fs';
import { proofPng, sceneOf } from '@brachytone/files/write';
import type { Command } from 'commander';
import { PIXELS_OPTION } from '../film-options.ts';
import { bytesOf, inputsOf, treatmentNamed } from '../input.ts';
import { openJob } from '../open-job.ts';
import { Originals } from '../originals.ts';
import { treatPicture } from '../treat-picture.ts';

interface Wishes {
  readonly original?: string[];
  readonly treatment?: string;
  readonly sheet?: string;
  readonly out: string;
  readonly pixels: number;
}

export const addProof = (program: Command): Command =>
  program
    .command('proof')
    .summary('make a proof of a job, or of a picture in a treatment')
    .description('Makes a proof as PNG, off the films’ own bits: as it will be printed, trimmed.')
    .argument('<job>', 'job.zip or job.json; a picture where --treatment is given; - for a pipe')
    .option('--treatment <id>', 'a treatment that ships, or a treatment’s file')
    .option('--original <file...>', 'what a document is made from')
    .option('--sheet <size>', 'a sheet (A3), its sides in mm (300x400), or its longest side (420)')
    .option('--out <file>', 'the picture’s file; - for a pipe', 'proof.png')
    .addOption(PIXELS_OPTION('longer side, pixels'))
    .action(async (path: string, wishes: Wishes) => {
      const { document, originals } = wishes.treatment
        ? await ofPicture(path, wishes.treatment, wishes.sheet)
        : await openJob(path, wishes.original);
      const scene = sceneOf(document.recipe, await originals.materials(document.recipe));
      const png = await proofPng(scene, wishes.pixels);
      if (wishes.out === '-') process.stdout.write(png);
      else writeFileSync(wishes.out, png);
    });

async function ofPicture(path: string, treatment: string, sheet: string | undefined) {
  const [input] = inputsOf([path]);
  const originals = new Originals();
  const { document } = await treatPicture(
    bytesOf(input),
    input.name,
    treatmentNamed(treatment),
    sheet,
    originals,
  );
  return { document, originals };
}
