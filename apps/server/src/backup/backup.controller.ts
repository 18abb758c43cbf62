import { Controller, Get, Inject, Res, StreamableFile } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { DATABASE, type Database } from '../database/database.ts';
import { FILM_STORE, type FilmStore } from '../film-store/film-store.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { writeBackup } from './write-backup.ts';

@ApiTags('backup')
@Controller('api/backup')
export class BackupController {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(FILM_STORE) private readonly films: FilmStore,
  ) {}

  @Get()
  @ApiOperation({ summary: 'All that is kept here, as a ZIP file, as it was at one moment' })
  async backup(@Res({ passthrough: true }) response: Response): Promise<StreamableFile> {
    const day = new Date().toISOString().slice(0, 10);
    const bytes = await writeBackup(this.database, this.films, this.settings.dataFolder);
    // Nobody may be left who takes it.
    response.on('close', () => bytes.destroy());
    return new StreamableFile(bytes, {
      type: 'application/zip',
      disposition: `attachment; filename="brachytone-${day}.zip"`,
    });
  }
}
