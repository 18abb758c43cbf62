import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Command } from 'commander';
import { AskedWrongly } from '../failure.ts';
import { serverProgram } from '../paths.ts';

export const addServe = (program: Command): Command =>
  program
    .command('serve')
    .summary('start the application in a browser')
    .description('Starts the server with the interface, for this machine alone unless its settings say else.')
    .option('--port <number>', 'where it listens', '4180')
    .option('--data <folder>', 'where jobs and films are kept', 'data')
    .action(async ({ port, data }: { port: string; data: string }) => {
      if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535) throw new AskedWrongly(`“${port}” is no port.`);
      const path = serverProgram();
      if (!existsSync(path)) throw new AskedWrongly('The server is not built: run `npm run build` first.');
      const child = spawn(process.execPath, [path], {
        stdio: 'inherit',
        env: {
          MALLOC_ARENA_MAX: '2',
          MALLOC_MMAP_THRESHOLD_: '262144',
          ...process.env,
          PORT: port,
          BRACHYTONE_DATA: resolve(data),
        },
      });
      // A signal goes to both; what it stops ends by itself.
      for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
      process.exitCode = await new Promise<number>((end) => child.on('exit', (code) => end(code ?? 1)));
    });
