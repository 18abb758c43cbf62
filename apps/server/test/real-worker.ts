import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { SERVER_ENV } from '../../../scripts/steps.mjs';

/** The built worker, which makes films for servers that share a database, as a process of its own. */
export class RealWorker {
  child: ChildProcess | undefined;
  /** What it wrote since it was first started. */
  output = '';

  constructor(
    private readonly folder: string,
    private readonly environment: Readonly<Record<string, string>>,
  ) {}

  async start(): Promise<void> {
    const before = this.output.length;
    const child = spawn(
      process.execPath,
      [fileURLToPath(new URL('../dist/film-worker.js', import.meta.url))],
      {
        env: { ...SERVER_ENV, ...this.environment, BRACHYTONE_DATA: this.folder, BRACHYTONE_PLACES: '1' },
        stdio: ['ignore', 'pipe', 'pipe'],
      },
    );
    this.child = child;
    await new Promise<void>((resolve, reject) => {
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (text: Buffer) => {
          this.output += text.toString();
          if (this.output.slice(before).includes('makes films')) resolve();
        });
      child.on('exit', (code) => reject(new Error(`The worker ended with ${code}: ${this.output}`)));
    });
  }

  /** Sends a signal, and waits for the process to be gone. */
  async end(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const { child } = this;
    this.child = undefined;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.on('exit', resolve));
    child.kill(signal);
    await gone;
  }

  /** Films that it wrote down as made. */
  get made(): readonly string[] {
    return [...this.output.matchAll(/made film \d+ of [\w-]+/g)].map(([words]) => words);
  }
}
