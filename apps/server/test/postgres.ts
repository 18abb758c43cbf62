import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';

const PROGRAMS = '/usr/lib/postgresql';

/** A PostgreSQL server of Debian's package, on a folder of its own, that can be stopped and started. */
export class Postgres {
  readonly url: string;
  private readonly folder = mkdtempSync(join(tmpdir(), 'postgres-'));
  private readonly programs = join(PROGRAMS, readdirSync(PROGRAMS).sort().at(-1) ?? '', 'bin');

  constructor(private readonly port: number) {
    this.url = `postgres://brachytone@127.0.0.1:${port}/postgres`;
    // It will not run as the system's administrator.
    if (userInfo().uid === 0) execFileSync('chown', ['postgres', this.folder]);
    chmodSync(this.folder, 0o755);
    this.run(
      'initdb',
      '-D',
      this.data,
      '-U',
      'brachytone',
      '-A',
      'trust',
      '--no-sync',
      '-E',
      'UTF8',
      '--locale=C',
    );
  }

  private get data(): string {
    return join(this.folder, 'data');
  }

  start(): void {
    this.control(
      'start',
      '-o',
      `-p ${this.port} -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c fsync=off`,
    );
  }

  /** Stops it at once, as an upgrade of the system's packages does. */
  stop(): void {
    this.control('stop', '-m', 'fast');
  }

  end(): void {
    try {
      this.control('stop', '-m', 'immediate');
    } catch {
      // It is stopped already.
    }
    rmSync(this.folder, { recursive: true, force: true });
  }

  private control(...args: string[]): void {
    this.run('pg_ctl', '-D', this.data, '-l', join(this.folder, 'log'), '-w', ...args);
  }

  private run(program: string, ...args: string[]): void {
    const path = join(this.programs, program);
    const options = { stdio: 'ignore', cwd: this.folder } as const;
    if (userInfo().uid === 0) execFileSync('runuser', ['-u', 'postgres', '--', path, ...args], options);
    else execFileSync(path, args, options);
  }
}
