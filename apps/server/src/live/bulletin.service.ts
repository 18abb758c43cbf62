import { randomUUID } from 'node:crypto';
import { Inject, Injectable, Logger } from '@nestjs/common';
import type { JobNews, Presence } from '@brachytone/job';
import { filter, map, Subject, type Observable } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';

/** What every server and worker on a database is told. */
export type News =
  | ({ readonly kind: 'job' } & JobNews)
  | { readonly kind: 'presence'; readonly here: readonly Presence[] }
  | { readonly kind: 'proof'; readonly job: string }
  /** A session that was ended. */
  | { readonly kind: 'session'; readonly id: string }
  | { readonly kind: 'run'; readonly id: string }
  | { readonly kind: 'run gone'; readonly id: string }
  /** How far films of a run are: shares of 1 by their places. */
  | { readonly kind: 'progress'; readonly run: string; readonly shares: Readonly<Record<number, number>> };

type OfKind<Kind extends News['kind']> = Extract<News, { kind: Kind }>;

/** News, and which server or worker it is from. */
interface Heard {
  readonly from: string;
  readonly news: News;
}

/** What PostgreSQL lets be told at once, bytes. */
const MOST_TOLD = 7900;

/** News of what happened, for whoever listens, on this server or another one on the same database. */
@Injectable()
export class BulletinService {
  /** What this server is known by to the others. */
  readonly own = randomUUID();
  private readonly log = new Logger('Bulletin');
  private readonly all = new Subject<Heard>();
  private readonly misses = new Subject<void>();

  constructor(@Inject(DATABASE) private readonly database: Database) {
    database.hear((text) => {
      if (text === undefined) {
        this.misses.next();
        return;
      }
      try {
        const heard = JSON.parse(text) as Heard;
        if (heard.from !== this.own) this.all.next(heard);
      } catch (error) {
        // Others may use the database, and tell what they like.
        this.log.warn(`Not understood: ${(error as Error).message}`);
      }
    });
  }

  tell(news: News): void {
    const told: Heard = { from: this.own, news };
    this.all.next(told);
    const text = JSON.stringify(told);
    if (Buffer.byteLength(text) > MOST_TOLD) return;
    this.database.tell(text).catch((error: Error) => this.log.warn(`Not told: ${error.message}`));
  }

  /** News of a kind from now on, from this server and the others. */
  hear<Kind extends News['kind']>(kind: Kind): Observable<OfKind<Kind>> {
    return this.hearFrom(kind).pipe(map(({ news }) => news));
  }

  /** The same, with whom it is from. */
  hearFrom<Kind extends News['kind']>(kind: Kind): Observable<Heard & { readonly news: OfKind<Kind> }> {
    return this.all.pipe(
      filter((heard): heard is Heard & { readonly news: OfKind<Kind> } => heard.news.kind === kind),
    );
  }

  /** Tells when news of others may have been missed. */
  missed(): Observable<void> {
    return this.misses.asObservable();
  }
}
