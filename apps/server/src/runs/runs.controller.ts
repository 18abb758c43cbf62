import { extname } from 'node:path';
import type { Readable } from 'node:stream';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Post,
  Query,
  Sse,
  StreamableFile,
  type MessageEvent,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { FILM_FORMATS } from '@brachytone/core';
import type { GangWish } from '@brachytone/job';
import Joi from 'joi';
import { interval, map, merge, type Observable } from 'rxjs';
import { Checked } from '../http/checked.ts';
import { id } from '../jobs/job-bodies.ts';
import { ZipFile } from 'yazl';
import { SessionsService } from '../studio/sessions.service.ts';
import { Who, type Visitor } from '../studio/visitor.ts';
import { RunRows } from './run-rows.service.ts';
import { addFilm } from './add-film.ts';
import { RunsService } from './runs.service.ts';

const film = Joi.number().min(50).max(5000).required();
const gangWish = Joi.object<GangWish>({
  sheet: Joi.object({ width: film, height: film }).required(),
  gap: Joi.number().min(0).max(100).required(),
  jobs: Joi.array()
    .items(
      Joi.object({
        jobId: Joi.string().uuid().required(),
        copies: Joi.number().integer().min(1).max(200).required(),
      }),
    )
    .min(1)
    .max(20)
    .unique('jobId')
    .required(),
});
interface RunsQuery {
  readonly most: number;
  readonly job?: string;
}
const runsQuery = Joi.object<RunsQuery>({
  most: Joi.number().integer().min(1).max(10_000).default(100),
  job: Joi.string().uuid(),
});
const startRun = Joi.object<{ jobId: string }>({ jobId: Joi.string().uuid().required() });
/** Media types of films' files, by their endings. */
const MEDIA_TYPES = new Map(FILM_FORMATS.map(({ ending, mediaType }) => [ending, mediaType]));
const fileName = Joi.string()
  .pattern(new RegExp(`^[a-z0-9-]+\\.(${[...MEDIA_TYPES.keys()].join('|')})$`))
  .required()
  .label('name');

@ApiTags('runs')
@Controller('api/runs')
export class RunsController {
  constructor(
    @Inject(RunsService) private readonly runs: RunsService,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(SessionsService) private readonly sessions: SessionsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Runs, newest first' })
  list(@Query(new Checked(runsQuery)) { most, job }: RunsQuery) {
    return this.rows.list(most, job);
  }

  @Sse('events')
  @ApiOperation({ summary: 'Every change to any run, as server-sent events' })
  events(@Who() visitor: Visitor): Observable<MessageEvent> {
    // A beat now and then keeps the line open while nothing happens.
    const beat = interval(20_000).pipe(map(() => ({ type: 'beat', data: '' })));
    return merge(this.rows.news(), beat).pipe(this.sessions.whileSignedIn(visitor));
  }

  @Post()
  @ApiOperation({ summary: 'Make the films of a job' })
  start(@Body(new Checked(startRun)) { jobId }: { jobId: string }) {
    return this.runs.start(jobId);
  }

  @Post('gang/plan')
  @HttpCode(200)
  @ApiOperation({ summary: 'How jobs would lie on a film together' })
  gangPlan(@Body(new Checked(gangWish)) wish: GangWish) {
    return this.runs.gangPlan(wish);
  }

  @Post('gang')
  @ApiOperation({ summary: 'Make films that jobs share' })
  gang(@Body(new Checked(gangWish)) wish: GangWish) {
    return this.runs.startGang(wish);
  }

  @Get(':id')
  @ApiOperation({ summary: 'One run' })
  get(@Param('id', new Checked(id)) run: string) {
    return this.rows.get(run);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete a run that has ended, with its films' })
  remove(@Param('id', new Checked(id)) run: string): Promise<void> {
    return this.runs.removeEnded(run);
  }

  @Post(':id/cancel')
  @ApiOperation({ summary: 'Stop a run; its unfinished films are thrown away' })
  cancel(@Param('id', new Checked(id)) run: string) {
    return this.runs.cancel(run);
  }

  @Post(':id/again')
  @ApiOperation({ summary: 'Make the same films once more' })
  again(@Param('id', new Checked(id)) run: string) {
    return this.runs.again(run);
  }

  @Get(':id/films.zip')
  @ApiOperation({ summary: 'All finished films of a run as one ZIP' })
  async zip(@Param('id', new Checked(id)) run: string): Promise<StreamableFile> {
    const { name, files } = await this.runs.films(run);
    const zip = new ZipFile();
    for (const film of files) addFilm(zip, film.name, film);
    zip.end();
    return new StreamableFile(zip.outputStream as Readable, {
      type: 'application/zip',
      disposition: `attachment; filename="${name}"`,
    });
  }

  @Get(':id/films/:name')
  @ApiOperation({ summary: 'A finished film' })
  async film(
    @Param('id', new Checked(id)) run: string,
    @Param('name', new Checked(fileName)) name: string,
  ): Promise<StreamableFile> {
    return new StreamableFile(await this.runs.film(run, name), {
      type: MEDIA_TYPES.get(extname(name).slice(1)) ?? 'application/octet-stream',
      disposition: `attachment; filename="${name}"`,
    });
  }
}
