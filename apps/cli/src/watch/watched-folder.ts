import { readFileSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileSum } from '@brachytone/files/read';
import { proofPng, sceneOf, writeWhole } from '@brachytone/files/write';
import { plainName, type JobDocument } from '@brachytone/job';
import { lineOf } from '../failure.ts';
import { makeFilms } from '../make-films.ts';
import { Originals } from '../originals.ts';
import { Ledger, type Seen } from './ledger.ts';
import { SettledFiles } from './settled-files.ts';

export interface WatchWishes {
  readonly folder: string;
  readonly out: string;
  /** ms that a file has to stay the same until it counts as whole. */
  readonly settle: number;
  /** Longer side of the proofs, pixels; 0 for none. */
  readonly pixels: number;
  /** The job of a picture. */
  readonly jobOf: (bytes: Uint8Array, name: string, originals: Originals) => Promise<JobDocument>;
  readonly say: (line: string) => void;
  readonly signal: AbortSignal;
}

/** Name of the file that says what became of each picture. */
export const LEDGER = '.brachytone-watch.jsonl';

/** Makes the films of pictures that are put in a folder: of each once, whatever happens. */
export class WatchedFolder {
  private readonly ledger: Ledger;
  private readonly files: SettledFiles;
  private readonly originals = new Originals();

  constructor(private readonly wishes: WatchWishes) {
    this.ledger = new Ledger(join(wishes.out, LEDGER));
    this.files = new SettledFiles(wishes.folder, wishes.settle);
    // What was being written when the power went.
    for (const name of readdirSync(wishes.out))
      if (name.endsWith('.part')) rmSync(join(wishes.out, name), { force: true });
  }

  /** Deals with what is whole by now; gives how many pictures that were. */
  async look(): Promise<number> {
    const whole = this.files.look().filter((seen) => !this.ledger.has(seen));
    for (const seen of whole) {
      if (this.wishes.signal.aborted) break;
      await this.take(seen);
    }
    return whole.length;
  }

  private async take(seen: Seen): Promise<void> {
    const { folder, say, signal } = this.wishes;
    const { name } = seen;
    let bytes: Uint8Array;
    try {
      bytes = readFileSync(join(folder, name));
    } catch {
      // It was taken away again, or cannot be read yet: if it is there, it is looked at again.
      return;
    }
    const now = this.files.seen(name);
    // Somebody is still at it.
    if (now?.size !== seen.size || now.changed !== seen.changed) return;
    const sha256 = fileSum(bytes);
    const as = this.ledger.nameFor(name, sha256, plainName(name.replace(/\.[^.]+$/, '')) || 'picture');
    const line = { ...seen, sha256, as };
    if (this.ledger.hasMade(name, sha256)) {
      this.ledger.write({ ...line, state: 'done' });
      return;
    }
    this.ledger.write({ ...line, state: 'begun' });
    const problem = join(this.wishes.out, `${as}.problem.txt`);
    try {
      const films = await this.make(bytes, name, as);
      rmSync(problem, { force: true });
      this.ledger.write({ ...line, state: 'done' });
      say(`${name}: ${films} ${films === 1 ? 'film' : 'films'}`);
    } catch (error) {
      if (signal.aborted) return;
      writeWhole(problem, `${name}: ${lineOf(error)}\n`);
      this.ledger.write({ ...line, state: 'failed' });
      say(`${name}: ${lineOf(error)}`);
    } finally {
      this.originals.forget();
    }
  }

  private async make(bytes: Uint8Array, name: string, as: string): Promise<number> {
    const { jobOf, out, pixels, signal } = this.wishes;
    const document = { ...(await jobOf(bytes, name, this.originals)), name: as };
    const films = await makeFilms(document, this.originals, out, () => undefined, signal);
    if (pixels > 0) {
      const scene = sceneOf(document.recipe, await this.originals.materials(document.recipe));
      writeWhole(join(out, `${as}-proof.png`), await proofPng(scene, pixels));
    }
    return films.filter(({ bytes: size }) => size > 0).length;
  }
}
