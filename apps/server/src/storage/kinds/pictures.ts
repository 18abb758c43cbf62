import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { amountOf, daysAgo, type StorageContext, type StoredKind } from '../stored-kind.ts';

interface Picture {
  readonly path: string;
  readonly bytes: number;
  /** When it was last shown. */
  readonly shown: Date;
}

/** Pictures of proofs that are kept, lately shown first. */
async function pictures({ dataFolder }: StorageContext): Promise<Picture[]> {
  const folder = join(dataFolder, 'proofs');
  const names = (await readdir(folder).catch(() => [])).filter((name) => /^[0-9a-f]{64}\.png$/.test(name));
  const found: Picture[] = [];
  for (const name of names) {
    const path = join(folder, name);
    // One may be gone by now.
    const facts = await stat(path).catch(() => undefined);
    if (facts) found.push({ path, bytes: facts.size, shown: facts.mtime });
  }
  return found.sort((a, b) => b.shown.getTime() - a.shown.getTime());
}

/** Pictures of proofs, which are made again whenever they are asked for: those shown longest ago go first. */
export const proofPictures: StoredKind<string> = {
  id: 'pictures',
  takes: async (context) => amountOf((await pictures(context)).map(({ bytes }) => bytes)),
  cleaning: {
    rules: ['size', 'days'],
    usual: { by: 'size', megabytes: 500 },
    async beyond(context, rule) {
      const all = await pictures(context);
      let total = 0;
      const gone = all.filter(({ bytes, shown }) => {
        total += bytes;
        if (rule.by === 'size') return total > rule.megabytes * 1e6;
        return rule.by === 'days' && shown < daysAgo(rule.days);
      });
      return { ...amountOf(gone.map(({ bytes }) => bytes)), items: gone.map(({ path }) => path) };
    },
    async remove(_, items) {
      for (const path of items) await rm(path, { force: true });
    },
  },
};
