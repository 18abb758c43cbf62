import { desc, eq } from 'drizzle-orm';
import { runs } from '../../database/schema.ts';
import type { RunFilm } from '@brachytone/job';
import { amountOf, daysAgo, type StorageContext, type StoredKind } from '../stored-kind.ts';

const bytesOf = ({ films }: { readonly films: readonly RunFilm[] }): number =>
  films.reduce((sum, { bytes }) => sum + bytes, 0);

const made = ({ database }: StorageContext) =>
  database.queries
    .select({ id: runs.id, films: runs.films, ended: runs.ended })
    .from(runs)
    .where(eq(runs.status, 'done'))
    .orderBy(desc(runs.created));

/** Films of finished runs. The runs stay on the list, to be made again, once their films are gone. */
export const films: StoredKind<string> = {
  id: 'films',
  takes: async (context) => amountOf((await made(context)).map(bytesOf)),
  cleaning: {
    rules: ['all', 'runs', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'runs' && rule.by !== 'days') return { ...amountOf([]), items: [] };
      const all = await made(context);
      const gone =
        rule.by === 'runs'
          ? all.slice(rule.runs)
          : all.filter(({ ended }) => ended !== null && ended < daysAgo(rule.days));
      return { ...amountOf(gone.map(bytesOf)), items: gone.map(({ id }) => id) };
    },
    remove: ({ runs: service }, items) => service.cleanAway(items),
  },
};
