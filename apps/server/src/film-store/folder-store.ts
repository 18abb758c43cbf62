import { createReadStream, createWriteStream } from 'node:fs';
import { access, mkdir, open, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { FilmStore } from './film-store.ts';

/** Films that are not whole yet have names with this at their end. */
const UNFINISHED = '.part';

/** Films in a folder that all reach: they are made where they stay. */
export class FolderStore implements FilmStore {
  constructor(private readonly folder: string) {}

  async making(run: string): Promise<string> {
    const folder = join(this.folder, run);
    await mkdir(folder, { recursive: true });
    return folder;
  }

  put(): Promise<void> {
    return Promise.resolve();
  }

  async write(run: string, file: string, bytes: Readable): Promise<void> {
    await pipeline(bytes, createWriteStream(join(await this.making(run), file)));
  }

  async read(run: string, file: string): Promise<Readable | undefined> {
    try {
      const handle = await open(join(this.folder, run, file));
      return createReadStream('', { fd: handle });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
      throw error;
    }
  }

  has(run: string, file: string): Promise<boolean> {
    return access(join(this.folder, run, file)).then(
      () => true,
      () => false,
    );
  }

  runs(): Promise<readonly string[]> {
    return readdir(this.folder).catch(() => []);
  }

  async files(run: string): Promise<readonly string[]> {
    const all = await readdir(join(this.folder, run)).catch(() => []);
    return all.filter((file) => !file.endsWith(UNFINISHED));
  }

  async drop(run: string): Promise<void> {
    await rm(join(this.folder, run), { recursive: true, force: true });
  }
}
