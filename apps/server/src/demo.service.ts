import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { calibrated, present, type Press, type Typeface } from '@brachytone/core';
import { DEMO_FILES, demoJobs, toteCalibration, totePress, type ToteReadings } from '@brachytone/demo';
import { SHIPPED_TYPEFACES, type JobDocument } from '@brachytone/job';
import { readTypeface } from '@brachytone/typeface';
import { ne } from 'drizzle-orm';
import { DATABASE, type Database } from './database/database.ts';
import { originals } from './database/schema.ts';
import { JobsService } from './jobs/jobs.service.ts';
import { FilesService } from './files/files.service.ts';
import { ShelfService } from './shelf/shelf.service.ts';
import { DEMO_FOLDER } from './paths.ts';

/** Puts the demo jobs on an empty board, once. */
@Injectable()
export class DemoService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(ShelfService) private readonly shelf: ShelfService,
  ) {}

  async load(): Promise<void> {
    const [any] = await this.database.queries
      .select({ sha256: originals.sha256 })
      .from(originals)
      .where(ne(originals.kind, 'font'))
      .limit(1);
    if (any) return;
    const bring = async (name: string) => {
      const { sha256, width, height } = await this.originals.add(await readFile(join(DEMO_FOLDER, name)));
      return { sha256, name, width, height };
    };
    const typefaces = new Map<string, Typeface>();
    for (const { sha256 } of SHIPPED_TYPEFACES) {
      typefaces.set(sha256, readTypeface(await this.originals.font(sha256)));
    }
    const documents = demoJobs({
      moon: await bring(DEMO_FILES.moon),
      marsh: await bring(DEMO_FILES.marsh),
      heron: await bring(DEMO_FILES.heron),
      shadow: await bring(DEMO_FILES.shadow),
      typefaces,
    });
    const press = totePress();
    const { id } = await this.shelf.keep('press', press);
    const { sha256: scan } = await bring(DEMO_FILES.target);
    const readings = JSON.parse(
      await readFile(join(DEMO_FOLDER, DEMO_FILES.readings), 'utf8'),
    ) as ToteReadings;
    const calibration = toteCalibration(id, scan, readings);
    const measured = calibrated(press, calibration, present(calibration.taken, 'date'), false);
    await this.shelf.replace('press', id, measured);
    await this.shelf.keep('calibration', calibration);
    for (const document of documents)
      await this.jobs.create(document.name === 'Dusk tote' ? onPress(document, id, measured) : document);
    console.log(`${documents.length} demo jobs are on the board.`);
  }
}

/** A job on a press of the press room. */
const onPress = (document: JobDocument, id: string, press: Press): JobDocument => ({
  ...document,
  recipe: { ...document.recipe, press: { id, press, compensates: true } },
});
