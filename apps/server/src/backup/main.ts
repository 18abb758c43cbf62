/** `backup FILE` writes all that is kept into a file, `restore FILE` puts it into an empty place. */
import { createWriteStream } from 'node:fs';
import { readFile, rename, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { FolderInUse, lockFolder } from '../data-lock.ts';
import { openDatabase, placeOf, type Database } from '../database/database.ts';
import { DatabaseInUse } from '../database/hold-database.ts';
import { filmStoreOf } from '../film-store/film-store-of.ts';
import { readSettings } from '../settings.ts';
import { FOLDER_KEY } from '../studio/sessions.service.ts';
import { NotRestored, restoreBackup } from './restore-backup.ts';
import { writeBackup } from './write-backup.ts';

const settings = readSettings();
const store = await filmStoreOf(settings);
/** A file as it was named where the command was given. */
const fileOf = (name: string): string => resolve(process.env.INIT_CWD ?? '.', name);

/** Opens the data folder and its database for as long as they are used. */
async function opened<Result>(use: (database: Database) => Promise<Result>): Promise<Result> {
  const unlock = await lockFolder(settings.dataFolder);
  try {
    const database = await openDatabase(placeOf(settings));
    try {
      return await use(database);
    } finally {
      await database.close();
    }
  } finally {
    unlock();
  }
}

/** What a server that people sign in to knows this machine by. */
async function folderKey(): Promise<Record<string, string>> {
  if (!settings.studio) return {};
  const key = await readFile(join(settings.dataFolder, FOLDER_KEY), 'utf8').catch(() => '');
  return { Authorization: `Bearer ${key}` };
}

/** Has the server that runs write it; undefined where none answers. */
async function fromServer(): Promise<Readable | undefined> {
  try {
    const answer = await fetch(`http://127.0.0.1:${settings.port}/api/backup`, {
      headers: await folderKey(),
    });
    if (!answer.ok || !answer.body)
      throw new NotRestored(`The server answered ${answer.status}. No backup was made.`);
    return Readable.fromWeb(answer.body);
  } catch (error) {
    if (error instanceof NotRestored) throw error;
    return undefined;
  }
}

/** Writes a file that has its name only once it is whole. */
async function keep(bytes: Readable, file: string): Promise<void> {
  try {
    await pipeline(bytes, createWriteStream(`${file}.part`));
    await rename(`${file}.part`, file);
  } catch (error) {
    await rm(`${file}.part`, { force: true });
    throw error;
  }
}

async function backup(file: string): Promise<void> {
  const running = await fromServer();
  if (running) await keep(running, file);
  else await opened(async (database) => keep(await writeBackup(database, store, settings.dataFolder), file));
  console.log(`All that is kept is in ${file}.`);
}

async function restore(file: string): Promise<void> {
  const { made, jobs, originals, films } = await opened((database) => restoreBackup(file, database, store));
  console.log(
    `Restored from ${made.slice(0, 16).replace('T', ' ')} UTC, and compared: ${jobs} jobs, ${originals} originals, ${films} films are what the backup holds.`,
  );
}

const [what, name] = process.argv.slice(2);
try {
  if (name && what === 'backup') await backup(fileOf(name));
  else if (name && what === 'restore') await restore(fileOf(name));
  else {
    console.error('Say which file: npm run backup -- FILE, or npm run restore -- FILE.');
    process.exitCode = 2;
  }
} catch (error) {
  const isKnown =
    error instanceof NotRestored || error instanceof FolderInUse || error instanceof DatabaseInUse;
  console.error(isKnown ? error.message : error);
  process.exitCode = 1;
}
