import { execFileSync } from 'node:child_process';
import { appendFileSync, mkdirSync, rmSync, statSync, truncateSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { Random } from '../fuzz/random.ts';
import { smallPng } from '../test/harness.ts';
import { Postgres } from '../test/postgres.ts';
import { RealServer } from '../test/real-server.ts';
import { Answered, atWork, begun, unmadeRuns, wellAgain, type Tortured } from './at-work.ts';

/** Kills a server at work, again and again, and looks for what it had answered. */
export async function killedAtWork(
  folder: string,
  port: number,
  seed: number,
  cycles: number,
): Promise<Tortured> {
  const server = new RealServer(port, join(folder, 'killed'));
  const random = new Random(seed);
  const answered = new Answered();
  const lost: string[] = [];
  for (let cycle = 0; cycle < cycles; cycle++) {
    await server.start();
    let over = false;
    const people = [1, 2].map(() => atWork(server, answered, random, () => over));
    await begun(answered);
    await pause(random.below(1500));
    await server.end('SIGKILL');
    over = true;
    await Promise.all(people);
    if (cycle % 10 === 9 || cycle === cycles - 1) {
      await server.start();
      lost.push(...(await answered.lost(server)));
      await server.end('SIGKILL');
    }
  }
  await server.start();
  lost.push(...(await unmadeRuns(server, answered)));
  const code = await server.end('SIGTERM');
  if (code !== 0) lost.push(`stopped with ${code}`);
  return { name: `killed ${cycles} times at work`, answered: answered.counts(), lost };
}

/** True where a small disk of memory can be made. */
function mounted(at: string, megabytes: number): boolean {
  mkdirSync(at, { recursive: true });
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', at], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}

/** Takes all room on a disk but a little. */
function fill(file: string): void {
  for (let part = 1 << 20; part > 4096;) {
    try {
      appendFileSync(file, new Uint8Array(part));
    } catch {
      part >>= 1;
    }
  }
  truncateSync(file, Math.max(0, statSync(file).size - 200_000));
}

/** True where `diskFull` can do what it says. */
export function canFill(folder: string): boolean {
  const disk = join(folder, 'tried');
  if (!mounted(disk, 1)) return false;
  execFileSync('umount', ['-l', disk]);
  return true;
}

/** Fills the disk under a server at work, and makes room again; undefined where no small disk can be made. */
export async function diskFull(folder: string, port: number, seed: number): Promise<Tortured | undefined> {
  const disk = join(folder, 'disk');
  if (!mounted(disk, 220)) return undefined;
  const server = new RealServer(port, join(disk, 'data'));
  const answered = new Answered();
  const lost: string[] = [];
  let refused = 0;
  try {
    await server.start();
    const random = new Random(seed);
    let over = false;
    const before = atWork(server, answered, random, () => over);
    await pause(1500);
    over = true;
    await before;
    fill(join(disk, 'filler'));
    for (let turn = 0; refused < 8 && turn < 400; turn++) {
      const answer = await fetch(`${server.api}/files`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: new Uint8Array(await smallPng(300 + turn, 300)),
      });
      if (answer.ok) answered.files.add(((await answer.json()) as { sha256: string }).sha256);
      else {
        refused++;
        const { status } = answer;
        const { detail } = (await answer.json()) as { detail: string };
        if (status !== 507 || !detail.includes('The disk is full'))
          lost.push(`refused with ${status}: ${detail}`);
      }
    }
    if (refused === 0) lost.push('the disk never filled');
    rmSync(join(disk, 'filler'));
    let again = false;
    const after = atWork(server, answered, random, () => again);
    await pause(1500);
    again = true;
    await after;
    const saves = answered.saves;
    lost.push(...(await answered.lost(server)));
    await server.end('SIGKILL');
    await server.start();
    lost.push(...(await answered.lost(server)));
    return { name: 'the disk full', answered: { ...answered.counts(), saves, refused }, lost };
  } finally {
    await server.end('SIGKILL');
    execFileSync('umount', ['-l', disk]);
  }
}

/** Restarts the database under a server at work. */
export async function databaseRestarted(
  folder: string,
  port: number,
  seed: number,
  times: number,
): Promise<Tortured> {
  const database = new Postgres(port + 1);
  database.start();
  const server = new RealServer(port, join(folder, 'restarted'), { DATABASE_URL: database.url });
  const answered = new Answered();
  const random = new Random(seed);
  const lost: string[] = [];
  try {
    await server.start();
    for (let turn = 0; turn < times; turn++) {
      let over = false;
      const people = [1, 2].map(() => atWork(server, answered, random, () => over));
      await begun(answered);
      await pause(random.below(800));
      database.stop();
      over = true;
      await Promise.all(people);
      await pause(500);
      database.start();
      await wellAgain(server);
      lost.push(...(await answered.lost(server)));
    }
    const code = await server.end('SIGTERM');
    if (code !== 0) lost.push(`stopped with ${code}`);
    return { name: `the database restarted ${times} times`, answered: answered.counts(), lost };
  } finally {
    await server.end('SIGKILL');
    database.end();
  }
}
