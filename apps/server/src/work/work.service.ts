import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { MessagePort } from 'node:worker_threads';
import { Piscina } from 'piscina';
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
  });

  async run<Name extends keyof Tasks>(
    name: Name,
    given: Tasks[Name]['given'],
    options: { signal?: AbortSignal; transfer?: (MessagePort | ArrayBuffer)[] } = {},
  ): Promise<Tasks[Name]['made']> {
    return (await this.pool.run(given, {
      name,
      ...(options.signal ? { signal: options.signal } : {}),
      ...(options.transfer ? { transferList: options.transfer as never } : {}),
    })) as Tasks[Name]['made'];
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy();
  }
}
