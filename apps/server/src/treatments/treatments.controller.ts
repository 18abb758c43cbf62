import { LIMITS, plainName, type FirstLook, type SheetWish, type TreatmentView } from '@brachytone/job';
import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import Joi from 'joi';
import { fileName } from '../files/file-name.ts';
import { Checked } from '../http/checked.ts';
import { untilGone } from '../http/until-gone.ts';
import { id as jobId } from '../jobs/job-bodies.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { treatmentId } from './treatment-id.ts';
import { sheetOf, type SheetKeys } from './sheet-wish.ts';
import { TreatmentsService } from './treatments.service.ts';

const side = Joi.number().min(LIMITS.side.least).max(LIMITS.side.most);

interface SeenQuery extends SheetKeys {
  readonly original?: string;
  readonly job?: string;
  readonly longer: number;
}

const seenQuery = Joi.object<SeenQuery>({
  original: fileName.optional(),
  job: Joi.string().uuid(),
  longest: side,
  width: side,
  height: side,
  longer: Joi.number().integer().min(32).max(1600).default(560),
})
  .oxor('original', 'job')
  .and('width', 'height')
  .unknown();

const lookQuery = Joi.object<{ original: string }>({ original: fileName }).unknown();
const laidBody = Joi.object<{ document: unknown }>({ document: Joi.any().required() });
const anyTreatment = Joi.object().unknown().required().label('treatment');

@ApiTags('treatments')
@Controller('api')
export class TreatmentsController {
  constructor(
    @Inject(TreatmentsService) private readonly treatments: TreatmentsService,
    @Inject(JobsService) private readonly jobs: JobsService,
  ) {}

  @Get('treatments')
  @ApiOperation({ summary: 'Every treatment, those that were kept here first' })
  all(): Promise<TreatmentView[]> {
    return this.treatments.all();
  }

  @Post('treatments')
  @ApiOperation({ summary: 'Keep a treatment, from its file' })
  keep(@Body(new Checked(anyTreatment)) body: unknown): Promise<TreatmentView> {
    return this.treatments.keep(body);
  }

  @Get('treatments/:id')
  @ApiOperation({ summary: 'A treatment as a file, to be kept elsewhere' })
  async file(@Param('id', new Checked(treatmentId)) id: string, @Res() response: Response): Promise<void> {
    const treatment = await this.treatments.get(id);
    const name = plainName(treatment.name) || 'treatment';
    response
      .attachment(`${name}.treatment.json`)
      .type('application/json')
      .send(JSON.stringify(treatment, null, 1));
  }

  @Delete('treatments/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a treatment off the shelf' })
  drop(@Param('id', new Checked(jobId)) id: string): Promise<void> {
    return this.treatments.drop(id);
  }

  @Get('treatments/:id/seen.png')
  @ApiOperation({
    summary:
      'A small proof of a picture, or of a job, in a treatment; of the picture brought in last where neither is named',
  })
  async seen(
    @Param('id', new Checked(treatmentId)) id: string,
    @Query(new Checked(seenQuery)) { original, job, longer, ...sheet }: SeenQuery,
    @Res() response: Response,
  ): Promise<void> {
    const gone = untilGone(response);
    const wish: SheetWish | undefined = sheetOf(sheet);
    const png =
      job === undefined
        ? await this.treatments.seen(
            id,
            original ?? (await this.treatments.lastPicture()),
            wish,
            longer,
            gone,
          )
        : await this.treatments.seenOnJob(await this.jobs.document(job), id, longer, gone);
    response.type('image/png').setHeader('Cache-Control', 'no-cache').send(Buffer.from(png));
  }

  @Post('treatments/:id/laid')
  @HttpCode(200)
  @ApiOperation({ summary: 'A job’s document with a treatment laid on it; nothing is saved' })
  async laid(
    @Param('id', new Checked(treatmentId)) id: string,
    @Body(new Checked(laidBody)) { document }: { document: unknown },
  ) {
    return this.treatments.laid(await this.jobs.read(document), id);
  }

  @Get('first-look')
  @ApiOperation({ summary: 'Treatments for a picture that was brought in, those that suit it first' })
  firstLook(@Query(new Checked(lookQuery)) { original }: { original: string }): Promise<FirstLook> {
    return this.treatments.firstLook(original);
  }
}
