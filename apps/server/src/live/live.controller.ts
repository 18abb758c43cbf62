import { Controller, Inject, Query, Sse, type MessageEvent } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import Joi from 'joi';
import { finalize, interval, map, merge, startWith, type Observable } from 'rxjs';
import { Checked } from '../http/checked.ts';
import { RunRows } from '../runs/run-rows.service.ts';
import { SessionsService } from '../studio/sessions.service.ts';
import { Who, type Visitor } from '../studio/visitor.ts';
import { BulletinService } from './bulletin.service.ts';
import { PresenceService } from './presence.service.ts';

interface LiveQuery {
  readonly job?: string;
  readonly runs: boolean;
}

const liveQuery = Joi.object<LiveQuery>({ job: Joi.string().uuid(), runs: Joi.boolean().default(false) });

@ApiTags('live')
@Controller('api/live')
export class LiveController {
  constructor(
    @Inject(BulletinService) private readonly bulletin: BulletinService,
    @Inject(PresenceService) private readonly presence: PresenceService,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(SessionsService) private readonly sessions: SessionsService,
  ) {}

  @Sse()
  @ApiOperation({
    summary:
      'Who has which job open, and jobs and, if asked, runs that are changed, as server-sent events; with a job, one has it open meanwhile',
  })
  live(
    @Who() visitor: Visitor,
    @Query(new Checked(liveQuery)) { job, runs }: LiveQuery,
  ): Observable<MessageEvent> {
    const { person, name } = visitor;
    const leave =
      job !== undefined && person !== null ? this.presence.enter({ job, person, name }) : undefined;
    return merge(
      this.presence.watch().pipe(
        startWith(this.presence.here()),
        map((here) => ({ type: 'presence', data: [...here] })),
      ),
      this.bulletin
        .hear('job')
        .pipe(map(({ id, revision, by }) => ({ type: 'job', data: { id, revision, by } }))),
      this.bulletin.hear('proof').pipe(map(({ job: of }) => ({ type: 'proof', data: { job: of } }))),
      ...(runs ? [this.rows.news()] : []),
      // News of other servers may have been missed: the page looks for itself.
      this.bulletin.missed().pipe(map(() => ({ type: 'missed', data: '' }))),
      // A beat now and then keeps the line open while nothing happens.
      interval(20_000).pipe(map(() => ({ type: 'beat', data: '' }))),
    ).pipe(
      this.sessions.whileSignedIn(visitor),
      finalize(() => leave?.()),
    );
  }
}
