import { closeSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { AskedWrongly } from '../failure.ts';

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/**
 * Holds a folder for this program alone; gives what lets go of it.
 *
 * @throws AskedWrongly where another program holds it
 */
export function lockFolder(folder: string): () => void {
  const path = join(folder, '.brachytone-watch.lock');
  for (let tries = 0; tries < 3; tries++) {
    try {
      const file = openSync(path, 'wx');
      writeSync(file, String(process.pid));
      closeSync(file);
      return () => rmSync(path, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const holder = Number(readFileSync(path, 'utf8'));
    if (holder > 0 && holder !== process.pid && isAlive(holder))
      throw new AskedWrongly(`Films go to “${folder}” by another program already (process ${holder}).`);
    // Whoever held it was killed.
    rmSync(path, { force: true });
  }
  throw new AskedWrongly(`“${folder}” could not be held for this program alone.`);
}
