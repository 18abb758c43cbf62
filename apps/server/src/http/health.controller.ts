import { Controller, Get, Inject, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { DATABASE, type Database } from '../database/database.ts';

@ApiTags('health')
@Controller('api/health')
export class HealthController {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  @Get()
  @ApiOperation({ summary: '200 while all is well; 503 with what is not' })
  health(@Res({ passthrough: true }) response: Response): { database: 'well' | 'away' } {
    const { isAway } = this.database;
    if (isAway()) response.status(503);
    return { database: isAway() ? 'away' : 'well' };
  }

  @Get('ready')
  @ApiOperation({ summary: '200 once requests are answered; 503 while the database is away' })
  ready(@Res({ passthrough: true }) response: Response): { ready: boolean } {
    const ready = !this.database.isAway();
    if (!ready) response.status(503);
    return { ready };
  }
}
