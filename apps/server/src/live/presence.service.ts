import { Inject, Injectable } from '@nestjs/common';
import type { Presence } from '@brachytone/job';
import { BulletinService } from './bulletin.service.ts';

/** Who has which job open. */
@Injectable()
export class PresenceService {
  private readonly open = new Map<symbol, Presence>();

  constructor(@Inject(BulletinService) private readonly bulletin: BulletinService) {}

  /** Everybody, each once for every job. */
  here(): readonly Presence[] {
    return [...new Map([...this.open.values()].map((one) => [`${one.job} ${one.person}`, one])).values()];
  }

  /** Somebody opens a job; gives what closes it. */
  enter(presence: Presence): () => void {
    const visit = Symbol();
    this.open.set(visit, presence);
    this.bulletin.tell({ kind: 'presence', here: this.here() });
    return () => {
      if (this.open.delete(visit)) this.bulletin.tell({ kind: 'presence', here: this.here() });
    };
  }
}
