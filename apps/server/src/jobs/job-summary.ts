import type { Recipe } from '@brachytone/core';
import type { JobSummary } from '@brachytone/job';
import { sql } from 'drizzle-orm';
import { jobs } from '../database/schema.ts';

const part = <T>(path: string) => sql<T>`${jobs.document} #> ${path}::text[]`;

/** Columns of a summary: parts of the document, without pictures' steps and strokes, which can be megabytes. */
export const SUMMARY = {
  id: jobs.id,
  revision: jobs.revision,
  putAway: jobs.putAway,
  touched: jobs.touched,
  changedBy: jobs.changedBy,
  name: sql<string>`${jobs.document} ->> 'name'`,
  sheet: part<Recipe['sheet']>('{recipe,sheet}'),
  stock: part<Recipe['stock']>('{recipe,stock}'),
  inks: part<Recipe['inks']>('{recipe,inks}'),
  plates: sql<Pick<Recipe['plates'][number], 'ink' | 'screen' | 'printed'>[]>`(
    select coalesce(jsonb_agg(jsonb_build_object('ink', plate -> 'ink', 'screen', plate -> 'screen', 'printed', plate -> 'printed') order by place), '[]')
    from jsonb_array_elements(${jobs.document} #> '{recipe,plates}') with ordinality as plates(plate, place)
  )`,
};

type SummaryRow = Omit<typeof jobs.$inferSelect, 'document' | 'position' | 'created' | 'putAwayChanged'> & {
  readonly name: string;
  readonly sheet: Recipe['sheet'];
  readonly stock: Recipe['stock'];
  readonly inks: Recipe['inks'];
  readonly plates: readonly Pick<Recipe['plates'][number], 'ink' | 'screen' | 'printed'>[];
};

export const summaryOf = ({ touched, sheet, stock, inks, plates, ...row }: SummaryRow): JobSummary => ({
  ...row,
  touched: touched.toISOString(),
  sheet: { width: sheet.width, height: sheet.height, resolution: sheet.resolution },
  stock: { name: stock.name, lab: stock.lab },
  inks: inks.map(({ name }) => name),
  plates: plates.map(({ ink, screen, printed }) => ({
    ink: inks.find(({ id }) => id === ink)?.name ?? ink,
    screen,
    printed,
  })),
});
