import { SHIPPED_TREATMENTS } from '@brachytone/job';
import type { Command } from 'commander';

export const addTreatments = (program: Command): Command =>
  program
    .command('treatments')
    .summary('list the treatments that ship')
    .description('Lists the treatments that ship, by the id that `treat` takes.')
    .option('--json', 'as a JSON list of { id, name }')
    .action(({ json }: { json?: boolean }) => {
      if (json) {
        console.log(JSON.stringify(SHIPPED_TREATMENTS.map(({ id, name }) => ({ id, name }))));
        return;
      }
      const wide = Math.max(...SHIPPED_TREATMENTS.map(({ id }) => id.length));
      for (const { id, says } of SHIPPED_TREATMENTS) console.log(`${id.padEnd(wide)}  ${says}`);
    });
