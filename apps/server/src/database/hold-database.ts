import { hostname } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { Logger } from '@nestjs/common';
import pg from 'pg';
import { isDatabaseAway } from '../http/system-problem.ts';

/** Another server is using the database. */
export class DatabaseInUse extends Error {}

/** Number of the lock that a server holds while it uses a database: the letters “BRAC”. */
const LOCK = 0x42524143;
/** What servers and workers on a database tell each other by. */
export const CHANNEL = 'brachytone';
/** Pauses between tries while the database is away, ms: each longer than the one before it, up to a limit. */
const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 15_000;
const nextPause = (last: number): number => Math.min(LONGEST_PAUSE, last * 1.6);

/** What this server's connections call themselves. */
const OWN_NAME = `brachytone ${process.pid} on ${hostname()}`.slice(0, 60);

/** The database still holds the lock for a connection of this server that broke off, and has not noticed. */
class HeldByOwnGhost extends Error {}

export interface Hold {
  /** True while the database does not answer. */
  readonly isAway: () => boolean;
  /** Resolves once it answers. */
  readonly back: () => Promise<void>;
  readonly end: () => Promise<void>;
}

/**
 * Takes a database for this server alone, or for one of several, and holds it by a connection of its own, on which it hears what others tell. While the
 * database is away it tries again, at growing pauses.
 *
 * @param hear given what is told, or nothing once something may have been missed
 * @throws DatabaseInUse when another server has it
 */
export async function holdDatabase(
  url: string,
  isShared: boolean,
  hear: (text: string | undefined) => void,
): Promise<Hold> {
  const log = new Logger('Database');
  let client: pg.Client | undefined;
  let ended = false;
  let waiting: (() => void)[] = [];
  const lose = (lost: pg.Client): void => {
    if (client !== lost || ended) return;
    client = undefined;
    log.error('The database does not answer. Trying again until it does.');
    void connected().catch((error: unknown) => {
      log.error(error instanceof Error ? error.message : String(error));
      // Somebody else has it now: to write to it too would spoil both.
      process.exit(1);
    });
  };
  const connected = async (): Promise<void> => {
    for (let wait = FIRST_PAUSE; !ended; wait = nextPause(wait)) {
      const next = new pg.Client({
        connectionString: url,
        connectionTimeoutMillis: 5000,
        keepAlive: true,
        application_name: OWN_NAME,
      });
      next.on('error', () => lose(next));
      next.on('end', () => lose(next));
      try {
        await next.connect();
        await take(next, isShared);
        next.on('notification', ({ payload }) => hear(payload ?? ''));
        await next.query(`listen ${CHANNEL}`);
        client = next;
        hear(undefined);
        waiting.splice(0).forEach((resolve) => resolve());
        return;
      } catch (error) {
        await next.end().catch(() => undefined);
        if (!isDatabaseAway(error) && !(error instanceof HeldByOwnGhost)) throw error;
        log.warn(`The database does not answer; trying again in ${(wait / 1000).toFixed(1)} s.`);
      }
      await pause(wait);
    }
  };
  await connected();
  return {
    isAway: () => client === undefined,
    back: () =>
      client || ended
        ? Promise.resolve()
        : new Promise((resolve) => {
            waiting.push(resolve);
          }),
    async end() {
      ended = true;
      waiting.forEach((resolve) => resolve());
      waiting = [];
      await client?.end().catch(() => undefined);
    },
  };
}

async function take(client: pg.Client, isShared: boolean): Promise<void> {
  const lock = isShared ? 'pg_try_advisory_lock_shared' : 'pg_try_advisory_lock';
  const { rows } = await client.query<{ taken: boolean }>(`select ${lock}($1) as taken`, [LOCK]);
  if (rows[0]?.taken) return;
  const held = await client.query<{ application_name: string; backend_start: Date }>(
    "select a.application_name, a.backend_start from pg_locks l join pg_stat_activity a using (pid) where l.locktype = 'advisory' and l.objid = $1 and l.granted",
    [LOCK],
  );
  const holder = held.rows.at(0);
  if (holder?.application_name === OWN_NAME)
    throw new HeldByOwnGhost('The database has not let go of a lost connection yet.');
  throw new DatabaseInUse(
    `Another server (${holder ? `${holder.application_name}, since ${holder.backend_start.toISOString()}` : 'of another name'}) is already using this database${isShared ? ', alone' : ''}. Stop it first, or set DATABASE_URL to another one.`,
  );
}
