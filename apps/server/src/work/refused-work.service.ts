import { Inject, Injectable } from '@nestjs/common';
import { and, eq, gt, lt } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { refusedWork } from '../database/schema.ts';
import { Problem } from '../http/problem.ts';

/** How long it is not begun again by itself, ms. */
const A_DAY = 24 * 3600 * 1000;

/**
 * Work that is asked for again and again, as a card on the board asks for its picture at every visit: what took too long, or too much memory, is not begun
 * again for a day, by a server that was started anew neither.
 */
@Injectable()
export class RefusedWorkService {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /**
   * Does work unless it was refused lately.
   *
   * @param key the name of the work and what it is done with
   * @throws Problem as the work does, or as it did
   */
  async unlessRefused<Made>(key: string, work: () => Promise<Made>): Promise<Made> {
    const { queries } = this.database;
    const since = new Date(Date.now() - A_DAY);
    const [refused] = await queries
      .select()
      .from(refusedWork)
      .where(and(eq(refusedWork.key, key), gt(refusedWork.created, since)));
    if (refused) throw new Problem(422, refused.title, refused.detail);
    try {
      return await work();
    } catch (error) {
      if (error instanceof Problem && error.status === 422) {
        const { title, message: detail } = error;
        await queries.delete(refusedWork).where(lt(refusedWork.created, since));
        await queries
          .insert(refusedWork)
          .values({ key, title, detail })
          .onConflictDoUpdate({ target: refusedWork.key, set: { title, detail, created: new Date() } });
      }
      throw error;
    }
  }
}
