import { Injectable } from '@nestjs/common';
import type { JobNews, Presence } from '@brachytone/job';
import { filter, Subject, type Observable } from 'rxjs';

/** What every server on a database is told. */
export type News =
  | ({ readonly kind: 'job' } & JobNews)
  | { readonly kind: 'presence'; readonly here: readonly Presence[] }
  | { readonly kind: 'proof'; readonly job: string };

type OfKind<Kind extends News['kind']> = Extract<News, { kind: Kind }>;

/** News of what happened, for whoever listens. */
@Injectable()
export class BulletinService {
  private readonly all = new Subject<News>();

  tell(news: News): void {
    this.all.next(news);
  }

  /** News of a kind from now on. */
  hear<Kind extends News['kind']>(kind: Kind): Observable<OfKind<Kind>> {
    return this.all.pipe(filter((news): news is OfKind<Kind> => news.kind === kind));
  }
}
