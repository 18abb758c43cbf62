import type { NextFunction, Request, Response } from 'express';
import { Problem } from './problem.ts';

/** Levels of lists and objects within one another that a body may have. */
const MOST_DEEP = 100;
/** Largest body of JSON, MB. */
export const LARGEST_JSON = 32;

/** What no database keeps as text: the NUL, and halves of letters. */
const UNSOUND = /[\0\p{Cs}]/u;
const isSound = (text: string): boolean => !UNSOUND.test(text);

/** Looks through a body, however deep, without going into it level by level. */
function problemOf(body: unknown): string | undefined {
  let level: unknown[] = [body];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_DEEP) return `What was sent has lists more than ${MOST_DEEP} deep within one another`;
    const next: unknown[] = [];
    for (const value of level) {
      if (typeof value === 'string') {
        if (!isSound(value))
          return 'A text has characters in it that cannot be kept: NUL, or half of a letter';
      } else if (Array.isArray(value)) for (const one of value) next.push(one);
      else if (typeof value === 'object' && value !== null) {
        for (const [name, one] of Object.entries(value)) {
          if (!isSound(name)) return 'A name has characters in it that cannot be kept';
          next.push(one);
        }
      }
    }
    level = next;
  }
  return undefined;
}

/** Refuses bodies of JSON that could not be kept, whatever they are for. */
export function soundBody(request: Request, _response: Response, next: NextFunction): void {
  const { body } = request as { body: unknown };
  const problem = body instanceof Uint8Array ? undefined : problemOf(body);
  next(problem ? new Problem(422, 'Not right', `${problem}. Nothing was changed.`) : undefined);
}
