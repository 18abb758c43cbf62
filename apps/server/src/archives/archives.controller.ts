import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { JobWithDocument } from '@brachytone/job';
import { Controller, Get, Inject, Param, Post, Req, Res, StreamableFile } from '@nestjs/common';
import { ApiConsumes, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Checked } from '../http/checked.ts';
import { Problem } from '../http/problem.ts';
import { id } from '../jobs/job-bodies.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { Who, type Visitor } from '../studio/visitor.ts';
import { ArchivesService } from './archives.service.ts';

/** Largest archive that is opened. */
const LARGEST = 2 ** 32;

@ApiTags('archives')
@Controller('api')
export class ArchivesController {
  constructor(
    @Inject(ArchivesService) private readonly archives: ArchivesService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  @Get('jobs/:id/ticket.pdf')
  @ApiOperation({ summary: 'What goes along with a job’s films, as a page' })
  async ticketPdf(@Param('id', new Checked(id)) job: string, @Res() response: Response): Promise<void> {
    const { pdf, name } = await this.archives.ticket(job);
    response.type('application/pdf').attachment(`${name}.pdf`).send(Buffer.from(pdf));
  }

  @Get('jobs/:id/ticket.json')
  @ApiOperation({ summary: 'The same as data' })
  async ticket(@Param('id', new Checked(id)) job: string) {
    return (await this.archives.ticket(job)).ticket;
  }

  @Get('jobs/:id/archive.zip')
  @ApiOperation({ summary: 'A job with all it is made from, its films and its ticket' })
  async pack(@Param('id', new Checked(id)) job: string): Promise<StreamableFile> {
    const { stream, name } = await this.archives.pack(job);
    return new StreamableFile(stream, {
      type: 'application/zip',
      disposition: `attachment; filename="${name}"`,
    });
  }

  @Post('archives')
  @ApiOperation({ summary: 'Open an archive as a job: the file’s bytes as the body' })
  @ApiConsumes('application/zip')
  async unpack(@Who() { name }: Visitor, @Req() request: Request): Promise<JobWithDocument> {
    const folder = join(this.settings.dataFolder, 'incoming');
    await mkdir(folder, { recursive: true });
    const path = join(folder, `${randomUUID()}.zip`);
    try {
      await pipeline(request, atMost(LARGEST), createWriteStream(path));
      return await this.archives.unpack(path, name || null);
    } finally {
      await rm(path, { force: true });
    }
  }
}

/** Lets so many bytes through, and no more. */
function atMost(most: number): Transform {
  let count = 0;
  return new Transform({
    transform(part: Buffer, _encoding, done) {
      count += part.length;
      if (count <= most) done(null, part);
      else
        done(
          new Problem(
            413,
            'Too large',
            `Archives of up to ${most / 2 ** 30} GB are opened. Nothing was added.`,
          ),
        );
    },
  });
}
