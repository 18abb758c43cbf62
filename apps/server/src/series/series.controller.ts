import { seriesSchema, type RunView, type Series, type SeriesView } from '@brachytone/job';
import { Body, Controller, Get, HttpCode, Inject, Param, Post, Put, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import Joi from 'joi';
import { Checked } from '../http/checked.ts';
import { untilGone } from '../http/until-gone.ts';
import { id } from '../jobs/job-bodies.ts';
import { RunsService } from '../runs/runs.service.ts';
import { SeriesService } from './series.service.ts';

interface SaveBody {
  readonly revision: number;
  readonly series: Series;
}

const saveBody = Joi.object<SaveBody>({
  revision: Joi.number()
    .integer()
    .min(0)
    .max(2 ** 31 - 2)
    .required(),
  series: seriesSchema.required(),
});
const memberId = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required()
  .label('member');
const seenQuery = Joi.object<{ longer: number }>({
  longer: Joi.number().integer().min(32).max(1600).default(400),
}).unknown();

@ApiTags('series')
@Controller('api/jobs/:id/series')
export class SeriesController {
  constructor(
    @Inject(SeriesService) private readonly series: SeriesService,
    @Inject(RunsService) private readonly runs: RunsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'What a job is made for besides its own picture: pictures, and rows of a table' })
  get(@Param('id', new Checked(id)) job: string): Promise<SeriesView> {
    return this.series.get(job);
  }

  @Put()
  @ApiOperation({ summary: 'Save a series; 409 when the revision is stale' })
  save(
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(saveBody)) { revision, series }: SaveBody,
  ): Promise<SeriesView> {
    return this.series.save(job, revision, series);
  }

  @Post('run')
  @HttpCode(201)
  @ApiOperation({ summary: 'Make the films of every member, in one run' })
  run(@Param('id', new Checked(id)) job: string): Promise<RunView> {
    return this.runs.startSeries(job);
  }

  @Get(':member/seen.png')
  @ApiOperation({ summary: 'A small proof of a member' })
  async seen(
    @Param('id', new Checked(id)) job: string,
    @Param('member', new Checked(memberId)) member: string,
    @Query(new Checked(seenQuery)) { longer }: { longer: number },
    @Res() response: Response,
  ): Promise<void> {
    const png = await this.series.seen(job, member, longer, untilGone(response));
    response.type('image/png').setHeader('Cache-Control', 'no-cache').send(Buffer.from(png));
  }
}
