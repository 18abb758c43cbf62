import { Inject, Injectable } from '@nestjs/common';
import { eq, sql } from 'drizzle-orm';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { DATABASE, type Database } from '../database/database.ts';
import { runs } from '../database/schema.ts';

/** Seconds that requests take, and work. */
const QUICK = [0.005, 0.02, 0.05, 0.15, 0.5, 2, 10];
const LONG = [0.05, 0.2, 1, 5, 20, 60, 300];

/** What the server is at, told in the text format of Prometheus. */
@Injectable()
export class MetricsService {
  private readonly registry = new Registry();
  private readonly on = { registers: [this.registry] };

  /** Requests by the pattern of their address, never by what somebody named. */
  readonly requests = new Histogram({
    name: 'brachytone_http_request_seconds',
    help: 'Time until a request is answered',
    labelNames: ['method', 'route', 'status'],
    buckets: QUICK,
    ...this.on,
  });
  readonly bytes = new Counter({
    name: 'brachytone_http_bytes_total',
    help: 'Bytes of bodies, received and sent',
    labelNames: ['way'],
    ...this.on,
  });
  readonly waits = new Histogram({
    name: 'brachytone_work_wait_seconds',
    help: 'Time that work waits for a thread',
    labelNames: ['work'],
    buckets: LONG,
    ...this.on,
  });
  readonly work = new Histogram({
    name: 'brachytone_work_seconds',
    help: 'Time that work takes in a thread, by how it ended',
    labelNames: ['work', 'ended'],
    buckets: LONG,
    ...this.on,
  });
  readonly working = new Gauge({
    name: 'brachytone_work',
    help: 'Pieces of work that are waiting, and being done',
    labelNames: ['state'],
    ...this.on,
  });

  constructor(@Inject(DATABASE) database: Database) {
    collectDefaultMetrics({ register: this.registry });
    const waiting = new Gauge({
      name: 'brachytone_runs_waiting',
      help: 'Runs of films that have not begun',
      ...this.on,
    });
    // Asked for in one go, when somebody looks.
    new Gauge({
      name: 'brachytone_runs_oldest_seconds',
      help: 'How long the oldest of them has been waiting',
      collect: async function () {
        if (database.isAway()) return;
        const [found] = await database.queries
          .select({
            count: sql<string>`count(*)`,
            age: sql<string | null>`extract(epoch from now() - min(${runs.created}))`,
          })
          .from(runs)
          .where(eq(runs.status, 'queued'));
        waiting.set(Number(found.count));
        this.set(Math.max(0, Number(found.age ?? 0)));
      },
      ...this.on,
    });
    new Gauge({
      name: 'brachytone_database_up',
      help: '1 while the database answers',
      collect() {
        this.set(database.isAway() ? 0 : 1);
      },
      ...this.on,
    });
  }

  /** All of it as text, with its media type. */
  async told(): Promise<{ type: string; text: string }> {
    return { type: this.registry.contentType, text: await this.registry.metrics() };
  }
}
