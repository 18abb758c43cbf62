import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { corpus } from './corpus.ts';
import { mutatedBytes, mutatedDocument, mutatedText } from './mutate.ts';
import { Random } from './random.ts';

/** An input that did what none may do. */
export interface Failure {
  readonly input: number;
  readonly kind: string;
  readonly what: string;
}

/** What came of all inputs. */
export interface Outcome {
  readonly taken: number;
  readonly refused: number;
  readonly slowest: number;
  readonly failures: readonly Failure[];
}

export interface FuzzWish {
  readonly api: string;
  readonly seed: number;
  readonly count: number;
  /** Longest time for an answer, ms. */
  readonly most: number;
  /** Where inputs that failed are kept. */
  readonly failuresFolder?: string;
  readonly onInput?: (done: number) => void;
}

/** One of so many inputs that are taken is made something of. */
const MADE_OF = 3;

interface Answer {
  readonly status: number;
  readonly body: unknown;
  readonly time: number;
}

/** Sends a server seeded, broken inputs: files of every kind that is taken in, and job documents. */
export async function fuzz({ api, seed, count, most, failuresFolder, onInput }: FuzzWish): Promise<Outcome> {
  const random = new Random(seed);
  const samples = await corpus();
  const failures: Failure[] = [];
  let [taken, refused, slowest] = [0, 0, 0];
  const ask = async (path: string, init?: RequestInit): Promise<Answer> => {
    const began = performance.now();
    const answer = await fetch(`${api}/${path}`, { ...init, signal: AbortSignal.timeout(2 * most) });
    const body: unknown = answer.headers.get('content-type')?.includes('json')
      ? await answer.json()
      : await answer.arrayBuffer();
    const time = performance.now() - began;
    slowest = Math.max(slowest, time);
    return { status: answer.status, body, time };
  };
  const post = (path: string, body: object) =>
    ask(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  const bring = (bytes: Uint8Array) =>
    ask('files', {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(bytes),
    });
  const idOf = ({ body }: Answer) => (body as { id: string }).id;
  const plain = await bring(samples.find(({ kind }) => kind === 'PNG')?.bytes ?? new Uint8Array());
  const { sha256 } = plain.body as { sha256: string };
  const { document } = (await post('jobs', { picture: { sha256, name: 'a.png' } })).body as {
    document: object;
  };

  for (let input = 0; input < count; input++) {
    const turn = random.below(samples.length + 4);
    const sample = samples.at(turn < samples.length ? turn : 0);
    const isDocument = turn >= samples.length || !sample;
    const kind = isDocument ? 'job document' : sample.kind;
    let sent: Uint8Array | string = '';
    const check = ({ status, body, time }: Answer) => {
      if (status >= 500) throw new Error(`${status} ${JSON.stringify(body)}`);
      if (time > most) throw new Error(`${Math.round(time)} ms`);
      return status < 400;
    };
    try {
      if (isDocument) {
        const changed = mutatedDocument(document, random);
        sent = JSON.stringify(changed);
        const answer = await post('jobs', { document: changed });
        if (check(answer)) {
          taken++;
          if (random.below(MADE_OF) === 0) check(await ask(`jobs/${idOf(answer)}/proof.png?longer=64`));
        } else refused++;
      } else {
        const bytes =
          sample.isText && random.next() < 0.7
            ? new TextEncoder().encode(mutatedText(new TextDecoder().decode(sample.bytes), random))
            : mutatedBytes(sample.bytes, random);
        sent = bytes;
        const answer = await bring(bytes);
        if (check(answer)) {
          taken++;
          const { sha256: own, kind: is } = answer.body as { sha256: string; kind: string };
          if (random.below(MADE_OF) === 0) {
            if (is === 'profile') check(await ask(`files/${own}/separation?intent=relative&compensate=true`));
            else if (is !== 'font') {
              const job = await post('jobs', { picture: { sha256: own, name: 'b' } });
              if (check(job)) check(await ask(`jobs/${idOf(job)}/proof.png?longer=64`));
            }
          }
        } else refused++;
      }
      check(await ask('health'));
    } catch (error) {
      failures.push({ input, kind, what: error instanceof Error ? error.message : String(error) });
      if (failuresFolder) {
        mkdirSync(failuresFolder, { recursive: true });
        writeFileSync(join(failuresFolder, `${seed}-${input}-${kind.replaceAll(' ', '-')}`), sent);
      }
    }
    onInput?.(input + 1);
  }
  return { taken, refused, slowest, failures };
}
