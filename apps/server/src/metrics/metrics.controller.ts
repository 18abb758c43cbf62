import { Controller, Get, Inject, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { MetricsService } from './metrics.service.ts';

@ApiTags('health')
@Controller('metrics')
export class MetricsController {
  constructor(@Inject(MetricsService) private readonly metrics: MetricsService) {}

  @Get()
  @ApiOperation({ summary: 'Queues, durations, failures and bytes, in the text format of Prometheus' })
  async told(@Res() response: Response): Promise<void> {
    const { type, text } = await this.metrics.told();
    response.set('Content-Type', type).send(text);
  }
}
