import { randomUUID } from 'node:crypto';
import {
  PROOF_HEADER,
  type ClientProof,
  type JobView,
  type NewProofLinkView,
  type ProofLinkView,
  type PullView,
  type RunView,
} from '@brachytone/job';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { proofLinks } from '../src/database/studio-schema.ts';
import { binary, smallPng } from './harness.ts';
import { startStudio, type Asks, type Studio } from './studio.ts';

let studio: Studio;
let job: JobView;
beforeAll(async () => {
  studio = await startStudio();
  const { maker } = studio;
  const { body: original } = await maker('POST', '/api/files')
    .set('Content-Type', 'application/octet-stream')
    .send(await smallPng())
    .expect(201);
  const { body } = await maker('POST', '/api/jobs')
    .send({ picture: { sha256: original.sha256, name: 'reeds.png' } })
    .expect(201);
  job = body as JobView;
});
afterAll(() => studio.harness.close());

const madeLink = async (meant = 'Client', days = 7): Promise<NewProofLinkView> => {
  const { body } = await studio
    .maker('POST', `/api/jobs/${job.id}/proof-links`)
    .send({ meant, days })
    .expect(201);
  return body as NewProofLinkView;
};
/** Asks as whoever has a link: with nothing but its secret. */
const byLink =
  ({ path }: NewProofLinkView): Asks =>
  (method, address) =>
    studio.stranger(method, address).set(PROOF_HEADER, path.split('#')[1]);
const links = async (): Promise<ProofLinkView[]> =>
  (await studio.viewer('GET', `/api/jobs/${job.id}/proof-links`).expect(200)).body as ProofLinkView[];
const linkOf = async (id: string): Promise<ProofLinkView | undefined> =>
  (await links()).find((one) => one.id === id);
const save = async (name: string, width: number): Promise<void> => {
  const { body } = await studio.maker('GET', `/api/jobs/${job.id}`).expect(200);
  const now = body as JobView;
  const recipe = { ...now.document.recipe, sheet: { ...now.document.recipe.sheet, width } };
  await studio
    .maker('PUT', `/api/jobs/${job.id}`)
    .send({
      revision: now.revision,
      document: { ...now.document, name, recipe },
      history: { from: 0, steps: [], position: 0 },
    })
    .expect(200);
};
const filmsMade = async (): Promise<RunView> => {
  const { body } = await studio.maker('POST', '/api/runs').send({ jobId: job.id }).expect(201);
  for (;;) {
    const { body: run } = await studio.maker('GET', `/api/runs/${(body as RunView).id}`).expect(200);
    if (['done', 'failed'].includes((run as RunView).status)) return run as RunView;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
};

test('a link shows a proof and nothing else of the studio', async () => {
  const link = await madeLink();
  expect(link.opened).toBeNull();
  const client = byLink(link);
  const { body, headers } = await client('GET', '/api/proof').expect(200);
  const proof = body as ClientProof;
  expect(proof).toMatchObject({ job: 'reeds', meant: 'Client', answer: null, comments: [] });
  expect(headers['x-robots-tag']).toContain('noindex');
  expect(JSON.stringify(proof)).not.toContain(job.id);
  expect((await linkOf(link.id))?.opened).not.toBeNull();
  for (const path of [`/api/jobs/${job.id}`, '/api/jobs', `/api/jobs/${job.id}/proof.png`, '/api/people'])
    await client('GET', path).expect(401);
  const { sha256 } = job.document.recipe.originals[0].content as unknown as { sha256: string };
  await client('GET', `/api/files/${sha256}/source`).expect(401);
});

test('tiles are the proof’s own pixels, laid side by side', async () => {
  const link = await madeLink();
  const client = byLink(link);
  const pixels = async (path: string) => {
    const { body } = await client('GET', path).buffer(true).parse(binary).expect(200);
    return sharp(body as Buffer)
      .raw()
      .toBuffer({ resolveWithObject: true });
  };
  const whole = await pixels('/api/proof/tiles/12/0/0');
  expect(whole.info.width).toBeLessThanOrEqual(512);
  // Light, not numbers of sRGB (IEC 61966-2-1), is what averages.
  const light = (value: number): number =>
    value <= 10 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4;
  const near = await pixels('/api/proof/tiles/1/0/0');
  const far = await pixels('/api/proof/tiles/3/0/0');
  const meanOf = (data: Buffer, width: number, columns: number, rows: number) => {
    let sum = 0;
    for (let y = 0; y < rows; y++) for (let x = 0; x < columns; x++) sum += light(data[3 * (y * width + x)]);
    return sum / (columns * rows);
  };
  expect(meanOf(near.data, near.info.width, 512, 512)).toBeCloseTo(
    meanOf(far.data, far.info.width, 128, 128),
    2,
  );
  // Every pixel of the nearest level is an ink or bare stock.
  const dots = await pixels('/api/proof/tiles/0/1/1');
  expect(new Set(Array.from({ length: 512 * 512 }, (_, i) => dots.data[3 * i])).size).toBe(2);
  await client('GET', '/api/proof/tiles/0/4000/0').expect(404);
  await client('GET', '/api/proof/tiles/13/0/0').expect(422);
  await pixels('/api/proof/tiles/5/0/0?look=before');
});

test('comments are pinned to places, answered, and seen to', async () => {
  const link = await madeLink();
  const client = byLink(link);
  const say = (text: string, place: unknown) =>
    client('POST', '/api/proof/comments').send({ name: 'Cleo', text, place });
  await say('More red here', { x: 3, y: 2 }).expect(201);
  await say('Off the sheet', { x: 1e4, y: 2 }).expect(422);
  await say('', null).expect(422);
  await say('x'.repeat(2001), null).expect(422);
  await studio.maker('POST', `/api/proof-links/${link.id}/comments`).send({ text: 'Will do' }).expect(201);
  const said = (await linkOf(link.id))?.comments ?? [];
  expect(said.map(({ name, text, place, fromStudio }) => [name, text, place, fromStudio])).toEqual([
    ['Cleo', 'More red here', { x: 3, y: 2 }, false],
    ['Marek Lund', 'Will do', null, true],
  ]);
  await studio
    .maker('PATCH', `/api/proof-links/${link.id}/comments/${said[0].id}`)
    .send({ done: true })
    .expect(200);
  const { body } = await client('GET', '/api/proof').expect(200);
  expect((body as ClientProof).comments[0].done).toBe(true);
  await studio.viewer('POST', `/api/proof-links/${link.id}/comments`).send({ text: 'x' }).expect(403);
});

test('an approval is of that very recipe: films, tickets and the link say so', async () => {
  expect((await filmsMade()).approval).toBeNull();
  const link = await madeLink();
  const { recipe } = (await byLink(link)('GET', '/api/proof').expect(200)).body as ClientProof;
  const { body } = await byLink(link)('POST', '/api/proof/answer')
    .send({ says: 'approved', name: 'Cleo Ash', recipe })
    .expect(200);
  expect(body.recipe).toMatch(/^[0-9a-f]{64}$/);
  expect((await filmsMade()).approval).toMatch(/^approved by Cleo Ash, \d{4}-\d\d-\d\d \d\d:\d\d UTC$/);
  const ticket = await studio.maker('GET', `/api/jobs/${job.id}/ticket.json`).expect(200);
  expect(ticket.body.approval).toContain('Cleo Ash');
  // Another name is not another recipe; another sheet is.
  await save('renamed', job.document.recipe.sheet.width);
  expect((await filmsMade()).approval).toContain('Cleo Ash');
  expect((await linkOf(link.id))?.isCurrent).toBe(true);
  await save('renamed', job.document.recipe.sheet.width + 1);
  expect((await filmsMade()).approval).toBe('NOT the approved proof');
  expect((await linkOf(link.id))?.isCurrent).toBe(false);
  await studio.maker('POST', `/api/proof-links/${link.id}/renew`).send({ days: 3 }).expect(200);
  expect(await linkOf(link.id)).toMatchObject({ answer: null, isCurrent: true });
});

test('what is answered is what was looked at: with another state shown meanwhile it is refused', async () => {
  const link = await madeLink();
  const { recipe } = (await byLink(link)('GET', '/api/proof').expect(200)).body as ClientProof;
  await save('renamed', job.document.recipe.sheet.width + 2);
  await studio.maker('POST', `/api/proof-links/${link.id}/renew`).send({ days: 3 }).expect(200);
  await byLink(link)('POST', '/api/proof/answer')
    .send({ says: 'approved', name: 'Cleo', recipe })
    .expect(409);
  expect((await linkOf(link.id))?.answer).toBeNull();
});

test('a link ends: with its days, its pull, or when it is withdrawn', async () => {
  const [old, dropped, withdrawn] = [await madeLink('A'), await madeLink('B'), await madeLink('C')];
  const opens = async (link: NewProofLinkView) =>
    (await byLink(link)('GET', '/api/proof/tiles/12/0/0')).status;
  expect(await opens(old)).toBe(200);
  await studio.harness.database.queries
    .update(proofLinks)
    .set({ expires: new Date(Date.now() - 1) })
    .where(eq(proofLinks.id, old.id));
  const { body } = await studio.maker('GET', `/api/jobs/${job.id}/pulls`).expect(200);
  expect((body as PullView[]).some(({ id }) => id === dropped.pull)).toBe(true);
  await studio.maker('DELETE', `/api/jobs/${job.id}/pulls/${dropped.pull}`).expect(204);
  await studio.maker('DELETE', `/api/proof-links/${withdrawn.id}`).expect(204);
  for (const link of [old, dropped, withdrawn]) expect(await opens(link)).toBe(410);
});

test('no other secret opens anything, and trying many is stopped', async () => {
  await studio.stranger('GET', '/api/proof').expect(401);
  const statuses: number[] = [];
  for (let i = 0; i < 35; i++) {
    const secret = randomUUID().replaceAll('-', '').padEnd(43, 'x');
    // Whatever is asked for: all of it is behind the same door.
    const path = ['/api/proof', '/api/proof/whole?longer=100', '/api/proof/tiles/3/0/0'][i % 3];
    const { status } = await studio.stranger('GET', path).set(PROOF_HEADER, secret);
    statuses.push(status);
  }
  expect(statuses[0]).toBe(410);
  expect(statuses.at(-1)).toBe(429);
});
