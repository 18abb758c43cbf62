import { Problem, UnreadableDocument } from '@brachytone/job';

/** How the program ends, for scripts. */
export const EXIT = {
  /** All was made, or nothing is wrong. */
  done: 0,
  /** Something could not be made, or a check found what fails. */
  failed: 1,
  /** It was asked for what cannot be: an option, a treatment or a file that is not there. */
  asked: 2,
} as const;

/** Asked for what cannot be; the message is one line for whoever asked. */
export class AskedWrongly extends Error {}

/** What went wrong, in a line. */
export function lineOf(error: unknown): string {
  if (error instanceof Problem || error instanceof UnreadableDocument || error instanceof AskedWrongly)
    return error.message.replace(/ Nothing was (added|changed)\.$/, '').replaceAll('\n', ' ');
  const { code, message } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC') return 'The disk is full.';
  if (code === 'EACCES' || code === 'EPERM') return `It may not be written there (${code}).`;
  return `Something unforeseen went wrong: ${message ?? String(error)}`;
}

export const exitOf = (error: unknown): number => (error instanceof AskedWrongly ? EXIT.asked : EXIT.failed);
