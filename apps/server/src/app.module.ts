import { Module, type DynamicModule } from '@nestjs/common';
import { APP_GUARD, APP_INTERCEPTOR } from '@nestjs/core';
import { CalibrationsController } from './calibrations/calibrations.controller.ts';
import { CalibrationsService } from './calibrations/calibrations.service.ts';
import { DATABASE, type Database } from './database/database.ts';
import { DemoService } from './demo.service.ts';
import { BackupController } from './backup/backup.controller.ts';
import { MetricsController } from './metrics/metrics.controller.ts';
import { MetricsService } from './metrics/metrics.service.ts';
import { HealthController } from './http/health.controller.ts';
import { PageFailuresController } from './http/page-failures.controller.ts';
import { JobsController } from './jobs/jobs.controller.ts';
import { JobsService } from './jobs/jobs.service.ts';
import { ProofsService } from './jobs/proofs.service.ts';
import { PullsController } from './jobs/pulls.controller.ts';
import { PullsService } from './jobs/pulls.service.ts';
import { FilesController } from './files/files.controller.ts';
import { FILM_STORE } from './film-store/film-store.ts';
import { filmStoreOf } from './film-store/film-store-of.ts';
import { FilesService } from './files/files.service.ts';
import { ModelTablesService } from './files/model-tables.service.ts';
import { ReadersService } from './readers/readers.service.ts';
import { RunsController } from './runs/runs.controller.ts';
import { ArchivesController } from './archives/archives.controller.ts';
import { ArchivesService } from './archives/archives.service.ts';
import { RefusedWorkService } from './work/refused-work.service.ts';
import { RemovalService } from './storage/removal.service.ts';
import { RemovalController, StorageController } from './storage/storage.controller.ts';
import { StorageService } from './storage/storage.service.ts';
import { AfterRunService } from './runs/after-run.service.ts';
import { FilmMakerService } from './runs/film-maker.service.ts';
import { FILM_QUEUE } from './runs/film-queue.ts';
import { FilmTasks } from './runs/film-tasks.service.ts';
import { OwnQueueService } from './runs/own-queue.service.ts';
import { RunRows } from './runs/run-rows.service.ts';
import { SharedQueueService } from './runs/shared-queue.service.ts';
import { RunsService } from './runs/runs.service.ts';
import { SetAsideController } from './jobs/set-aside.controller.ts';
import { SETTINGS, type Settings } from './settings.ts';
import { ShelfController } from './shelf/shelf.controller.ts';
import { ShelfService } from './shelf/shelf.service.ts';
import { BulletinService } from './live/bulletin.service.ts';
import { LiveController } from './live/live.controller.ts';
import { PresenceService } from './live/presence.service.ts';
import { ClientProofController } from './proof-links/client-proof.controller.ts';
import { ProofLinksController } from './proof-links/proof-links.controller.ts';
import { ProofLinksService } from './proof-links/proof-links.service.ts';
import { ProofTilesService } from './proof-links/proof-tiles.service.ts';
import { AccessGuard } from './studio/access.guard.ts';
import { AuditController } from './studio/audit.controller.ts';
import { AuditInterceptor } from './studio/audit.interceptor.ts';
import { AuditService } from './studio/audit.service.ts';
import { LinksService } from './studio/links.service.ts';
import { PeopleController } from './studio/people.controller.ts';
import { PeopleService } from './studio/people.service.ts';
import { SessionController } from './studio/session.controller.ts';
import { SessionsService } from './studio/sessions.service.ts';
import { TokensController } from './studio/tokens.controller.ts';
import { TokensService } from './studio/tokens.service.ts';
import { SeriesController } from './series/series.controller.ts';
import { SeriesService } from './series/series.service.ts';
import { LaidMaterials } from './treatments/laid-materials.service.ts';
import { SmallPictures } from './treatments/small-pictures.service.ts';
import { TreatmentsController } from './treatments/treatments.controller.ts';
import { TreatmentsService } from './treatments/treatments.service.ts';
import { TypefacesService } from './files/typefaces.service.ts';
import { WorkService } from './work/work.service.ts';

/** The whole server over an open database. */
@Module({})
export class AppModule {
  static over(database: Database, settings: Settings): DynamicModule {
    return {
      module: AppModule,
      controllers: [
        FilesController,
        JobsController,
        SetAsideController,
        PullsController,
        RunsController,
        StorageController,
        RemovalController,
        ArchivesController,
        ShelfController,
        TreatmentsController,
        SeriesController,
        CalibrationsController,
        HealthController,
        MetricsController,
        BackupController,
        SessionController,
        PeopleController,
        TokensController,
        AuditController,
        LiveController,
        ProofLinksController,
        ClientProofController,
        PageFailuresController,
      ],
      providers: [
        { provide: DATABASE, useValue: database },
        { provide: SETTINGS, useValue: settings },
        { provide: FILM_STORE, useFactory: () => filmStoreOf(settings) },
        BulletinService,
        PresenceService,
        SessionsService,
        LinksService,
        PeopleService,
        TokensService,
        AuditService,
        { provide: APP_GUARD, useClass: AccessGuard },
        { provide: APP_INTERCEPTOR, useClass: AuditInterceptor },
        MetricsService,
        WorkService,
        ReadersService,
        FilesService,
        ModelTablesService,
        JobsService,
        ProofsService,
        PullsService,
        ProofLinksService,
        ProofTilesService,
        RunRows,
        FilmMakerService,
        AfterRunService,
        OwnQueueService,
        FilmTasks,
        SharedQueueService,
        {
          provide: FILM_QUEUE,
          inject: [OwnQueueService, SharedQueueService],
          useFactory: (own: OwnQueueService, shared: SharedQueueService) =>
            settings.withWorkers ? shared : own,
        },
        RunsService,
        RemovalService,
        StorageService,
        RefusedWorkService,
        ArchivesService,
        ShelfService,
        SmallPictures,
        LaidMaterials,
        TreatmentsService,
        SeriesService,
        CalibrationsService,
        TypefacesService,
        DemoService,
      ],
    };
  }
}
