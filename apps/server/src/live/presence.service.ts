import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import type { Presence } from '@brachytone/job';
import { Subject, type Observable } from 'rxjs';
import { BulletinService } from './bulletin.service.ts';

/** A server says so often who is with it, ms; of one that was silent for three times as long nobody is there. */
const SAYS_EVERY = 20_000;

/** Who has which job open, on this server and the others. */
@Injectable()
export class PresenceService implements OnModuleInit, OnApplicationShutdown {
  private readonly open = new Map<symbol, Presence>();
  /** What other servers said last, and when. */
  private readonly others = new Map<string, { readonly here: readonly Presence[]; readonly at: number }>();
  private readonly changes = new Subject<readonly Presence[]>();
  private saying: ReturnType<typeof setInterval> | undefined;

  constructor(@Inject(BulletinService) private readonly bulletin: BulletinService) {}

  onModuleInit(): void {
    this.bulletin.hearFrom('presence').subscribe(({ from, news }) => {
      if (from !== this.bulletin.own) this.others.set(from, { here: news.here, at: Date.now() });
      this.changes.next(this.here());
    });
    this.bulletin.missed().subscribe(() => this.say());
    this.saying = setInterval(() => {
      for (const [server, { at }] of this.others)
        if (Date.now() - at > 3 * SAYS_EVERY) this.others.delete(server);
      if (this.open.size > 0) this.say();
    }, SAYS_EVERY);
    this.saying.unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.saying);
  }

  /** Everybody, each once for every job. */
  here(): readonly Presence[] {
    const all = [...this.open.values(), ...[...this.others.values()].flatMap(({ here }) => here)];
    return [...new Map(all.map((one) => [`${one.job} ${one.person}`, one])).values()];
  }

  /** Everybody, whenever somebody comes or goes. */
  watch(): Observable<readonly Presence[]> {
    return this.changes.asObservable();
  }

  /** Somebody opens a job; gives what closes it. */
  enter(presence: Presence): () => void {
    const visit = Symbol();
    this.open.set(visit, presence);
    this.say();
    return () => {
      if (this.open.delete(visit)) this.say();
    };
  }

  private say(): void {
    this.bulletin.tell({ kind: 'presence', here: [...this.open.values()] });
  }
}
