import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Patch,
  Post,
  Query,
  Res,
} from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { textLine, type PullView } from '@brachytone/job';
import type { Response } from 'express';
import Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { Checked } from '../http/checked.ts';
import { id, proofQuery } from './job-bodies.ts';
import { ProofsService } from './proofs.service.ts';
import { PullsService } from './pulls.service.ts';

const pullName = textLine(80).min(1).required();
const keepBody = Joi.object<{ name: string; document: unknown }>({
  name: pullName,
  document: Joi.any().required(),
});
/** A state of a job, and the calibration whose simulated press it is printed on. */
interface PrintBody {
  readonly name: string;
  readonly document: unknown;
  readonly calibration: string;
}
const printBody = Joi.object<PrintBody>({
  name: pullName,
  document: Joi.any().required(),
  calibration: id,
});
const renameBody = Joi.object<{ name: string }>({ name: pullName });

@ApiTags('pulls')
@Controller('api/jobs/:id/pulls')
export class PullsController {
  constructor(
    @Inject(PullsService) private readonly pulls: PullsService,
    @Inject(ProofsService) private readonly proofs: ProofsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The pulls of a job, the oldest first' })
  list(@Param('id', new Checked(id)) job: string): Promise<PullView[]> {
    return this.pulls.list(job);
  }

  @Post()
  @ApiOperation({ summary: 'Keep a state of a job under a name' })
  @ApiBody({ schema: joiToSwagger(keepBody).swagger })
  keep(
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(keepBody)) { name, document }: { name: string; document: unknown },
  ): Promise<PullView> {
    return this.pulls.keep(job, name, document);
  }

  @Post('printed')
  @ApiOperation({ summary: 'Keep a state of a job with a print of its films on a simulated press' })
  @ApiBody({ schema: joiToSwagger(printBody).swagger })
  print(
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(printBody)) { name, document, calibration }: PrintBody,
  ): Promise<PullView> {
    return this.pulls.print(job, name, document, calibration);
  }

  @Patch(':pull')
  @ApiOperation({ summary: 'Give a pull another name' })
  @ApiBody({ schema: joiToSwagger(renameBody).swagger })
  rename(
    @Param('id', new Checked(id)) job: string,
    @Param('pull', new Checked(id)) pull: string,
    @Body(new Checked(renameBody)) { name }: { name: string },
  ): Promise<PullView> {
    return this.pulls.rename(job, pull, name);
  }

  @Delete(':pull')
  @HttpCode(204)
  @ApiOperation({ summary: 'Throw a pull away' })
  drop(
    @Param('id', new Checked(id)) job: string,
    @Param('pull', new Checked(id)) pull: string,
  ): Promise<void> {
    return this.pulls.drop(job, pull);
  }

  @Get(':pull/proof.png')
  @ApiOperation({ summary: 'The pull’s exact proof; its longer side has the pixels asked for' })
  async proof(
    @Param('id', new Checked(id)) job: string,
    @Param('pull', new Checked(id)) pull: string,
    @Query(new Checked(proofQuery)) { longer }: { longer: number },
    @Res() response: Response,
  ): Promise<void> {
    const { document } = await this.pulls.get(job, pull);
    const png = await this.proofs.picture(document.recipe, longer);
    response.type('image/png').setHeader('Cache-Control', 'private, max-age=31536000').send(Buffer.from(png));
  }
}
