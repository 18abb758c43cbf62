import { Problem } from './problem.ts';

/** Codes of a connection that is gone or refused: of the system, and of PostgreSQL (appendix A, classes 08, 53 and 57). */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'EAI_AGAIN',
  '08000',
  '08001',
  '08003',
  '08006',
  '53300',
  '57P01',
  '57P02',
  '57P03',
]);
/** What the database's client says without a code. */
const AWAY_WORDS =
  /Connection terminated|connection error and is not queryable|timeout exceeded when trying to connect/;
/** Codes of a disk that is full: of the system, of PostgreSQL, and of a quota. */
const FULL = new Set(['ENOSPC', '53100', 'EDQUOT']);
const FULL_WORDS = /No space left on device/;

interface Told {
  readonly code?: unknown;
  readonly message?: unknown;
  readonly cause?: unknown;
  readonly errors?: unknown;
}

/** True when an error, or one that it came of, is told by a code or by words. */
function isOf(error: unknown, codes: ReadonlySet<string>, words: RegExp, depth = 6): boolean {
  if (typeof error !== 'object' || error === null || depth === 0) return false;
  const { code, message, cause, errors } = error as Told;
  return (
    (typeof code === 'string' && codes.has(code)) ||
    (typeof message === 'string' && words.test(message)) ||
    isOf(cause, codes, words, depth - 1) ||
    (Array.isArray(errors) && errors.some((one) => isOf(one, codes, words, depth - 1)))
  );
}

/** True for the failure of a query because the database cannot be reached. */
export const isDatabaseAway = (error: unknown): boolean => isOf(error, AWAY, AWAY_WORDS);

/** What is wrong with the machine that the server runs on; undefined for any other error. */
export function systemProblem(error: unknown): Problem | undefined {
  if (isOf(error, FULL, FULL_WORDS)) {
    return new Problem(
      507,
      'No room',
      'The disk is full. Your changes are kept in this window and saved as soon as there is room.',
    );
  }
  if (isDatabaseAway(error)) {
    return new Problem(
      503,
      'Database away',
      'The database does not answer. Your changes are kept in this window and saved as soon as it is back.',
    );
  }
  return undefined;
}
