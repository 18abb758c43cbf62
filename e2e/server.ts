import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobsPage, JobView } from '@brachytone/job';

/** Folders to begin with, where they have been prepared. */
const prepared = (): { empty: string; board: string } | undefined =>
  process.env.BRACHYTONE_PREPARED
    ? (JSON.parse(process.env.BRACHYTONE_PREPARED) as { empty: string; board: string })
    : undefined;

/** The real, built server on a data folder of its own, which can be killed and started again. */
export class Server {
  readonly folder = mkdtempSync(join(tmpdir(), 'brachytone-'));
  readonly url: string;
  private child: ChildProcess | undefined;
  private readonly port: number;
  private readonly demo: boolean;
  private readonly isFresh: boolean;
  private readonly env: Readonly<Record<string, string>>;
  /** What it printed. */
  printed = '';

  /**
   * @param env what its environment has besides
   * @param isFresh true where it makes its database itself, and has drawn nothing yet
   */
  constructor(port: number, demo = false, env: Readonly<Record<string, string>> = {}, isFresh = false) {
    this.port = port;
    this.isFresh = isFresh;
    this.demo = demo;
    this.env = env;
    this.url = `http://127.0.0.1:${port}`;
  }

  async start(): Promise<void> {
    const from = prepared();
    if (from && !this.isFresh && readdirSync(this.folder).length === 0)
      cpSync(this.demo ? from.board : from.empty, this.folder, { recursive: true });
    const child = spawn(process.execPath, ['apps/server/dist/main.js'], {
      env: {
        ...process.env,
        BRACHYTONE_DATA: this.folder,
        PORT: String(this.port),
        BRACHYTONE_DEMO: this.demo ? 'on' : 'off',
        ...this.env,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (text: Buffer) => {
        this.printed += text.toString();
        if (text.includes('Brachytone is at')) resolve();
      });
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
    });
  }

  /** Ends the process at once, as a power cut would. */
  async kill(): Promise<void> {
    await this.end('SIGKILL');
  }

  /** Asks the process to end, and waits until it has. */
  async end(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const { child } = this;
    this.child = undefined;
    // One that ended by itself has said so already.
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((resolve) => child.on('exit', resolve));
    child.kill(signal);
    await gone;
  }

  async stop(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** Every job on the board, with its document. */
  async jobs(): Promise<JobView[]> {
    const { jobs } = await this.json<JobsPage>('jobs?most=200');
    return Promise.all(jobs.map(({ id }) => this.json<JobView>(`jobs/${id}`)));
  }

  async json<Answer>(path: string, init?: RequestInit): Promise<Answer> {
    const response = await fetch(`${this.url}/api/${path}`, init);
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return (await response.json()) as Answer;
  }
}
