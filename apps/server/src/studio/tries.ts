import type { Request } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { Problem } from '../http/problem.ts';

/** Tries within a time, s, from one address and for one name; those that succeed do not count. */
const WITHIN = 15 * 60;
const PER_ADDRESS = 30;
const PER_NAME = 50;

/** Counts tries, so that nobody guesses passphrases and links. */
export class Tries {
  private readonly addresses = new RateLimiterMemory({ points: PER_ADDRESS, duration: WITHIN });
  private readonly names = new RateLimiterMemory({ points: PER_NAME, duration: WITHIN });

  /**
   * Counts a try before it is made: many at once do not slip through.
   *
   * @throws Problem 429 where there were too many lately
   */
  async begin({ ip }: Request, name?: string): Promise<void> {
    try {
      await this.addresses.consume(ip ?? '');
      if (name !== undefined) await this.names.consume(name);
    } catch (full) {
      if (full instanceof RateLimiterRes) throw tooMany(full.msBeforeNext);
      throw full;
    }
  }

  async succeeded({ ip }: Request, name?: string): Promise<void> {
    await this.addresses.reward(ip ?? '');
    if (name !== undefined) await this.names.delete(name);
  }
}

const tooMany = (wait: number): Problem =>
  new Problem(
    429,
    'Too many tries',
    `Too many tries failed. Try again in ${Math.max(1, Math.ceil(wait / 60_000))} minutes, or ask the owner for a link.`,
  );
