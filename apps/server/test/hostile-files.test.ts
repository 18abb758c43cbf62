import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import sharp from 'sharp';
import { profileName } from '@brachytone/files/read';
import { ReadersService } from '../src/readers/readers.service.ts';
import { refusedWork } from '../src/database/schema.ts';
import { WorkService } from '../src/work/work.service.ts';
import { DEADLINES } from '../src/work/deadlines.ts';
import { send, smallPng, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => (server = await startServer()));
afterAll(() => server.close());

const svg = (inner: string, before = '') =>
  Buffer.from(
    `${before}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 100">${inner}</svg>`,
  );
const PATH = '<path d="M0 0L90 90L0 90Z"/>';

/** Processes of this one that read files. */
const readerPids = (): number[] => {
  try {
    return execFileSync('pgrep', ['-P', String(process.pid), '-f', 'reader.js'], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .map(Number);
  } catch {
    return [];
  }
};

describe('an SVG file', () => {
  it.each([
    ['with a NUL in it', svg('<path a\0="1" d="M0 0L1 1L2 0Z"/>'), /no XML file may have/],
    ['1 000 groups deep', svg(`${'<g>'.repeat(1000)}${PATH}${'</g>'.repeat(1000)}`), /400 deep/],
    ['of 300 000 elements', svg(`<g>${'<g/>'.repeat(300_000)}</g>${PATH}`), /200000 elements/],
    ['of a path of 900 000 points', svg(`<path d="M0 0${'L1 2'.repeat(900_000)}"/>`), /400 thousand/],
    [
      'whose document type hides a picture on the server’s disk',
      svg(`&x;${PATH}`, '<!DOCTYPE svg [<!ENTITY x "&#60;image href=\'/etc/hostname\'/>">]>'),
      /names of its document type/,
    ],
    [
      'that takes its document type from elsewhere',
      svg(`&x;${PATH}`, '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/hostname">]>'),
      /from elsewhere/,
    ],
    [
      'whose names become a flood',
      svg(`${'&x;'.repeat(20_000)}${PATH}`, `<!DOCTYPE svg [<!ENTITY x "${'y'.repeat(1000)}">]>`),
      /too long/,
    ],
  ])('%s is refused with a sentence', async (_name, bytes, sentence) => {
    const { body } = await send(server, bytes).expect(422);
    expect(body.detail).toMatch(sentence);
    expect(body.detail).toMatch(/Nothing was added\.$/);
  });
  it.each([
    ['href', 'href="PATH"'],
    ['xlink:href', 'xlink:href="PATH"'],
  ])('is never looked for on the server’s disk: %s', async (_name, attribute) => {
    const picture = join(server.folder, 'there.png');
    await sharp(await smallPng()).toFile(picture);
    const made = (path: string) =>
      svg(`<image ${attribute.replace('PATH', path)} width="10" height="10"/>${PATH}`);
    // A pipe would hold the reader for ever.
    const pipe = join(server.folder, `pipe-${attribute.length}`);
    execFileSync('mkfifo', [pipe]);
    const [there, missing, held] = [
      await send(server, made(picture)).expect(201),
      await send(server, made('/nowhere.png')).expect(201),
      await send(server, made(pipe)).expect(201),
    ];
    expect(there.body.facts).toEqual(missing.body.facts);
    expect(there.body.facts).toEqual(held.body.facts);
    expect(there.body.facts.leftOut).toEqual(['a picture inside it']);
  });
  it('with dashes nobody could tell apart has a solid line, and says so', async () => {
    const dashed = svg('<path d="M0 0L90 90" stroke="#000" stroke-dasharray="0.000001 0.000001"/>');
    const { body } = await send(server, dashed).expect(201);
    expect(body.facts.leftOut).toEqual([expect.stringMatching(/dashes too fine/)]);
    const { body: drawing } = await server.http.get(`/api/files/${body.sha256}/drawing`).expect(200);
    expect(drawing.shapes.at(-1).stroke.dashes).toEqual([]);
  });
  it('with names of its document type for words alone is taken', async () => {
    const named = svg(PATH, '<!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg">]>');
    await send(server, named).expect(201);
  });
});

describe('a picture', () => {
  it('that unpacks to more than a reader may hold is refused before it is', async () => {
    const vast = await sharp({
      create: { width: 12_500, height: 12_000, channels: 3, background: '#888' },
      limitInputPixels: false,
    })
      .toColourspace('rgb16')
      .png({ compressionLevel: 1 })
      .toBuffer();
    const { body } = await send(server, vast).expect(422);
    expect(body.detail).toMatch(/900 MB once it is unpacked/);
  });
  it('of AVIF is taken', async () => {
    const { body } = await send(
      server,
      await sharp(await smallPng())
        .avif()
        .toBuffer(),
    ).expect(201);
    expect(body.facts.format).toBe('AVIF');
  });
});

it('the name of a damaged profile is kept without what cannot be', () => {
  const icc = Buffer.alloc(400, 0xd8);
  // One tag, its letters of two bytes, of which there are an odd number and halves of letters.
  icc.writeUInt32BE(1, 128);
  icc.write('desc', 132, 'latin1');
  icc.writeUInt32BE(150, 136);
  icc.write('mluc', 150, 'latin1');
  icc.writeUInt32BE(9, 170);
  icc.writeUInt32BE(40, 174);
  Buffer.from('\0P\0\x01\0a\xd8\x00\0', 'latin1').copy(icc, 190);
  expect(profileName(icc)).toBe('Pa');
  expect(profileName(icc.subarray(0, 140))).toBe('embedded profile');
});

/** A picture that takes a while to be read. */
const slow = (height: number) =>
  sharp({ create: { width: 6000, height, channels: 3, background: '#888' } })
    .composite([{ input: { create: { width: 1, height: 1, channels: 3, background: '#000' } } }])
    .jpeg()
    .toBuffer();

describe('what reads files', () => {
  it('may be killed over one: the file is refused, the server and the next file are well', async () => {
    const answer = send(server, await slow(6001)).then((made) => made);
    while (readerPids().length === 0) await new Promise((resolve) => setTimeout(resolve, 20));
    await new Promise((resolve) => setTimeout(resolve, 150));
    for (const pid of readerPids()) process.kill(pid, 'SIGABRT');
    const { status, body } = await answer;
    expect(status).toBe(422);
    expect(body.detail).toMatch(/ended what reads files, SIGABRT\. Nothing was added\./);
    await send(server, await smallPng(31, 17)).expect(201);
  });
  it('is ended when a file takes too long, or too much memory', async () => {
    const readers = server.app.get(ReadersService);
    const { limits } = readers;
    try {
      readers.limits = { ...limits, time: 100, timePerMegabyte: 0 };
      const late = await send(server, await slow(6002)).expect(422);
      expect(late.body.detail).toMatch(/took longer than/);
      readers.limits = { ...limits, memory: 120e6 };
      const large = await send(server, await slow(6003)).expect(422);
      expect(large.body.detail).toMatch(/GB of memory/);
    } finally {
      readers.limits = limits;
    }
    await send(server, await smallPng(33, 17)).expect(201);
  });
});

it('a picture of a job that takes too long is ended with its thread, and not begun again for its card', async () => {
  const work = server.app.get(WorkService);
  const { job } = await startJob(server, 'slow.png');
  let body: { title: string; detail: string };
  try {
    work.deadlines = { ...DEADLINES, proof: 5 };
    ({ body } = await server.http.get(`/api/jobs/${job.id}/proof.png?longer=1600`).expect(422));
    expect(body.detail).toMatch(/The job itself is unharmed/);
  } finally {
    work.deadlines = DEADLINES;
  }
  await server.http.get(`/api/jobs/${job.id}/proof.png?longer=1600`).expect(422);
  await server.http.get(`/api/jobs/${job.id}/proof.png?longer=1601`).expect(200);
  // That is written down, for a server that is started anew; a day later it is tried again.
  const { queries } = server.database;
  const written = await queries.select().from(refusedWork);
  expect(written.map(({ key, title }) => [key.split(' ')[0], title])).toEqual([['proof', body.title]]);
  await queries.update(refusedWork).set({ created: new Date(Date.now() - 25 * 3600 * 1000) });
  await server.http.get(`/api/jobs/${job.id}/proof.png?longer=1600`).expect(200);
});

it('what reads files, gone while it had nothing to do, is not the next file’s fault', async () => {
  await send(server, await smallPng(35, 17)).expect(201);
  for (let turn = 0; turn < 3; turn++) {
    for (const pid of readerPids()) process.kill(pid, 'SIGKILL');
    await send(server, await smallPng(36 + turn, 17)).expect(201);
  }
});
