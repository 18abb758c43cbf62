import { appendFileSync, closeSync, existsSync, fsyncSync, openSync, readFileSync } from 'node:fs';
import Joi from 'joi';

/** What a file was when it was seen: another of the same name differs in one of them. */
export interface Seen {
  readonly name: string;
  readonly size: number;
  /** ms since 1970. */
  readonly changed: number;
}

/** A line of the ledger. */
interface Line extends Seen {
  readonly sha256: string;
  /** What its films are named after: no two pictures share it. */
  readonly as: string;
  readonly state: 'begun' | 'done' | 'failed';
}

const lineSchema = Joi.object<Line>({
  name: Joi.string().required(),
  size: Joi.number().required(),
  changed: Joi.number().required(),
  sha256: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
  as: Joi.string().required(),
  state: Joi.valid('begun', 'done', 'failed').required(),
});

const keyOf = ({ name, size, changed }: Seen): string => JSON.stringify([name, size, changed]);
const pictureOf = (name: string, sha256: string): string => `${sha256} ${name}`;

/**
 * What became of every picture of a watched folder, kept in a file of a line each: what was made is not made again after a restart, and what was begun keeps the name that its
 * films go by.
 */
export class Ledger {
  private readonly ended = new Set<string>();
  private readonly made = new Set<string>();
  private readonly names = new Map<string, string>();

  constructor(private readonly path: string) {
    if (!existsSync(path)) return;
    for (const text of readFileSync(path, 'utf8').split('\n')) {
      const line = lineFrom(text);
      if (line) this.note(line);
    }
  }

  /** True where this very file was dealt with. */
  has(seen: Seen): boolean {
    return this.ended.has(keyOf(seen));
  }

  /** True where a file of this name and content was made. */
  hasMade(name: string, sha256: string): boolean {
    return this.made.has(pictureOf(name, sha256));
  }

  /** The name that films of a picture go by: its own, with a number where another picture has it. */
  nameFor(name: string, sha256: string, wanted: string): string {
    const known = this.names.get(pictureOf(name, sha256));
    if (known !== undefined) return known;
    const taken = new Set(this.names.values());
    let free = wanted;
    for (let number = 2; taken.has(free); number++) free = `${wanted} ${number}`;
    return free;
  }

  /** Writes a line, and waits until it is on the disk. */
  write(line: Line): void {
    this.note(line);
    const file = openSync(this.path, 'a');
    try {
      appendFileSync(file, `${JSON.stringify(line)}\n`);
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
  }

  private note(line: Line): void {
    const picture = pictureOf(line.name, line.sha256);
    // What failed leaves its name to what comes after it, such as the whole of a file that was half copied.
    if (line.state === 'failed') this.names.delete(picture);
    else this.names.set(picture, line.as);
    if (line.state === 'begun') return;
    this.ended.add(keyOf(line));
    if (line.state === 'done') this.made.add(picture);
  }
}

/** A line; undefined for one that a power cut left half written. */
function lineFrom(text: string): Line | undefined {
  try {
    const line = lineSchema.validate(JSON.parse(text));
    return line.error ? undefined : line.value;
  } catch {
    return undefined;
  }
}
