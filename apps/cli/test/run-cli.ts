import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';

export const PROGRAM = fileURLToPath(new URL('../bin/brachytone.js', import.meta.url));

/** What a run of the command line left. */
export interface Ran {
  readonly code: number | null;
  readonly out: Buffer;
  readonly err: string;
}

/** Runs the built command line to its end. */
export function cli(args: readonly string[], given?: Buffer, cwd?: string): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [PROGRAM, ...args], { cwd, stdio: ['pipe', 'pipe', 'pipe'] });
    const out: Buffer[] = [];
    const err: Buffer[] = [];
    child.stdout.on('data', (part: Buffer) => out.push(part));
    child.stderr.on('data', (part: Buffer) => err.push(part));
    child.on('error', reject);
    child.on('close', (code) =>
      resolve({ code, out: Buffer.concat(out), err: Buffer.concat(err).toString() }),
    );
    // What ends early reads no more.
    child.stdin.on('error', () => undefined);
    child.stdin.end(given);
  });
}

/** A small picture that differs from any of another number. */
export const numbered = (number: number): Promise<Buffer> =>
  sharp({
    create: {
      width: 24,
      height: 16,
      channels: 3,
      background: { r: number % 256, g: (number >> 8) + 40, b: 90 },
    },
  })
    .png()
    .toBuffer();
