import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { AskedWrongly } from './failure.ts';
import { servedProgram } from './paths.ts';

/** Settings of the server that are asked for by options. */
interface ServedSettings {
  readonly PORT: string;
  readonly BRACHYTONE_DATA: string;
}

/** @throws AskedWrongly for what is no port */
export function portNamed(text: string): string {
  if (!/^\d{1,5}$/.test(text) || Number(text) > 65_535) throw new AskedWrongly(`“${text}” is no port.`);
  return text;
}

/**
 * Runs a program of the server to its end, in this terminal; gives its exit code.
 *
 * @param name of its file without an ending
 */
export async function runServed(
  name: string,
  args: readonly string[],
  settings: ServedSettings,
): Promise<number> {
  const path = servedProgram(name);
  if (!existsSync(path)) throw new AskedWrongly('The server is not built: run `npm run build` first.');
  const child = spawn(process.execPath, [path, ...args], {
    stdio: 'inherit',
    env: { MALLOC_ARENA_MAX: '2', MALLOC_MMAP_THRESHOLD_: '262144', ...process.env, ...settings },
  });
  // A signal goes to both; what it stops ends by itself.
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
  return new Promise<number>((end) => child.on('exit', (code) => end(code ?? 1)));
}
