import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Cleaning, KeepRule } from '@brachytone/job';
import { Inject, Injectable } from '@nestjs/common';
import { desc, eq, inArray } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { preferences, runs } from '../database/schema.ts';
import { SETTINGS, type Settings } from '../settings.ts';

const NAME = 'keep films';
const DAY = 24 * 3600 * 1000;

interface Beyond {
  readonly id: string;
  readonly bytes: number;
}

/** The studio's rule for how long films are kept. Runs stay on the list, to be made again, once their films are gone. */
@Injectable()
export class KeepRuleService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async rule(): Promise<KeepRule> {
    const [row] = await this.database.queries.select().from(preferences).where(eq(preferences.name, NAME));
    return (row?.value as KeepRule | undefined) ?? { by: 'all' };
  }

  async set(rule: KeepRule): Promise<void> {
    await this.database.queries
      .insert(preferences)
      .values({ name: NAME, value: rule })
      .onConflictDoUpdate({ target: preferences.name, set: { value: rule } });
  }

  /** What a rule would clean away now. */
  async wouldClean(rule: KeepRule): Promise<Cleaning> {
    const beyond = await this.beyond(rule);
    return { runs: beyond.length, bytes: beyond.reduce((sum, { bytes }) => sum + bytes, 0) };
  }

  /**
   * Cleans away what the rule no longer keeps.
   *
   * @returns ids of the runs
   */
  async clean(): Promise<string[]> {
    const ids = (await this.beyond(await this.rule())).map(({ id }) => id);
    if (ids.length === 0) return [];
    // Told first: films that are listed have to be there.
    await this.database.queries.update(runs).set({ status: 'cleaned' }).where(inArray(runs.id, ids));
    for (const id of ids)
      await rm(join(this.settings.dataFolder, 'films', id), { recursive: true, force: true });
    return ids;
  }

  /** Finished runs that a rule does not keep. */
  private async beyond(rule: KeepRule): Promise<Beyond[]> {
    if (rule.by === 'all') return [];
    const made = await this.database.queries
      .select({ id: runs.id, films: runs.films, ended: runs.ended })
      .from(runs)
      .where(eq(runs.status, 'done'))
      .orderBy(desc(runs.created));
    const old = Date.now() - (rule.by === 'days' ? rule.days * DAY : 0);
    const gone =
      rule.by === 'runs' ? made.slice(rule.runs) : made.filter(({ ended }) => ended && ended.getTime() < old);
    return gone.map(({ id, films }) => ({ id, bytes: films.reduce((sum, { bytes }) => sum + bytes, 0) }));
  }
}
