import { Body, Controller, HttpCode, Logger, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import Joi from 'joi';
import { Checked } from './checked.ts';

interface PageFailure {
  readonly message: string;
  readonly stack: string;
}

const pageFailure = Joi.object<PageFailure>({
  message: Joi.string().max(500).required(),
  stack: Joi.string().allow('').max(4000).required(),
});

/** Failures an hour that are written down: pages in trouble must not fill the disk. */
const MOST = 200;
const HOUR = 3_600_000;

/** What went wrong on a page, for whoever sees to the server. */
@ApiTags('health')
@Controller('api/page-failures')
export class PageFailuresController {
  private readonly log = new Logger('Page');
  private since = 0;
  private count = 0;

  @Post()
  @HttpCode(204)
  @ApiOperation({ summary: 'Have the log tell of a failure on the page' })
  tell(@Body(new Checked(pageFailure)) { message, stack }: PageFailure): void {
    const now = Date.now();
    if (now - this.since > HOUR) [this.since, this.count] = [now, 0];
    if (++this.count <= MOST) this.log.error(JSON.stringify(message), JSON.stringify(stack));
  }
}
