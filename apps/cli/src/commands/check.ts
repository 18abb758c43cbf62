import { pressCheck, type JobPress } from '@brachytone/core';
import { sceneOf } from '@brachytone/files/write';
import { SHIPPED_PRESSES } from '@brachytone/job';
import type { Command } from 'commander';
import { AskedWrongly, EXIT } from '../failure.ts';
import { openJob } from '../open-job.ts';

interface Wishes {
  readonly original?: string[];
  readonly press?: string;
  readonly json?: boolean;
}

export const addCheck = (program: Command): Command =>
  program
    .command('check')
    .summary('say what may go wrong on the press')
    .description(
      `Looks at a job as its press will print it. Ends with ${EXIT.failed} where something fails; what is only risky is told.`,
    )
    .argument('<job>', 'job.zip or job.json; - for a pipe')
    .option('--original <file...>', 'what a document is made from')
    .option('--press <id>', `the press to check for: ${SHIPPED_PRESSES.map(({ id }) => id).join(', ')}`)
    .option('--json', 'as a JSON list')
    .action(async (path: string, wishes: Wishes) => {
      const press = wishes.press === undefined ? undefined : pressNamed(wishes.press);
      const { document, originals } = await openJob(path, wishes.original);
      const recipe = press ? { ...document.recipe, press } : document.recipe;
      if (!recipe.press)
        throw new AskedWrongly('The job says no press. Name one with --press to have it checked.');
      const scene = sceneOf(recipe, await originals.materials(recipe));
      const findings = pressCheck(scene).map(({ check, severity, says, why, places }) => ({
        check,
        severity,
        says,
        why,
        places,
      }));
      if (wishes.json) console.log(JSON.stringify(findings, null, 1));
      else if (findings.length === 0) console.log('Nothing found.');
      else for (const { severity, says } of findings) console.log(`${severity}: ${says}`);
      if (findings.some(({ severity }) => severity === 'fail')) process.exitCode = EXIT.failed;
    });

/** A press that ships, as a job has it. */
function pressNamed(id: string): JobPress {
  const found = SHIPPED_PRESSES.find((one) => one.id === id);
  if (!found)
    throw new AskedWrongly(
      `There is no press “${id}”. Those that ship: ${SHIPPED_PRESSES.map((one) => one.id).join(', ')}.`,
    );
  const { id: _id, says: _says, ...press } = found;
  return { id, press, compensates: true };
}
