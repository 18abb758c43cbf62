import { createHash, randomUUID } from 'node:crypto';
import {
  mkdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';

/** Another server is using the data folder. */
export class FolderInUse extends Error {}

/** Who holds a folder. */
interface Holder {
  readonly host: string;
  readonly pid: number;
  /** ISO 8601. */
  readonly since: string;
  /** Its own, whatever else is alike. */
  readonly token: string;
}

/** A holder says so often that it lives, ms; one silent for several times as long does not. */
const SAYS_EVERY = 3000;
const SILENT = 4 * SAYS_EVERY;
/** Time for a holder on this machine to answer, ms. */
const ANSWERS_WITHIN = 2000;
/** Longest path of a socket (sun_path of Linux has 108 bytes, of others a few less). */
const LONGEST_SOCKET = 95;

const wordsOf = (folder: string, { host, pid, since }: Holder): string =>
  `Another Brachytone (process ${pid} on ${host}, since ${since}) is already using ${folder}. Stop it first, or set BRACHYTONE_DATA to another folder.`;

/** Where holders of a folder answer: a socket in it, as all containers that share the folder on a machine can reach. */
function socketOf(folder: string): string {
  const place = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32);
  if (process.platform === 'win32') return `\\\\.\\pipe\\brachytone-${place}`;
  const inside = join(folder, 'server.sock');
  return Buffer.byteLength(inside) <= LONGEST_SOCKET ? inside : join(tmpdir(), `brachytone-${place}.sock`);
}

/** Who answers at a socket; undefined where nobody does. */
function askedAt(socket: string): Promise<string | undefined> {
  return new Promise((resolve) => {
    const connection = connect(socket);
    let text = '';
    connection.setTimeout(ANSWERS_WITHIN, () => connection.destroy());
    connection.on('data', (part: Buffer) => (text += part.toString()));
    connection.on('error', () => resolve(undefined));
    // One that takes the call and then says nothing is there all the same.
    connection.on('close', () => resolve(text));
  });
}

/** Answers at a socket from now on; undefined where another does already. One that was left behind is replaced. */
function answering(socket: string, { token }: Holder, answer: string): Promise<Server | undefined> {
  // Put in its place in one go: closed, a server takes away the file that it began with, which must not be another's.
  const begun = process.platform === 'win32' ? socket : `${socket}.${token.slice(0, 4)}`;
  return new Promise((resolve, reject) => {
    const server = createServer((connection) => connection.on('error', () => undefined).end(answer));
    server.on('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(undefined) : reject(error),
    );
    server.listen(begun, () => {
      if (begun !== socket) renameSync(begun, socket);
      resolve(server);
    });
    server.unref();
  });
}

function holderIn(file: string): Holder | undefined {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Holder;
  } catch {
    return undefined;
  }
}

const lastSaid = (file: string): number => statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0;

/** Waits until a holder on another machine has said that it lives, or has been silent for too long; true where it lives. */
async function livesElsewhere(file: string): Promise<boolean> {
  const first = lastSaid(file);
  if (Date.now() - first > SILENT) return false;
  for (let waited = 0; waited < SILENT; waited += SAYS_EVERY) {
    await pause(SAYS_EVERY);
    if (lastSaid(file) !== first) return true;
  }
  return false;
}

/**
 * Takes a data folder for this process. What a process that is gone has left is taken over; whether it is gone is told by a socket that only a living
 * one answers at, and where the folder is shared with other machines by a file that it touches.
 *
 * @returns a function that gives it back
 * @throws FolderInUse
 */
export async function lockFolder(folder: string): Promise<() => void> {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'server.lock');
  const socket = socketOf(folder);
  const own: Holder = {
    host: hostname(),
    pid: process.pid,
    since: new Date().toISOString(),
    token: randomUUID(),
  };
  const refuse = (holder: Holder | undefined): never => {
    throw new FolderInUse(
      wordsOf(folder, holder ?? { host: 'this machine', pid: 0, since: 'a while ago', token: '' }),
    );
  };
  const other = await askedAt(socket);
  if (other !== undefined) refuse(other ? (JSON.parse(other) as Holder) : holderIn(file));
  const left = holderIn(file);
  if (left && left.host !== own.host && (await livesElsewhere(file))) refuse(left);
  const server = (await answering(socket, own, JSON.stringify(own))) ?? refuse(undefined);
  writeFileSync(file, JSON.stringify(own));
  // Of two that began at once and found nobody, the one that was later has the socket.
  await pause(50);
  if ((await askedAt(socket)) !== JSON.stringify(own)) {
    server.close();
    refuse(holderIn(file));
  }
  const saying = setInterval(() => {
    try {
      const now = new Date();
      utimesSync(file, now, now);
    } catch {
      // The disk may be gone for a moment; the socket answers all the same.
    }
  }, SAYS_EVERY);
  saying.unref();
  return () => {
    clearInterval(saying);
    server.close();
    if (holderIn(file)?.token !== own.token) return;
    rmSync(file, { force: true });
    if (process.platform !== 'win32') rmSync(socket, { force: true });
  };
}
