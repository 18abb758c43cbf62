import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Amount, JobRemoval, KeepRule, StorageView, StoredId } from '@brachytone/job';
import Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { Checked } from '../http/checked.ts';
import { id } from '../jobs/job-bodies.ts';
import { STORED_KINDS } from './kinds/index.ts';
import { RemovalService } from './removal.service.ts';
import { StorageService } from './storage.service.ts';

/** Most that a rule may say. */
const MOST_KEPT = 10_000;
const MOST_MEGABYTES = 1_000_000;
const kept = Joi.number().integer().min(0).max(MOST_KEPT).required();
const keepRule = Joi.alternatives<KeepRule>(
  Joi.object({ by: Joi.valid('all').required() }),
  Joi.object({ by: Joi.valid('runs').required(), runs: kept }),
  Joi.object({ by: Joi.valid('days').required(), days: kept }),
  Joi.object({
    by: Joi.valid('size').required(),
    megabytes: Joi.number().integer().min(0).max(MOST_MEGABYTES).required(),
  }),
);
const stored = Joi.valid(...STORED_KINDS.map((kind) => kind.id))
  .required()
  .label('kind');
const ruleBody = { schema: joiToSwagger(keepRule).swagger };

@ApiTags('storage')
@Controller('api/storage')
export class StorageController {
  constructor(@Inject(StorageService) private readonly storage: StorageService) {}

  @Get()
  @ApiOperation({ summary: 'What takes up how much, and by which rules it is kept' })
  view(): Promise<StorageView> {
    return this.storage.view();
  }

  @Post(':kind/tried')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a rule would clean away now' })
  @ApiBody(ruleBody)
  tried(
    @Param('kind', new Checked(stored)) kind: StoredId,
    @Body(new Checked(keepRule)) rule: KeepRule,
  ): Promise<Amount> {
    return this.storage.wouldClean(kind, rule);
  }

  @Put(':kind/rule')
  @ApiOperation({ summary: 'Keep by another rule; what it does not keep is cleaned away' })
  @ApiBody(ruleBody)
  keepBy(
    @Param('kind', new Checked(stored)) kind: StoredId,
    @Body(new Checked(keepRule)) rule: KeepRule,
  ): Promise<Amount> {
    return this.storage.keepBy(kind, rule);
  }

  @Post(':kind/clean')
  @HttpCode(200)
  @ApiOperation({ summary: 'Clean away, once, what a rule does not keep' })
  @ApiBody(ruleBody)
  clean(
    @Param('kind', new Checked(stored)) kind: StoredId,
    @Body(new Checked(keepRule)) rule: KeepRule,
  ): Promise<Amount> {
    return this.storage.clean(kind, rule);
  }
}

/** Jobs that were put away can be deleted. */
@ApiTags('jobs')
@Controller('api/jobs')
export class RemovalController {
  constructor(@Inject(RemovalService) private readonly removal: RemovalService) {}

  @Get(':id/removal')
  @ApiOperation({ summary: 'What goes with a job that is deleted, and what that frees' })
  wouldRemove(@Param('id', new Checked(id)) job: string): Promise<JobRemoval> {
    return this.removal.wouldRemove(job);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete a job that was put away, with its history, pulls, runs and films' })
  remove(@Param('id', new Checked(id)) job: string): Promise<void> {
    return this.removal.remove(job);
  }
}
