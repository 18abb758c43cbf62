import { fork, type ChildProcess } from 'node:child_process';
import { Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { Problem } from '../http/problem.ts';
import { READER_FILE } from '../paths.ts';
import { madeOrProblem, type Answer, type ReaderTasks, type Refusal } from '@brachytone/files/read';
import { residentBytes } from './resident-bytes.ts';

/** Reading processes at most: one more than there is work for, so that two that hang hold up nobody. */
const MOST = 3;
/** A file is given to so many processes, one after another, should they end before they begin. */
const MOST_TRIES = 3;
/** A process that has had nothing to do for so long is ended, ms. */
const IDLE = 15_000;
/** Time that reading may take, ms: so much, and more for each megabyte of the file. Memory of a reading process, bytes. */
const LIMITS = { time: 45_000, timePerMegabyte: 2000, memory: 2.2e9 };
/** Of it, what its engine's heap may take, MB. */
const HEAP = 1024;
/** Its memory is looked at so often, ms. */
const LOOK_EVERY = 200;

interface Reader {
  readonly child: ChildProcess;
  /** What it is at; undefined while it waits. */
  at: Waiting | undefined;
  /** True once it has said that it is at it. */
  hasBegun: boolean;
  idle?: ReturnType<typeof setTimeout>;
}

interface Waiting {
  readonly name: keyof ReaderTasks;
  readonly given: object;
  readonly bytes: number;
  /** How often it was given to a process. */
  readonly tries: number;
  readonly resolve: (made: object) => void;
  readonly reject: (reason: Error) => void;
}

/** Hands files from outside to processes of their own, which are ended when a file takes too long or too much memory, and replaced. */
@Injectable()
export class ReadersService implements OnModuleDestroy {
  limits = LIMITS;
  private readonly log = new Logger('Readers');
  private readonly readers = new Set<Reader>();
  private readonly waiting: Waiting[] = [];
  private closing = false;

  /** @throws Problem that says what is wrong with the file, or that it ended what read it */
  async run<Name extends keyof ReaderTasks>(
    name: Name,
    given: ReaderTasks[Name]['given'],
  ): Promise<ReaderTasks[Name]['made']> {
    const bytes = 'bytes' in given ? given.bytes.length : given.profile.length;
    const made = await new Promise<object>((resolve, reject) => {
      this.waiting.push({ name, given, bytes, tries: 0, resolve, reject });
      this.next();
    });
    return madeOrProblem(made as ReaderTasks[Name]['made'] | Refusal);
  }

  onModuleDestroy(): void {
    this.closing = true;
    for (const { reject } of this.waiting.splice(0)) reject(stopping());
    for (const { child } of this.readers) child.kill('SIGKILL');
  }

  private next(): void {
    if (this.waiting.length === 0 || this.closing) return;
    const reader =
      [...this.readers].find(({ at }) => at === undefined) ??
      (this.readers.size < MOST ? this.start() : undefined);
    const task = reader && this.waiting.shift();
    if (reader && task) this.give(reader, task);
  }

  private start(): Reader {
    const child = fork(READER_FILE, [], {
      serialization: 'advanced',
      execArgv: [`--max-old-space-size=${HEAP}`, '--enable-source-maps'],
      // What is read has no business with the server's settings.
      env: { PATH: process.env.PATH ?? '', MALLOC_ARENA_MAX: '2' },
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    const reader: Reader = { child, at: undefined, hasBegun: false };
    this.readers.add(reader);
    const gone = (why: string) => {
      if (!this.readers.delete(reader)) return;
      clearTimeout(reader.idle);
      const { at } = reader;
      reader.at = undefined;
      // One that was gone before it began was not ended by the file.
      if (at && at.tries < MOST_TRIES && !reader.hasBegun && !this.closing) this.waiting.unshift(at);
      else at?.reject(this.closing ? stopping() : refused(why));
      this.next();
    };
    child.on('error', (error) => gone(error.message));
    child.on('exit', (code, signal) => gone(`it ended what reads files, ${signal ?? `exit code ${code}`}`));
    child.on('message', (answer: Answer) => {
      const { at } = reader;
      if (!at) return;
      if ('begun' in answer) {
        reader.hasBegun = true;
        return;
      }
      reader.at = undefined;
      if ('made' in answer) at.resolve(answer.made);
      else {
        this.log.error(answer.failure);
        at.reject(refused('what reads files could make nothing of it'));
      }
      reader.idle = setTimeout(() => {
        this.readers.delete(reader);
        child.kill();
      }, IDLE);
      reader.idle.unref();
      this.next();
    });
    return reader;
  }

  private give(reader: Reader, task: Waiting): void {
    clearTimeout(reader.idle);
    const { child } = reader;
    const { time, timePerMegabyte, memory } = this.limits;
    const most = time + (task.bytes / 1e6) * timePerMegabyte;
    const began = performance.now();
    const end = (why: string) => {
      if (reader.at !== watched) return;
      reader.at = undefined;
      this.readers.delete(reader);
      child.kill('SIGKILL');
      watched.reject(refused(why));
      this.next();
    };
    const look = setInterval(() => {
      if (performance.now() - began > most) end(`it took longer than ${Math.round(most / 1000)} s to read`);
      else if (residentBytes(child.pid ?? 0) > memory)
        end(`it takes more than ${memory / 1e9} GB of memory to read`);
    }, LOOK_EVERY);
    const done =
      <Value>(then: (value: Value) => void) =>
      (value: Value) => {
        clearInterval(look);
        then(value);
      };
    const watched: Waiting = {
      ...task,
      tries: task.tries + 1,
      resolve: done(task.resolve),
      reject: done(task.reject),
    };
    reader.at = watched;
    reader.hasBegun = false;
    // Should it be gone by now, its end tells so.
    child.send({ name: task.name, given: task.given }, () => undefined);
  }
}

const refused = (why: string): Problem =>
  new Problem(422, 'File not taken', `The file could not be read: ${why}. Nothing was added.`);

const stopping = (): Problem =>
  new Problem(503, 'Stopping', 'The server is being stopped. What was saved is kept.');
