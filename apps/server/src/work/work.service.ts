import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { MessagePort } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { Problem } from '../http/problem.ts';
import { WORKER_FILE } from '../paths.ts';
import type { Tasks } from './tasks.ts';

/** Heavy work goes to a few threads, so that the server answers meanwhile. */
@Injectable()
export class WorkService implements OnModuleDestroy {
  private readonly pool = new Piscina({
    filename: WORKER_FILE,
    minThreads: 1,
    maxThreads: 2,
    idleTimeout: 60_000,
    // The reader of TIFF files brings a package that looks for a name in it.
    workerData: {},
    // What a thread makes in passing need not pile up: its large things lie outside of the engine's heap.
    resourceLimits: { maxYoungGenerationSizeMb: 8 },
  });
  private closing = false;

  async run<Name extends keyof Tasks>(
    name: Name,
    given: Tasks[Name]['given'],
    options: { signal?: AbortSignal; transfer?: (MessagePort | ArrayBuffer)[] } = {},
  ): Promise<Tasks[Name]['made']> {
    try {
      return (await this.pool.run(given, {
        name,
        ...(options.signal ? { signal: options.signal } : {}),
        ...(options.transfer ? { transferList: options.transfer as never } : {}),
      })) as Tasks[Name]['made'];
    } catch (error) {
      if (this.closing)
        throw new Problem(503, 'Stopping', 'The server is being stopped. What was saved is kept.');
      throw error;
    }
  }

  async onModuleDestroy(): Promise<void> {
    this.closing = true;
    await this.pool.destroy();
  }
}
