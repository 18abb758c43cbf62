import { Module, type DynamicModule } from '@nestjs/common';
import { DATABASE, type Database } from '../database/database.ts';
import { FILM_STORE } from '../film-store/film-store.ts';
import { filmStoreOf } from '../film-store/film-store-of.ts';
import { FilesService } from '../files/files.service.ts';
import { ModelTablesService } from '../files/model-tables.service.ts';
import { TypefacesService } from '../files/typefaces.service.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { MetricsService } from '../metrics/metrics.service.ts';
import { ReadersService } from '../readers/readers.service.ts';
import { FilmMakerService } from '../runs/film-maker.service.ts';
import { FilmTasks } from '../runs/film-tasks.service.ts';
import { RunRows } from '../runs/run-rows.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { RefusedWorkService } from '../work/refused-work.service.ts';
import { LaidMaterials } from '../treatments/laid-materials.service.ts';
import { SmallPictures } from '../treatments/small-pictures.service.ts';
import { WorkService } from '../work/work.service.ts';
import { FilmWorkerService } from './film-worker.service.ts';

/** What makes films for servers elsewhere. */
@Module({})
export class FilmWorkerModule {
  static over(database: Database, settings: Settings): DynamicModule {
    return {
      module: FilmWorkerModule,
      providers: [
        { provide: DATABASE, useValue: database },
        { provide: SETTINGS, useValue: settings },
        { provide: FILM_STORE, useFactory: () => filmStoreOf(settings) },
        MetricsService,
        WorkService,
        ReadersService,
        RefusedWorkService,
        FilesService,
        ModelTablesService,
        TypefacesService,
        BulletinService,
        RunRows,
        SmallPictures,
        LaidMaterials,
        FilmMakerService,
        FilmTasks,
        FilmWorkerService,
      ],
    };
  }
}
