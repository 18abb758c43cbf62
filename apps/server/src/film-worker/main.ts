import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import { lockFolder } from '../data-lock.ts';
import { openDatabase, placeOf } from '../database/database.ts';
import { LineLogger } from '../http/line-logger.ts';
import { logWords } from '../http/log-words.ts';
import { readSettings, UnfitSettings } from '../settings.ts';
import { FilmWorkerModule } from './film-worker.module.ts';
import { FilmWorkerService } from './film-worker.service.ts';

/** Films that are made at a time, unless `BRACHYTONE_PLACES` says otherwise. */
const USUAL_PLACES = 2;
const MOST_PLACES = 64;

process.on('unhandledRejection', (error) => console.error(logWords(error)));
try {
  // A worker is one of many by itself, whatever is set.
  const settings = readSettings({
    ...process.env,
    BRACHYTONE_WORKERS: 'on',
    BRACHYTONE_SHARED: 'off',
    HOST: '127.0.0.1',
  });
  const places = Number(process.env.BRACHYTONE_PLACES ?? USUAL_PLACES);
  if (!Number.isInteger(places) || places < 1 || places > MOST_PLACES)
    throw new UnfitSettings(`BRACHYTONE_PLACES is a whole number from 1 to ${MOST_PLACES}.`);
  const unlock = await lockFolder(settings.dataFolder);
  process.on('exit', unlock);
  const database = await openDatabase(placeOf(settings));
  const app = await NestFactory.createApplicationContext(FilmWorkerModule.over(database, settings), {
    logger: settings.log === 'json' ? new LineLogger(['log', 'error', 'warn']) : ['log', 'error', 'warn'],
  });
  const worker = app.get(FilmWorkerService);
  await worker.begin(places);
  console.log('This worker makes films.');
  const stop = () => {
    void worker
      .end()
      .then(() => app.close())
      .then(() => database.close())
      .finally(() => process.exit(0));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
