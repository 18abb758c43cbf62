import { setCacheShare } from '@brachytone/core';
import { Command, CommanderError } from 'commander';
import sharp from 'sharp';
import { addBackup, addRestore } from './commands/backup.ts';
import { addCheck } from './commands/check.ts';
import { addMake } from './commands/make.ts';
import { addProof } from './commands/proof.ts';
import { addServe } from './commands/serve.ts';
import { addTreat } from './commands/treat.ts';
import { addTreatments } from './commands/treatments.ts';
import { addWatch } from './commands/watch.ts';
import { EXIT, exitOf, lineOf } from './failure.ts';
import { version } from './paths.ts';

// Each picture is read once, and films are made from top to bottom.
sharp.cache(false);
sharp.concurrency(1);
setCacheShare(0.12);

const program = new Command('brachytone')
  .description('Photographs, gradients, lettering and line art into halftone plates that print.')
  .version(version())
  .addHelpText(
    'after',
    `\nExit codes: ${EXIT.done} done; ${EXIT.failed} something could not be made, or fails the check; ${EXIT.asked} asked for what cannot be.`,
  )
  .showHelpAfterError('(brachytone --help says what there is)');
const COMMANDS = [
  ...[addTreat, addTreatments, addMake, addProof, addCheck, addWatch],
  ...[addServe, addBackup, addRestore],
];
for (const add of COMMANDS) add(program);
const strict = (command: Command): void => {
  command.exitOverride();
  command.commands.forEach(strict);
};
strict(program);

// What reads the output may have had enough.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(EXIT.done);
  throw error;
});

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? EXIT.done : EXIT.asked;
  else {
    console.error(`brachytone: ${lineOf(error)}`);
    process.exitCode = exitOf(error);
  }
}
