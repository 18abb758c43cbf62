import { resolve } from 'node:path';
import type { Command } from 'commander';
import { portNamed, runServed } from '../served-program.ts';

interface Wishes {
  readonly port: string;
  readonly data: string;
}

const addKept = (program: Command, name: 'backup' | 'restore', summary: string, says: string): Command =>
  program
    .command(name)
    .summary(summary)
    .description(says)
    .argument('<file>', 'the backup, a ZIP file')
    .option('--data <folder>', 'where jobs and films are kept', 'data')
    .option('--port <number>', 'where a server listens that keeps them', '4180')
    .action(async (file: string, { port, data }: Wishes) => {
      process.exitCode = await runServed('backup', [name, resolve(file)], {
        PORT: portNamed(port),
        BRACHYTONE_DATA: resolve(data),
      });
    });

export const addBackup = (program: Command): Command =>
  addKept(
    program,
    'backup',
    'write all that is kept into a file',
    'Writes jobs, originals, films and all else that is kept into a file, while a server runs or without one.',
  );

export const addRestore = (program: Command): Command =>
  addKept(
    program,
    'restore',
    'put a backup into an empty folder',
    'Puts a backup into an empty place, and compares every job, original and film with it.',
  );
