import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { difference2000, INTENTS, type Intent, type Lab, newProcess } from '@brachytone/core';
import {
  PROCESS_IDS,
  PRINTING_CONDITIONS,
  withCondition,
  type JobWithDocument,
  type JobView,
  type OriginalView,
  type ProfileView,
} from '@brachytone/job';
import sharp from 'sharp';
import { send, startJob, startServer, type Harness } from './harness.ts';

/** A press's profile from Debian's package libgs-common. */
const PROFILE = '/usr/share/color/icc/ghostscript/default_cmyk.icc';
const TRANSICC = '/usr/bin/transicc';
const SIZE = 33;

let harness: Harness;
let view: OriginalView;
beforeAll(async () => {
  for (const [file, name] of [
    [PROFILE, 'libgs-common'],
    [TRANSICC, 'liblcms2-utils'],
  ]) {
    if (!existsSync(file)) throw new Error(`${file} is missing; it comes with Debian’s ${name}.`);
  }
  harness = await startServer();
  view = (await send(harness, readFileSync(PROFILE)).expect(201)).body as OriginalView;
});
afterAll(() => harness.close());

/** What Little CMS's own command-line tool makes of colours, in percent or Lab. */
function transicc(args: string[], colours: readonly (readonly number[])[]): number[][] {
  const input = colours.map((one) => one.join(' ')).join('\n');
  const out = execFileSync(TRANSICC, ['-n', ...args], {
    input,
    stdio: ['pipe', 'pipe', 'ignore'],
  }).toString();
  return out
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number))
    .filter((line) => line.length > 1 && line.every(Number.isFinite));
}

async function table(intent: Intent, compensate: boolean): Promise<Uint16Array> {
  const { body } = await harness.http
    .get(`/api/files/${view.sha256}/separation?intent=${intent}&compensate=${compensate}`)
    .responseType('blob')
    .expect(200);
  const bytes = Uint8Array.from(body as Buffer);
  return new Uint16Array(bytes.buffer);
}

describe('a press’s ICC profile', () => {
  it('is taken in by its content, and says what it is', () => {
    expect(view.kind).toBe('profile');
    expect(view.facts).toMatchObject({ format: 'ICC', colour: 'CMYK' });
    expect(view.facts.profile!.length).toBeGreaterThan(3);
  });
  it.each(INTENTS.flatMap((intent) => [[intent, false] as const, [intent, true] as const]))(
    'separates as Little CMS’s own tool does: %s, black fitted: %s',
    async (intent, compensate) => {
      const data = await table(intent, compensate);
      expect(data.length).toBe(SIZE ** 3 * 4);
      const places = Array.from({ length: 60 }, (_, i) => [
        (i * 7) % SIZE,
        (i * 11) % SIZE,
        (i * 17 + 3) % SIZE,
      ]);
      const rgb = places.map((place) => place.map((one) => ((SIZE - 1 - one) / (SIZE - 1)) * 255));
      const wanted = transicc(
        ['-c0', `-t${INTENTS.indexOf(intent)}`, ...(compensate ? ['-b'] : []), '-i*sRGB', `-o${PROFILE}`],
        rgb,
      );
      expect(wanted).toHaveLength(places.length);
      places.forEach(([r, g, b], i) => {
        for (let k = 0; k < 4; k++) {
          const made = (data[((r * SIZE + g) * SIZE + b) * 4 + k] / 65535) * 100;
          expect(Math.abs(made - wanted[i][k])).toBeLessThan(1);
        }
      });
    },
  );
  it('has the solids and overprints that the tool reads from it', async () => {
    const { solids, paper } = (await harness.http.get(`/api/files/${view.sha256}/profile`).expect(200))
      .body as ProfileView;
    const inks = Array.from({ length: 16 }, (_, set) => [0, 1, 2, 3].map((k) => (set & (1 << k) ? 100 : 0)));
    const wanted = transicc(['-c0', '-t3', `-i${PROFILE}`, '-o*Lab'], inks) as unknown as Lab[];
    wanted.forEach((lab, set) => expect(difference2000(lab, solids[set])).toBeLessThan(0.3));
    expect(paper).toEqual(solids[0]);
  });
  it('separates a job: its films are made, and its proof', async () => {
    const { job } = (await startJob(harness)) as { job: JobWithDocument };
    const { body } = await harness.http.get(`/api/jobs/${job.id}`);
    const { document, revision } = body as JobView;
    const process = withCondition(document.recipe, document.recipe.originals[0].id, PRINTING_CONDITIONS[0]);
    const recipe = {
      ...process,
      originals: process.originals.map((one) => ({
        ...one,
        route: {
          kind: 'profile',
          ...PROCESS_IDS,
          profile: view.sha256,
          intent: 'relative',
          compensate: true,
        },
      })),
    };
    const save = (next: unknown, at: number) =>
      harness.http.put(`/api/jobs/${job.id}`).send({
        revision: at,
        document: { ...document, recipe: next },
        history: { from: 0, steps: [], position: 0 },
      });
    await save(recipe, revision).expect(200);
    const byProfile = (await harness.http.get(`/api/jobs/${job.id}/proof.png?longer=120`).expect(200))
      .body as Buffer;
    const model = process.originals.map((one) => ({ ...one, route: newProcess(PROCESS_IDS, 300) }));
    await save({ ...process, originals: model }, revision + 1).expect(200);
    const byModel = (await harness.http.get(`/api/jobs/${job.id}/proof.png?longer=120`).expect(200))
      .body as Buffer;
    const mean = async (png: Buffer) => (await sharp(png).stats()).channels.map((one) => one.mean);
    const [a, b] = [await mean(byProfile), await mean(byModel)];
    // Two ways to the same picture.
    a.forEach((one, k) => expect(Math.abs(one - b[k])).toBeLessThan(40));
    const missing = recipe.originals.map((one) => ({
      ...one,
      route: { ...one.route, profile: '0'.repeat(64) },
    }));
    const refused = await save({ ...recipe, originals: missing }, revision + 2).expect(422);
    expect((refused.body as { detail: string }).detail).toContain('colour profile that was never brought in');
  });
  it('one that is for no press, or damaged, is refused with a sentence', async () => {
    const rgb = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#888' } })
      .withIccProfile('srgb')
      .png()
      .toBuffer();
    const { icc } = await sharp(rgb).metadata();
    const display = await send(harness, icc!).expect(422);
    expect((display.body as { detail: string }).detail).toContain('takes one of a press, for CMYK');
    const cut = readFileSync(PROFILE).subarray(0, 4000);
    const damaged = await send(harness, cut).expect(422);
    expect((damaged.body as { detail: string }).detail).toContain('Nothing was added');
    await harness.http
      .get(`/api/files/${view.sha256}/separation?intent=sideways&compensate=true`)
      .expect(422);
    await harness.http
      .post('/api/jobs')
      .send({ picture: { sha256: view.sha256, name: 'press.icc' } })
      .expect(422);
  });
});
