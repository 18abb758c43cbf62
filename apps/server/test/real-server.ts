import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { SERVER_ENV } from '../../../scripts/steps.mjs';

/** The built server as a process of its own. */
export class RealServer {
  readonly api: string;
  /** What it wrote, of failures too. */
  output = '';
  child: ChildProcess | undefined;

  constructor(
    private readonly port: number,
    private readonly folder: string,
    private readonly environment: Record<string, string> = {},
  ) {
    this.api = `http://127.0.0.1:${port}/api`;
  }

  async start(): Promise<void> {
    this.output = '';
    const child = spawn(process.execPath, [fileURLToPath(new URL('../dist/main.js', import.meta.url))], {
      env: {
        ...SERVER_ENV,
        BRACHYTONE_DATA: this.folder,
        PORT: String(this.port),
        DATABASE_URL: '',
        BRACHYTONE_DEMO: 'off',
        ...this.environment,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    const hear = (text: Buffer) => void (this.output += text.toString());
    child.stderr.on('data', hear);
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (text: Buffer) => {
        hear(text);
        if (this.output.includes('is at')) resolve();
      });
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${this.output}`)));
    });
  }

  /** Sends a signal, and waits for the process to be gone; gives its exit code. */
  async end(signal: NodeJS.Signals = 'SIGKILL'): Promise<number | null> {
    const { child } = this;
    this.child = undefined;
    if (!child) return null;
    if (child.exitCode !== null) return child.exitCode;
    const gone = new Promise<number | null>((resolve) => child.on('exit', resolve));
    child.kill(signal);
    return gone;
  }

  async json<T>(path: string, init?: RequestInit): Promise<T> {
    const answer = await fetch(`${this.api}/${path}`, init);
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
    return (await answer.json()) as T;
  }

  send<T>(method: 'POST' | 'PUT', path: string, body: object): Promise<T> {
    return this.json(path, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  }

  bring(bytes: Uint8Array): Promise<{ sha256: string }> {
    return this.json('files', {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(bytes),
    });
  }
}
