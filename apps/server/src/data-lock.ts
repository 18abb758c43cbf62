import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Another server is using the data folder. */
export class FolderInUse extends Error {}

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/**
 * Takes a data folder for this process. A lock left by a process that is gone is taken over.
 *
 * @returns a function that gives it back
 * @throws FolderInUse
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'server.lock');
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' });
      return () => rmSync(file, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || attempt > 2) throw error;
      const pid = Number(readFileSync(file, 'utf8'));
      if (pid > 0 && pid !== process.pid && isAlive(pid)) {
        throw new FolderInUse(`Another Brachytone (process ${pid}) is already using ${folder}.`);
      }
      rmSync(file, { force: true });
    }
  }
}
