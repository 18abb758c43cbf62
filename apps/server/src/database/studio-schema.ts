import type { LinkKind, ProofAnswer, Role, SheetPlace } from '@brachytone/job';
import { boolean, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';

import { pulls } from './schema.ts';

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** People of a studio. Accounts, sessions and credentials have the columns that the library for them asks for. */
export const people = pgTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** The name that is signed in with: small letters, single spaces. */
  username: text('username').notNull().unique(),
  displayUsername: text('display_username').notNull(),
  /** An address that cannot be written to: people are known by name here. */
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  role: text('role').$type<Role>().notNull(),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

export const sessions = pgTable('sessions', {
  id: text('id').primaryKey(),
  token: text('token').notNull().unique(),
  userId: text('person_id')
    .notNull()
    .references(() => people.id, { onDelete: 'cascade' }),
  expiresAt: moment('expires_at').notNull(),
  ipAddress: text('ip_address'),
  userAgent: text('user_agent'),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

export const credentials = pgTable('credentials', {
  id: text('id').primaryKey(),
  accountId: text('account_id').notNull(),
  providerId: text('provider_id').notNull(),
  userId: text('person_id')
    .notNull()
    .references(() => people.id, { onDelete: 'cascade' }),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: moment('access_token_expires_at'),
  refreshTokenExpiresAt: moment('refresh_token_expires_at'),
  scope: text('scope'),
  /** Hash of the passphrase, Argon2id. */
  password: text('password'),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

export const verifications = pgTable('verifications', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: moment('expires_at').notNull(),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
});

/** Links that work once: to become the owner, to join, or to choose another passphrase. */
export const oneTimeLinks = pgTable('one_time_links', {
  id: uuid('id').primaryKey(),
  /** SHA-256 of the secret in the link. */
  hash: text('hash').notNull().unique(),
  kind: text('kind').$type<LinkKind>().notNull(),
  role: text('role').$type<Role>().notNull(),
  /** Whom it is meant for, in the words of whoever made it. */
  meant: text('meant').notNull(),
  /** Whose passphrase it changes. */
  person: text('person').references(() => people.id, { onDelete: 'cascade' }),
  madeBy: text('made_by'),
  created: moment('created').notNull().defaultNow(),
  expires: moment('expires').notNull(),
  used: moment('used'),
});

/** Tokens that programs ask with, for the person who made them. */
export const tokens = pgTable('tokens', {
  id: uuid('id').primaryKey(),
  /** SHA-256 of the token. */
  hash: text('hash').notNull().unique(),
  name: text('name').notNull(),
  role: text('role').$type<Role>().notNull(),
  person: text('person')
    .notNull()
    .references(() => people.id, { onDelete: 'cascade' }),
  created: moment('created').notNull().defaultNow(),
  lastUsed: moment('last_used'),
});

/** Who did what, newest last; nothing is taken out of it. */
export const audit = pgTable('audit', {
  id: uuid('id').primaryKey(),
  at: moment('at').notNull().defaultNow(),
  /** Id of the person, or null for what was done with nobody signed in. */
  person: text('person'),
  /** The name as it was then. */
  name: text('name').notNull(),
  did: text('did').notNull(),
  /** What it was done to: an address. */
  subject: text('subject').notNull(),
  detail: jsonb('detail').$type<Readonly<Record<string, unknown>>>(),
});

/** Links to proofs, for people who are not of the studio. */
export const proofLinks = pgTable('proof_links', {
  id: uuid('id').primaryKey(),
  /** SHA-256 of the secret in the link. */
  hash: text('hash').notNull().unique(),
  jobId: uuid('job_id').notNull(),
  /** The state of the job that it shows, kept as a pull. */
  pull: uuid('pull')
    .notNull()
    .references(() => pulls.id, { onDelete: 'cascade' }),
  meant: text('meant').notNull(),
  madeBy: text('made_by'),
  created: moment('created').notNull().defaultNow(),
  expires: moment('expires').notNull(),
  opened: moment('opened'),
  answer: jsonb('answer').$type<ProofAnswer>(),
});

/** What is said of proofs. */
export const proofComments = pgTable('proof_comments', {
  id: uuid('id').primaryKey(),
  link: uuid('link')
    .notNull()
    .references(() => proofLinks.id, { onDelete: 'cascade' }),
  name: text('name').notNull(),
  text: text('text').notNull(),
  place: jsonb('place').$type<SheetPlace>(),
  fromStudio: boolean('from_studio').notNull(),
  done: boolean('done').notNull().default(false),
  at: moment('at').notNull().defaultNow(),
});
