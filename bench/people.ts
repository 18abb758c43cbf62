/**
 * Ten people at a shared server of their own for some minutes: each saves what they change every few seconds, opens jobs, looks at the board and at
 * proofs, brings in photographs and has films made, as their browsers would ask. Run by `npm run bench:people [-- MINUTES]`.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { TOKEN_HEADER, type JobsPage, type JobView, type MeView, type NewLinkView } from '@brachytone/job';
import sharp from 'sharp';
import { residentBytes } from '../apps/server/src/readers/resident-bytes.ts';
import { RealServer } from '../apps/server/test/real-server.ts';

const MINUTES = Number(process.argv[2] ?? 10);
const PEOPLE = 10;
const PORT = 4309;
const PASSPHRASE = 'four words or so here';
const SECRET = 'of the bench of ten people, and of nothing else';

/** How often a person does something, s. */
const EVERY = { save: 4, open: 40, board: 60, proof: 20, upload: 120, films: 180 } as const;
type Deed = keyof typeof EVERY;

const took = new Map<string, number[]>();
const statuses = new Map<number, number>();

/** A person's browser: a cookie, and what is sent along with changes. */
class Person {
  private cookie = '';
  private token = '';

  constructor(private readonly url: string) {}

  async ask(deed: Deed | 'sign in', path: string, init: RequestInit = {}): Promise<Response> {
    const begun = performance.now();
    const answer = await fetch(this.url + path, {
      ...init,
      headers: {
        'Content-Type': 'application/json',
        ...(init.headers as Record<string, string>),
        cookie: this.cookie,
        [TOKEN_HEADER]: this.token,
      },
    });
    await answer.clone().arrayBuffer();
    const times = took.get(deed) ?? [];
    times.push(performance.now() - begun);
    took.set(deed, times);
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    if (answer.status >= 500) console.log(`${deed} ${path}: ${answer.status} ${await answer.clone().text()}`);
    return answer;
  }

  async comeIn(secret: string, name: string): Promise<void> {
    const answer = await this.ask(
      'sign in',
      '/api/welcome',
      send('POST', { secret, name, passphrase: PASSPHRASE }),
    );
    if (!answer.ok) throw new Error(await answer.text());
    this.cookie = answer.headers.getSetCookie()[0].split(';')[0];
    this.token = ((await (await this.ask('sign in', '/api/me')).json()) as MeView).token;
  }
}

const send = (method: string, body: unknown): RequestInit => ({ method, body: JSON.stringify(body) });

const photograph = (width: number, height: number): Promise<Buffer> =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .jpeg({ quality: 85 })
    .toBuffer();

/** What a person does, each by itself. */
function deedsOf(person: Person, place: number, own: string): Record<Deed, () => Promise<unknown>> {
  let now: JobView | undefined;
  return {
    save: async () => {
      now ??= (await (await person.ask('open', `/api/jobs/${own}`)).json()) as JobView;
      const { recipe } = now.document;
      const width = 100 + Math.floor(Math.random() * 500) / 10;
      const document = { ...now.document, recipe: { ...recipe, sheet: { ...recipe.sheet, width } } };
      const patch = { op: 'replace' as const, path: ['recipe', 'sheet', 'width'] };
      const step = {
        label: 'Sheet size',
        forward: [{ ...patch, value: width }],
        backward: [{ ...patch, value: recipe.sheet.width }],
      };
      const from = now.steps.length;
      const answer = await person.ask(
        'save',
        `/api/jobs/${own}`,
        send('PUT', {
          revision: now.revision,
          document,
          history: { from, steps: [step], position: from + 1 },
        }),
      );
      if (!answer.ok) {
        now = undefined;
        return;
      }
      const { revision } = (await answer.json()) as { revision: number };
      now = { ...now, document, revision, steps: [...now.steps, step] };
    },
    open: () => person.ask('open', `/api/jobs/${own}`),
    board: () => person.ask('board', '/api/jobs'),
    // Of a state that nobody has looked at yet.
    proof: () => person.ask('proof', `/api/jobs/${own}/proof.png?longer=448&revision=${now?.revision ?? 0}`),
    upload: async () =>
      person.ask('upload', '/api/files', {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: new Uint8Array(await photograph(2000 + 50 * place, 1500 + Math.floor(Math.random() * 500))),
      }),
    films: () => person.ask('films', '/api/runs', send('POST', { jobId: own })),
  };
}

const folder = mkdtempSync(join(tmpdir(), 'people-'));
const server = new RealServer(PORT, folder, {
  BRACHYTONE_SHARED: 'on',
  BRACHYTONE_SECRET: SECRET,
  BRACHYTONE_DEMO: 'on',
});
await server.start();
while (!server.output.includes('/welcome#')) await pause(50);
const url = `http://127.0.0.1:${PORT}`;
const people = Array.from({ length: PEOPLE }, () => new Person(url));
await people[0].comeIn(/\/welcome#([\w-]+)/.exec(server.output)?.[1] ?? '', 'Olga');
for (const [i, person] of people.entries()) {
  if (i === 0) continue;
  const invitation = await people[0].ask(
    'sign in',
    '/api/invitations',
    send('POST', { meant: `P ${i}`, role: 'maker' }),
  );
  await person.comeIn(((await invitation.json()) as NewLinkView).path.split('#')[1], `Person ${i}`);
}
const { jobs } = (await (await people[0].ask('board', '/api/jobs')).json()) as JobsPage;
took.clear();

let most = 0;
const watching = setInterval(() => {
  most = Math.max(most, residentBytes(server.child?.pid ?? 0) ?? 0);
}, 500);
const until = Date.now() + MINUTES * 60_000;
await Promise.all(
  people.flatMap((person, i) => {
    const deeds = deedsOf(person, i, jobs[i % jobs.length].id);
    return Object.entries(EVERY).map(async ([deed, seconds]) => {
      await pause(Math.random() * seconds * 1000);
      while (Date.now() < until) {
        await deeds[deed as Deed]().catch((error: Error) => console.log(`${deed}: ${error.message}`));
        // Once in so often on the mean, however long it took.
        await pause((0.5 + Math.random()) * seconds * 1000);
      }
    });
  }),
);
clearInterval(watching);

const at = (times: readonly number[], share: number): string =>
  `${Math.round([...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))])} ms`;
console.log(`\n${PEOPLE} people, ${MINUTES} minutes\n`);
console.log('| what | times | median | 95 % | longest |\n| --- | ---: | ---: | ---: | ---: |');
for (const [deed, times] of took)
  console.log(`| ${deed} | ${times.length} | ${at(times, 0.5)} | ${at(times, 0.95)} | ${at(times, 1)} |`);
console.log(
  `\nAnswers: ${[...statuses]
    .sort()
    .map(([status, count]) => `${count} × ${status}`)
    .join(', ')}. Most memory: ${Math.round(most / 1e6)} MB.`,
);
await server.end('SIGTERM');
rmSync(folder, { recursive: true, force: true });
