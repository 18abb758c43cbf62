import { Readable } from 'node:stream';
import { Controller, Get, Inject, Query, StreamableFile } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { AuditEntry } from '@brachytone/job';
import { Checked } from '../http/checked.ts';
import { AuditService } from './audit.service.ts';
import { auditQuery, type AuditQuery } from './bodies.ts';

@ApiTags('audit')
@Controller('api')
export class AuditController {
  constructor(@Inject(AuditService) private readonly audit: AuditService) {}

  @Get('audit')
  @ApiOperation({ summary: 'Who did what, newest first' })
  list(@Query(new Checked(auditQuery)) { most, at, id }: AuditQuery): Promise<AuditEntry[]> {
    return this.audit.list(most, at !== undefined && id !== undefined ? { at, id } : undefined);
  }

  @Get('audit.csv')
  @ApiOperation({ summary: 'The whole list as CSV' })
  csv(): StreamableFile {
    return new StreamableFile(Readable.from(this.audit.csv()), {
      type: 'text/csv; charset=utf-8',
      disposition: 'attachment; filename="audit.csv"',
    });
  }
}
