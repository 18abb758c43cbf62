import { Controller, Get, Inject, StreamableFile } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { DATABASE, type Database } from '../database/database.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { writeBackup } from './write-backup.ts';

@ApiTags('backup')
@Controller('api/backup')
export class BackupController {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  @Get()
  @ApiOperation({ summary: 'All that is kept here, as a ZIP file, as it was at one moment' })
  async backup(): Promise<StreamableFile> {
    const day = new Date().toISOString().slice(0, 10);
    return new StreamableFile(await writeBackup(this.database, this.settings.dataFolder), {
      type: 'application/zip',
      disposition: `attachment; filename="brachytone-${day}.zip"`,
    });
  }
}
