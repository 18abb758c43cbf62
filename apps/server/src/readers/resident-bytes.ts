import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Bytes of a page of memory, as nearly all systems have it; larger pages only make what is told here smaller. */
const PAGE = 4096;

/** Memory that a process holds, bytes; 0 where that cannot be told. */
export function residentBytes(pid: number): number {
  if (process.platform === 'linux') {
    try {
      return Number(readFileSync(`/proc/${pid}/statm`, 'latin1').split(' ')[1]) * PAGE;
    } catch {
      return 0;
    }
  }
  if (process.platform === 'win32') return 0;
  const { stdout } = spawnSync('ps', ['-o', 'rss=', '-p', String(pid)], { encoding: 'latin1' });
  return 1024 * (Number(stdout) || 0);
}
