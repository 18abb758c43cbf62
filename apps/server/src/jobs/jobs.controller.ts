import { createReadStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { PICTURE_FORMATS, type JobOnPress, type JobsPage, type PictureRequest } from '@brachytone/job';
import {
  Body,
  Controller,
  Get,
  Inject,
  Param,
  Patch,
  Post,
  Put,
  Query,
  Res,
  StreamableFile,
} from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { Checked } from '../http/checked.ts';
import { untilGone } from '../http/until-gone.ts';
import { sheetOf } from '../treatments/sheet-wish.ts';
import { TreatmentsService } from '../treatments/treatments.service.ts';
import { Who, type Visitor } from '../studio/visitor.ts';
import {
  id,
  jobsQuery,
  panelsQuery,
  pictureQuery,
  proofQuery,
  putAwayBody,
  saveBody,
  startBody,
  type JobsQuery,
  type SaveBody,
  type StartBody,
} from './job-bodies.ts';
import { JobsService } from './jobs.service.ts';
import { ProofsService } from './proofs.service.ts';

const schemaOf = (schema: Joi.Schema): object => joiToSwagger(schema).swagger;
const originalId = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required()
  .label('original');
const pressId = Joi.string()
  .pattern(/^[a-z0-9-]{1,60}$/)
  .required()
  .label('press');
const cutOutQuery = Joi.object<{ resolution: number }>({
  resolution: Joi.number().min(36).max(2400).default(300),
}).unknown();

/** A file that was made for whoever asked, and is thrown away then. */
function onceOnly(path: string, type: string, name: string): StreamableFile {
  const stream = createReadStream(path);
  stream.on('close', () => void rm(path, { force: true }));
  return new StreamableFile(stream, { type, disposition: `attachment; filename="${name}"` });
}

@ApiTags('jobs')
@Controller('api/jobs')
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(ProofsService) private readonly proofs: ProofsService,
    @Inject(TreatmentsService) private readonly treatments: TreatmentsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Jobs, page by page' })
  list(@Query(new Checked(jobsQuery)) { from, most, ...wish }: JobsQuery): Promise<JobsPage> {
    return this.jobs.list(wish, from, most);
  }

  @Get('on-press/:press')
  @ApiOperation({ summary: 'Jobs that are to be printed on a press' })
  onPress(@Param('press', new Checked(pressId)) press: string): Promise<JobOnPress[]> {
    return this.jobs.onPress(press);
  }

  @Post()
  @ApiOperation({ summary: 'Start a job from an original or from a document' })
  @ApiBody({ schema: schemaOf(startBody) })
  start(@Who() { name }: Visitor, @Body(new Checked(startBody)) body: StartBody) {
    return this.started(body, name || null);
  }

  private async started({ picture, treatment, sheet, document }: StartBody, by: string | null) {
    if (!picture) return this.jobs.create(document, by);
    const wish = sheet && sheetOf(sheet);
    if (treatment === undefined) return this.jobs.start(picture, by, wish);
    return this.jobs.create((await this.treatments.begun(picture, treatment, wish)).document, by);
  }

  @Get(':id')
  @ApiOperation({ summary: 'A job with its undo history' })
  get(@Param('id', new Checked(id)) job: string) {
    return this.jobs.get(job);
  }

  @Put(':id')
  @ApiOperation({ summary: 'Save; 409 with the newer job when the revision is stale' })
  @ApiBody({ schema: schemaOf(saveBody) })
  save(
    @Who() { name }: Visitor,
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(saveBody)) body: SaveBody,
  ) {
    return this.jobs.save(job, body.revision, body.document, body.history, name || null);
  }

  @Patch(':id')
  @ApiOperation({ summary: 'Put a job away or take it out again' })
  @ApiBody({ schema: schemaOf(putAwayBody) })
  putAway(
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(putAwayBody)) body: { putAway: boolean },
  ) {
    return this.jobs.putAway(job, body.putAway);
  }

  @Post(':id/duplicate')
  @ApiOperation({ summary: 'A copy of a job' })
  duplicate(@Who() { name }: Visitor, @Param('id', new Checked(id)) job: string) {
    return this.jobs.duplicate(job, name || null);
  }

  @Get(':id/proof.png')
  @ApiOperation({ summary: 'The job’s exact proof; its longer side has the pixels asked for' })
  async proof(
    @Param('id', new Checked(id)) job: string,
    @Query(new Checked(proofQuery)) { longer }: { longer: number },
    @Res() response: Response,
  ): Promise<void> {
    const png = await this.proofs.proof(job, longer, untilGone(response));
    response.type('image/png').setHeader('Cache-Control', 'no-cache').send(Buffer.from(png));
  }

  @Get(':id/picture')
  @ApiOperation({
    summary: 'A picture of the job’s print, to be saved: opaque on its stock, or clear where there is no ink',
  })
  async picture(
    @Param('id', new Checked(id)) job: string,
    @Query(new Checked(pictureQuery)) request: PictureRequest,
  ): Promise<StreamableFile> {
    const { path, name } = await this.proofs.saved(job, request);
    const type = PICTURE_FORMATS.find((one) => one.id === request.format)?.mediaType;
    return onceOnly(path, type ?? 'application/octet-stream', name);
  }

  @Get(':id/panels.pdf')
  @ApiOperation({
    summary: 'The job’s print in its colours, in panels for a printer that is too small for it',
  })
  async panels(
    @Param('id', new Checked(id)) job: string,
    @Query(new Checked(panelsQuery)) { ppi }: { ppi: number },
  ): Promise<StreamableFile> {
    const { path, name } = await this.proofs.panels(job, ppi);
    return onceOnly(path, 'application/pdf', name);
  }

  @Get(':id/originals/:original/colour-dots.svg')
  @ApiOperation({ summary: 'The colour dots of an original as geometry' })
  async colourDots(
    @Param('id', new Checked(id)) job: string,
    @Param('original', new Checked(originalId)) original: string,
    @Res() response: Response,
  ): Promise<void> {
    const { svg, name } = await this.proofs.colourDots(job, original);
    response.type('image/svg+xml').attachment(name).send(svg);
  }

  @Get(':id/originals/:original/cut-out.png')
  @ApiOperation({
    summary: 'An original by itself in its own colours, transparent where there is none of it',
  })
  async cutOut(
    @Param('id', new Checked(id)) job: string,
    @Param('original', new Checked(originalId)) original: string,
    @Query(new Checked(cutOutQuery)) { resolution }: { resolution: number },
    @Res() response: Response,
  ): Promise<void> {
    const { png, name } = await this.proofs.cutOut(job, original, resolution);
    response.type('image/png').attachment(name).send(Buffer.from(png));
  }
}
