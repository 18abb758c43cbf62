import { Body, Controller, Get, Header, Inject, Param, Post, Query, StreamableFile } from '@nestjs/common';
import { ApiConsumes, ApiOperation, ApiTags } from '@nestjs/swagger';
import { INTENTS, writePam, type Drawing, type Intent } from '@brachytone/core';
import { LIMITS, type ChannelsView, type OriginalView, type ProfileView } from '@brachytone/job';
import Joi from 'joi';
import { Checked } from '../http/checked.ts';
import { Problem } from '../http/problem.ts';
import { fileName } from './file-name.ts';
import { WorkService } from '../work/work.service.ts';
import { FilesService } from './files.service.ts';

const sha256 = new Checked(fileName);
const level = new Checked(Joi.number().integer().min(0).max(20).required().label('level'));

interface SeparationQuery {
  readonly intent: Intent;
  readonly compensate: boolean;
}
const separationQuery = new Checked<SeparationQuery>(
  Joi.object<SeparationQuery>({
    intent: Joi.valid(...INTENTS).required(),
    compensate: Joi.boolean().required(),
  }),
);

const takenBody = separationQuery;

interface PaintedBody {
  readonly longest: number;
}
const paintedBody = new Checked<PaintedBody>(
  Joi.object<PaintedBody>({
    longest: Joi.number()
      .integer()
      .min(LIMITS.painted.least)
      .max(LIMITS.painted.most)
      .required()
      .label('longest side in pixels'),
  }),
);

@ApiTags('files')
@Controller('api/files')
export class FilesController {
  constructor(
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
  ) {}

  @Post()
  @ApiOperation({ summary: 'Bring in a picture: the file’s bytes as the body, typed by content' })
  @ApiConsumes('application/octet-stream')
  add(@Body() body: unknown): Promise<OriginalView> {
    if (!(body instanceof Uint8Array)) {
      // An empty body never becomes bytes.
      if (
        body === undefined ||
        (typeof body === 'object' && body !== null && Object.keys(body).length === 0)
      ) {
        return this.originals.add(new Uint8Array(0));
      }
      throw new Problem(
        415,
        'Not understood',
        'Send the file’s bytes as application/octet-stream. Nothing was added.',
      );
    }
    // A picture is looked at as soon as it is here.
    void this.work.warm();
    return this.originals.add(body);
  }

  @Get('fonts')
  @ApiOperation({ summary: 'Every typeface that is here' })
  fonts(): Promise<OriginalView[]> {
    return this.originals.fonts();
  }

  @Get(':sha256')
  @ApiOperation({ summary: 'What is known of an original' })
  get(@Param('sha256', sha256) name: string): Promise<OriginalView> {
    return this.originals.get(name);
  }

  @Get(':sha256/source')
  @ApiOperation({ summary: 'The file as it was brought in' })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async source(@Param('sha256', sha256) name: string): Promise<StreamableFile> {
    return new StreamableFile(await this.originals.source(name), { disposition: 'attachment' });
  }

  @Get(':sha256/drawing')
  @ApiOperation({ summary: 'The geometry of line art brought in as SVG' })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  drawing(@Param('sha256', sha256) name: string): Promise<Drawing> {
    return this.originals.drawing(name);
  }

  @Get(':sha256/font')
  @ApiOperation({ summary: 'A typeface as a font file that is not packed as WOFF2' })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async font(@Param('sha256', sha256) name: string): Promise<StreamableFile> {
    return new StreamableFile(await this.originals.font(name), { type: 'font/sfnt' });
  }

  @Get(':sha256/profile')
  @ApiOperation({ summary: 'What a press’s ICC profile says of its paper and inks' })
  profile(@Param('sha256', sha256) name: string): Promise<ProfileView> {
    return this.originals.profile(name);
  }

  @Get(':sha256/separation')
  @ApiOperation({
    summary:
      'A separation by a press’s ICC profile: 33 × 33 × 33 colours, red slowest and light first, four 16-bit amounts each, little-endian',
  })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async separation(
    @Param('sha256', sha256) name: string,
    @Query(separationQuery) { intent, compensate }: SeparationQuery,
  ): Promise<StreamableFile> {
    const { data } = await this.originals.separation(name, intent, compensate);
    return new StreamableFile(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
      type: 'application/octet-stream',
    });
  }

  @Post(':sha256/taken')
  @ApiOperation({
    summary: 'A CMYK file with its colours taken by another rendering intent, as an original of its own',
  })
  retake(
    @Param('sha256', sha256) name: string,
    @Body(takenBody) { intent, compensate }: SeparationQuery,
  ): Promise<OriginalView> {
    return this.originals.retake(name, intent, compensate);
  }

  @Post(':sha256/painted')
  @ApiOperation({ summary: 'A drawing as a picture with its greys and colours, as an original of its own' })
  paint(
    @Param('sha256', sha256) name: string,
    @Body(paintedBody) { longest }: PaintedBody,
  ): Promise<OriginalView> {
    return this.originals.paint(name, longest);
  }

  @Post(':sha256/channels')
  @ApiOperation({
    summary:
      'The channels of a file that is separated into inks, as grey pictures, and the press’s profile in it',
  })
  channels(@Param('sha256', sha256) name: string): Promise<ChannelsView> {
    return this.originals.channels(name);
  }

  @Get(':sha256/levels/:level')
  @ApiOperation({
    summary: 'One level of the working picture as a Portable Arbitrary Map; level n is 1/2ⁿ in size',
  })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async level(
    @Param('sha256', sha256) name: string,
    @Param('level', level) n: number,
  ): Promise<StreamableFile> {
    return new StreamableFile(writePam(await this.originals.level(name, n)), {
      type: 'image/x-portable-arbitrarymap',
    });
  }
}
