import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { MessagePort } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { Problem } from '../http/problem.ts';
import { MetricsService } from '../metrics/metrics.service.ts';
import { WORKER_FILE } from '../paths.ts';
import { DEADLINES } from './deadlines.ts';
import { giveFreeMemoryBack } from './free-memory.ts';
import type { Tasks } from './tasks.ts';

/** Threads that make what nobody waits for, and one more for what somebody does: no film holds it up. */
export const THREADS = 2;
const MOST_THREADS = THREADS + 1;
/** What the engine's heap of a thread may take, MB; samples and tables lie outside of it. */
const HEAP = 1536;
const MOST_MEMORY = 3e9;
/** A thread rests so long before it is ended, ms: beginning one anew takes a moment. */
const IDLE = 20_000;
/** Free memory is given back so long after work ended, when idle threads are gone too, ms. */
const GIVE_BACK = IDLE + 5_000;
/** And so often while there is always some, ms. */
const GIVE_BACK_EVERY = 10_000;
/** It is looked at so often, ms. */
const LOOK_EVERY = 500;

export interface WorkOptions {
  readonly signal?: AbortSignal;
  readonly transfer?: readonly (MessagePort | ArrayBuffer)[];
  /** Where the task tells how far it is: each word puts off its deadline. */
  readonly news?: MessagePort;
  /** True for what nobody waits for at the screen: it lets all else go first. */
  readonly isPatient?: boolean;
  /** True for what a person chooses by: it goes before all else. */
  readonly isUrgent?: boolean;
  /** Asked when its turn has come: what nobody wants any more is not begun. */
  readonly isWanted?: () => boolean;
}

type Rank = 'urgent' | 'usual' | 'patient';

const RANKS: readonly Rank[] = ['urgent', 'usual', 'patient'];

interface Waiting {
  readonly rank: Rank;
  readonly begin: () => void;
}

const rankOf = ({ isPatient, isUrgent }: WorkOptions): Rank =>
  isPatient ? 'patient' : isUrgent ? 'urgent' : 'usual';

/** Heavy work goes to a few threads, so that the server answers meanwhile. A task that takes too long or too much is ended with its thread. */
@Injectable()
export class WorkService implements OnModuleDestroy {
  private readonly pool = new Piscina({
    filename: WORKER_FILE,
    // A thread that has nothing to do gives all its memory back.
    minThreads: 0,
    maxThreads: MOST_THREADS,
    idleTimeout: IDLE,
    // A thread that blocks while it waits never comes to what it is to do after a task: let go of memory.
    atomics: 'disabled',
    // The reader of TIFF files brings a package that looks for a name in it.
    workerData: {},
    // What a thread makes in passing need not pile up: its large things lie outside of the engine's heap.
    resourceLimits: { maxYoungGenerationSizeMb: 24, maxOldGenerationSizeMb: HEAP },
  });
  deadlines = DEADLINES;
  /** The server's memory, bytes, at which what is being made is ended. */
  mostMemory = MOST_MEMORY;
  private running = 0;
  private runningPatient = 0;
  private readonly waiting: Waiting[] = [];
  private closing = false;
  private givingBack: NodeJS.Timeout | undefined;
  private gaveBack = performance.now();

  constructor(@Inject(MetricsService) private readonly metrics: MetricsService) {}

  /** @throws Problem when the task took too long or too much memory, or the server is being stopped */
  async run<Name extends keyof Tasks>(
    name: Name,
    given: Tasks[Name]['given'],
    options: WorkOptions = {},
  ): Promise<Tasks[Name]['made']> {
    const waited = this.metrics.waits.startTimer({ work: name });
    const rank = rankOf(options);
    await this.turn(rank);
    waited();
    const done = this.metrics.work.startTimer({ work: name });
    let ended = 'failed';
    try {
      options.signal?.throwIfAborted();
      if (options.isWanted?.() === false)
        throw new Problem(410, 'Not wanted', 'Nobody waits for this any more.');
      const made = await this.watched(name, given, options);
      ended = 'made';
      return made;
    } finally {
      done({ ended: options.signal?.aborted ? 'cancelled' : ended });
      this.running--;
      if (rank === 'patient') this.runningPatient--;
      this.giveBackSoon();
      this.next();
    }
  }

  /** True while no work is being done, and none waits. */
  get isAtRest(): boolean {
    return this.running === 0 && this.waiting.length === 0;
  }

  /** Has all threads there that there may be, for what is about to be asked: beginning one takes half a second. */
  async warm(): Promise<void> {
    const idle = THREADS - this.running - this.waiting.length;
    // What a thread has nothing to do for is no matter if it fails.
    await Promise.allSettled(Array.from({ length: Math.max(0, idle) }, () => this.run('ready', null)));
  }

  /** Waits until a thread is free. */
  private turn(rank: Rank): Promise<void> {
    return new Promise((begin) => {
      this.waiting.push({ rank, begin });
      this.next();
    });
  }

  /** Place of what is begun next among what waits; −1 for none. */
  private nextOf(): number {
    const first = (rank: Rank) => this.waiting.findIndex((one) => one.rank === rank);
    const at = RANKS.map(first).find((found) => found >= 0) ?? -1;
    if (at < 0) return -1;
    const { rank } = this.waiting[at];
    // The last thread is kept for what somebody waits for: what is urgent, and anything while films are made in the others.
    const most = rank === 'urgent' || (rank === 'usual' && this.runningPatient > 0) ? MOST_THREADS : THREADS;
    return this.running < most && (rank !== 'patient' || this.runningPatient < THREADS) ? at : -1;
  }

  /** Has free memory given back once all rest, and now and then where they never do. */
  private giveBackSoon(): void {
    const giveBack = () => {
      this.gaveBack = performance.now();
      void giveFreeMemoryBack();
    };
    clearTimeout(this.givingBack);
    if (performance.now() - this.gaveBack > GIVE_BACK_EVERY) giveBack();
    this.givingBack = setTimeout(giveBack, GIVE_BACK).unref();
  }

  private tellQueue(): void {
    this.metrics.working.set({ state: 'waiting' }, this.waiting.length);
    this.metrics.working.set({ state: 'running' }, this.running);
  }

  private next(): void {
    this.tellQueue();
    const at = this.nextOf();
    if (at < 0) return;
    const [{ rank, begin }] = this.waiting.splice(at, 1);
    this.running++;
    if (rank === 'patient') this.runningPatient++;
    this.tellQueue();
    begin();
  }

  private async watched<Name extends keyof Tasks>(
    name: Name,
    given: Tasks[Name]['given'],
    { signal, transfer, news }: WorkOptions,
  ): Promise<Tasks[Name]['made']> {
    const ended = new AbortController();
    const most = this.deadlines[name];
    const late = setTimeout(() => ended.abort(tooMuch(`longer than ${most / 60_000} min`)), most);
    news?.on('message', () => late.refresh());
    const look = setInterval(() => {
      if (process.memoryUsage.rss() > this.mostMemory)
        ended.abort(tooMuch('more memory than there is for it'));
    }, LOOK_EVERY);
    try {
      return (await this.pool.run(given, {
        name,
        signal: signal ? AbortSignal.any([signal, ended.signal]) : ended.signal,
        ...(transfer ? { transferList: transfer as never } : {}),
      })) as Tasks[Name]['made'];
    } catch (error) {
      if (this.closing)
        throw new Problem(503, 'Stopping', 'The server is being stopped. What was saved is kept.');
      if (ended.signal.aborted) throw ended.signal.reason;
      if ((error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw tooMuch('more memory than there is for it');
      throw error;
    } finally {
      clearTimeout(late);
      clearInterval(look);
    }
  }

  async onModuleDestroy(): Promise<void> {
    this.closing = true;
    clearTimeout(this.givingBack);
    await this.pool.destroy();
  }
}

const tooMuch = (what: string): Problem =>
  new Problem(
    422,
    'Too much work',
    `This takes ${what}, so it was ended. The job itself is unharmed: make what is in it simpler, or fewer pixels of it.`,
  );
