import type {
  Gang,
  FileKind,
  JobDocument,
  JobStep,
  OriginalFacts,
  NamedScreen,
  Preparation,
  PullPrint,
  RunFilm,
  RunStatus,
  Series,
  ShelfInk,
  Treatment,
} from '@brachytone/job';
import type { Calibration, Press, Stock } from '@brachytone/core';
import {
  boolean,
  customType,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';

const bytea = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });
const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** Files brought in, by the SHA-256 of their bytes. Sizes are of the working picture, the right way up. */
export const originals = pgTable('originals', {
  sha256: text('sha256').primaryKey(),
  kind: text('kind').$type<FileKind>().notNull().default('picture'),
  byteLength: integer('byte_length').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  channels: integer('channels').notNull(),
  /** Level of the pyramid that is also kept by itself, to show something soon. */
  smallLevel: integer('small_level').notNull(),
  facts: jsonb('facts').$type<OriginalFacts>().notNull(),
  created: moment('created').notNull().defaultNow(),
  /** When it was last brought in. */
  touched: moment('touched').notNull().defaultNow(),
});

/** Bytes of an original in parts: as brought in, the working picture (PNG), and a small level of it (PNG). */
export const originalBytes = pgTable(
  'original_bytes',
  {
    sha256: text('sha256').notNull(),
    kind: text('kind').$type<'source' | 'working' | 'small'>().notNull(),
    part: integer('part').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.sha256, table.kind, table.part] })],
);

export const jobs = pgTable('jobs', {
  id: uuid('id').primaryKey(),
  document: jsonb('document').$type<JobDocument>().notNull(),
  /** Goes up by one with every save. */
  revision: integer('revision').notNull(),
  /** How many of the job's steps are done; the rest are undone and can be done again. */
  position: integer('position').notNull().default(0),
  /** Who changed it last: the name, where people sign in. */
  changedBy: text('changed_by'),
  putAway: boolean('put_away').notNull().default(false),
  /** When it was put away or taken out, if it ever was. */
  putAwayChanged: moment('put_away_changed'),
  created: moment('created').notNull().defaultNow(),
  touched: moment('touched').notNull().defaultNow(),
});

/** What can be kept to be used again, by kind. */
export interface ShelfItems {
  readonly preparation: Preparation;
  readonly screen: NamedScreen;
  readonly ink: ShelfInk;
  readonly stock: Stock;
  readonly press: Press;
  readonly calibration: Calibration;
  readonly treatment: Treatment;
}

/** What is kept to be used again. */
export const shelf = pgTable('shelf', {
  id: uuid('id').primaryKey(),
  kind: text('kind').$type<keyof ShelfItems>().notNull(),
  item: jsonb('item').$type<ShelfItems[keyof ShelfItems]>().notNull(),
  created: moment('created').notNull().defaultNow(),
});

/** The undo history: steps of a job in order. */
export const jobSteps = pgTable(
  'job_steps',
  {
    jobId: uuid('job_id').notNull(),
    sequence: integer('sequence').notNull(),
    step: jsonb('step').$type<JobStep>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.sequence] })],
);

/** States of jobs that were kept under a name. */
export const pulls = pgTable('pulls', {
  id: uuid('id').primaryKey(),
  jobId: uuid('job_id').notNull(),
  name: text('name').notNull(),
  document: jsonb('document').$type<JobDocument>().notNull(),
  /** A simulated print of its films. */
  print: jsonb('print').$type<PullPrint>(),
  created: moment('created').notNull().defaultNow(),
});

/** Films being made or made, from a job as it was when asked. */
export const runs = pgTable('runs', {
  id: uuid('id').primaryKey(),
  jobId: uuid('job_id').notNull(),
  document: jsonb('document').$type<JobDocument>().notNull(),
  status: text('status').$type<RunStatus>().notNull(),
  films: jsonb('films').$type<RunFilm[]>().notNull(),
  message: text('message'),
  /** Jobs that share its films; null for films of one. Its job and document are then those of the first. */
  gang: jsonb('gang').$type<Gang>(),
  /** What a run of a series is made from besides its job; null for a run of a job by itself. */
  series: jsonb('series').$type<Series>(),
  /** What was said of the approval of each job's proof when it was asked for; null for none. */
  approvals: jsonb('approvals').$type<(string | null)[]>().notNull().default([]),
  /** How often it was begun: a run that the server did not survive is begun again, but not for ever. */
  attempts: integer('attempts').notNull().default(0),
  created: moment('created').notNull().defaultNow(),
  ended: moment('ended'),
});

/** What a job is made for besides its own picture: pictures and rows of a table. */
export const series = pgTable('series', {
  jobId: uuid('job_id').primaryKey(),
  series: jsonb('series').$type<Series>().notNull(),
  /** Goes up by one with every save. */
  revision: integer('revision').notNull(),
  touched: moment('touched').notNull().defaultNow(),
});

/** Places of workers at which a film can be made; one that was not seen for a while is gone. */
export const workers = pgTable('workers', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  seen: moment('seen').notNull().defaultNow(),
  /** The queue's number of what it is at, and the film that is: a run, and its place in it. */
  task: uuid('task'),
  run: uuid('run'),
  film: integer('film'),
});

/** What the people of a studio decided for all jobs, by name. */
export const preferences = pgTable('preferences', {
  name: text('name').primaryKey(),
  value: jsonb('value').notNull(),
});

/** Tables whose rows have documents. */
export type WithDocuments = 'jobs' | 'pulls' | 'runs';

/** Rows whose documents this program cannot read, as they were; they come back once it can. */
export const setAside = pgTable('set_aside', {
  id: uuid('id').primaryKey(),
  from: text('from').$type<WithDocuments>().notNull(),
  row: jsonb('row').$type<Readonly<Record<string, unknown>>>().notNull(),
  /** What is wrong, in a sentence. */
  reason: text('reason').notNull(),
  created: moment('created').notNull().defaultNow(),
});

/** Documents as they were before they were brought up to date. */
export const olderDocuments = pgTable(
  'older_documents',
  {
    id: uuid('id').notNull(),
    version: integer('version').notNull(),
    from: text('from').$type<WithDocuments>().notNull(),
    document: jsonb('document').notNull(),
    created: moment('created').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.id, table.version] })],
);

/** Work with what came from outside that took too long or too much: it is not begun again by itself for a while. */
export const refusedWork = pgTable('refused_work', {
  /** What it was: the name of the work and what it was done with. */
  key: text('key').primaryKey(),
  title: text('title').notNull(),
  detail: text('detail').notNull(),
  created: moment('created').notNull().defaultNow(),
});
