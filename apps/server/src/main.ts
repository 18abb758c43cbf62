import 'reflect-metadata';
import { createApp } from './app.ts';
import { FolderInUse, lockFolder } from './data-lock.ts';
import { DatabaseInUse } from './database/hold-database.ts';
import { openDatabase, placeOf } from './database/database.ts';
import { TypefacesService } from './files/typefaces.service.ts';
import { DemoService } from './demo.service.ts';
import { stopOnSignal } from './stop.ts';
import { LineLogger } from './http/line-logger.ts';
import { logWords } from './http/log-words.ts';
import { readSettings, UnfitSettings, type Settings } from './settings.ts';
import { PeopleService } from './studio/people.service.ts';

/** The settings; without fit ones it says so and goes no further. */
function fitSettings(): Settings {
  try {
    return readSettings();
  } catch (error) {
    if (!(error instanceof UnfitSettings)) throw error;
    console.error(error.message);
    process.exit(1);
  }
}

/** A connection that nothing is asked over is kept so long, ms: longer than most proxies keep theirs (common practice, no source). */
const KEPT_CONNECTION = 75_000;

const settings = fitSettings();
const log = settings.log === 'json' ? new LineLogger(['log']) : undefined;
/** Tells whoever started it, in the words of its log. */
const say = (words: string): void => (log ? log.log(words, 'Brachytone') : console.log(words));
// What goes wrong in one place must not end what all others are at.
process.on('unhandledRejection', (error) => console.error(logWords(error)));

try {
  const unlock = await lockFolder(settings.dataFolder);
  process.on('exit', unlock);
  const database = await openDatabase(placeOf(settings));
  const app = await createApp(database, settings);
  await app.init();
  await app.get(TypefacesService).load();
  if (process.env.BRACHYTONE_DEMO !== 'off') await database.alone(() => app.get(DemoService).load());
  stopOnSignal(app, database);
  // A proxy, or a program, that keeps a connection for later would meet one that was just closed: five seconds are too few for either.
  Object.assign(app.getHttpServer(), {
    keepAliveTimeout: KEPT_CONNECTION,
    headersTimeout: KEPT_CONNECTION + 5_000,
  });
  await app.listen(settings.port, settings.host);
  say(
    `Brachytone is at http://${settings.host === '127.0.0.1' ? 'localhost' : settings.host}:${settings.port}`,
  );
  const { ownerLink } = app.get(PeopleService);
  if (ownerLink !== undefined)
    say(`Nobody is its owner yet. Whoever opens this link first, within a day, becomes it:\n${ownerLink}`);
} catch (error) {
  if (error instanceof FolderInUse || error instanceof DatabaseInUse) console.error(error.message);
  else if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE') {
    console.error(`Port ${settings.port} is taken by another program. Set PORT to another number.`);
  } else console.error(error);
  process.exit(1);
}
