import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Inject,
  Param,
  Post,
  Put,
  Query,
  StreamableFile,
} from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { GAIN_LIMITS, type Calibration, type TargetReading, type ToneReading } from '@brachytone/core';
import { calibrationSchema, type KeptCalibration } from '@brachytone/job';
import Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { fileName } from '../files/file-name.ts';
import { Checked } from '../http/checked.ts';
import { id } from '../jobs/job-bodies.ts';
import { ShelfService } from '../shelf/shelf.service.ts';
import { CalibrationsService } from './calibrations.service.ts';

const picture = Joi.object<{ sha256: string }>({ sha256: fileName });
const simulation = Joi.object<{ gain: number }>({
  gain: Joi.number().min(GAIN_LIMITS.middle.least).max(GAIN_LIMITS.middle.most).required(),
});
const place = Joi.number().integer().min(0).max(20).required().label('ink');

@ApiTags('calibrations')
@Controller('api/calibrations')
export class CalibrationsController {
  constructor(
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(CalibrationsService) private readonly calibrations: CalibrationsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The calibrations of all presses, the oldest first' })
  list(): Promise<KeptCalibration[]> {
    return this.shelf.all('calibration');
  }

  @Post()
  @ApiOperation({ summary: 'Begin a calibration: its target can be made, and read' })
  @ApiBody({ schema: joiToSwagger(calibrationSchema).swagger })
  keep(@Body(new Checked(calibrationSchema)) body: Calibration): Promise<KeptCalibration> {
    return this.shelf.keep('calibration', body);
  }

  @Put(':id')
  @ApiOperation({ summary: 'Keep what was read, left out or taken' })
  @ApiBody({ schema: joiToSwagger(calibrationSchema).swagger })
  change(
    @Param('id', new Checked(id)) calibration: string,
    @Body(new Checked(calibrationSchema)) body: Calibration,
  ): Promise<KeptCalibration> {
    return this.shelf.replace('calibration', calibration, body);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Throw a calibration away' })
  drop(@Param('id', new Checked(id)) calibration: string): Promise<void> {
    return this.shelf.drop('calibration', calibration);
  }

  @Get(':id/target.pdf')
  @ApiOperation({ summary: 'The films of its target, a page an ink' })
  async pdf(@Param('id', new Checked(id)) calibration: string): Promise<StreamableFile> {
    return file(await this.calibrations.pdf(calibration), 'application/pdf', 'target.pdf');
  }

  @Get(':id/films/:ink.tif')
  @ApiOperation({ summary: 'The film of one ink of its target, by its place from 0' })
  async film(
    @Param('id', new Checked(id)) calibration: string,
    @Param('ink', new Checked<number>(place)) ink: number,
  ): Promise<StreamableFile> {
    return file(await this.calibrations.film(calibration, ink), 'image/tiff', `target-${ink + 1}.tif`);
  }

  @Post(':id/scan')
  @HttpCode(200)
  @ApiOperation({ summary: 'Read a picture of the printed target that was brought in' })
  read(
    @Param('id', new Checked(id)) calibration: string,
    @Body(new Checked(picture)) { sha256 }: { sha256: string },
  ): Promise<TargetReading> {
    return this.calibrations.read(calibration, sha256);
  }

  @Get(':id/scan.png')
  @ApiOperation({ summary: 'The target of such a picture, laid straight' })
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async straight(
    @Param('id', new Checked(id)) calibration: string,
    @Query(new Checked(picture)) { sha256 }: { sha256: string },
  ): Promise<StreamableFile> {
    return new StreamableFile(await this.calibrations.straight(calibration, sha256), { type: 'image/png' });
  }

  @Post(':id/simulated-readings')
  @HttpCode(200)
  @ApiOperation({
    summary:
      'What a simulated instrument reads off the target, printed on a simulated press of such a gain at 50 %',
  })
  simulatedReadings(
    @Param('id', new Checked(id)) calibration: string,
    @Body(new Checked(simulation)) { gain }: { gain: number },
  ): Promise<ToneReading[][]> {
    return this.calibrations.simulatedReadings(calibration, gain);
  }

  @Post(':id/simulated-scan')
  @HttpCode(200)
  @ApiOperation({ summary: 'A simulated scan of the target so printed, brought in as a picture' })
  async simulatedScan(
    @Param('id', new Checked(id)) calibration: string,
    @Body(new Checked(simulation)) { gain }: { gain: number },
  ): Promise<{ sha256: string }> {
    return { sha256: await this.calibrations.simulatedScan(calibration, gain) };
  }
}

const file = (bytes: Uint8Array, type: string, name: string): StreamableFile =>
  new StreamableFile(bytes, { type, disposition: `attachment; filename="${name}"` });
