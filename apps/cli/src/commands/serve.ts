import { resolve } from 'node:path';
import type { Command } from 'commander';
import { portNamed, runServed } from '../served-program.ts';

export const addServe = (program: Command): Command =>
  program
    .command('serve')
    .summary('start the application in a browser')
    .description('Starts the server with the interface, for this machine alone unless its settings say else.')
    .option('--port <number>', 'where it listens', '4180')
    .option('--data <folder>', 'where jobs and films are kept', 'data')
    .action(async ({ port, data }: { port: string; data: string }) => {
      process.exitCode = await runServed('main', [], {
        PORT: portNamed(port),
        BRACHYTONE_DATA: resolve(data),
      });
    });
