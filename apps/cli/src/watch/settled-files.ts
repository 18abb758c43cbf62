import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Seen } from './ledger.ts';

/** Endings of files that may be pictures; what they hold is told by their content. */
const ENDINGS = /\.(jpe?g|png|tiff?|webp|avif|svg)$/i;

/**
 * Files of a folder that are whole: they were the same for a while. The folder is looked at again and again, as notices of changes get lost where
 * many files come at once, and shared folders send none.
 */
export class SettledFiles {
  private before = new Map<string, { size: number; changed: number; since: number }>();

  /** @param settle ms that a file has to stay the same */
  constructor(
    private readonly folder: string,
    private readonly settle: number,
  ) {}

  /** Files that are whole by now, by name. */
  look(now = Date.now()): Seen[] {
    const next: typeof this.before = new Map();
    const whole: Seen[] = [];
    for (const { name, size, changed } of this.files()) {
      const was = this.before.get(name);
      const isSame = was?.size === size && was.changed === changed;
      const since = isSame ? was.since : now;
      next.set(name, { size, changed, since });
      if (isSame && size > 0 && now - since >= this.settle) whole.push({ name, size, changed });
    }
    this.before = next;
    return whole;
  }

  /** What a file is now; undefined where it is gone. */
  seen(name: string): Seen | undefined {
    const found = statSync(join(this.folder, name), { throwIfNoEntry: false });
    return found?.isFile() ? { name, size: found.size, changed: found.mtimeMs } : undefined;
  }

  private files(): Seen[] {
    return readdirSync(this.folder)
      .filter((name) => !name.startsWith('.') && ENDINGS.test(name))
      .sort()
      .flatMap((name) => this.seen(name) ?? []);
  }
}
