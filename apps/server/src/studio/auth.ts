import { randomUUID } from 'node:crypto';
import { LONGEST_PERSON_NAME, PASSPHRASE_LENGTH } from '@brachytone/job';
import type { Database } from '../database/database.ts';
import { credentials, people, sessions, verifications } from '../database/studio-schema.ts';
import type { StudioSettings } from '../settings.ts';

/** How long somebody stays signed in without coming back, and how often that is put off, s. */
const SESSION = { expiresIn: 14 * 86_400, updateAge: 86_400 } as const;

/** A name as it is compared: small letters, single spaces. */
export const plainPersonName = (name: string): string =>
  name.normalize('NFKC').trim().replace(/\s+/g, ' ').toLowerCase();

/**
 * Accounts and sessions, by a library: passphrases are kept as Argon2id (19 MiB, two passes: OWASP Password Storage Cheat Sheet, from memory, and the default of
 * the library for it), sessions in the database. Nothing of it is reached but through endpoints of ours.
 */
export async function createAuth({ queries }: Database, { secret, url }: StudioSettings) {
  // Loaded where people sign in only: alone, the server starts without.
  const { hash, verify } = await import('@node-rs/argon2');
  const { betterAuth } = await import('better-auth');
  const { drizzleAdapter } = await import('better-auth/adapters/drizzle');
  const { username } = await import('better-auth/plugins');
  return betterAuth({
    appName: 'Brachytone',
    baseURL: url,
    secret,
    telemetry: { enabled: false },
    // Tries that fail are everyday matters.
    logger: { level: 'error' },
    database: drizzleAdapter(queries, {
      provider: 'pg',
      schema: { people, sessions, credentials, verifications },
    }),
    user: {
      modelName: 'people',
      additionalFields: { role: { type: 'string', required: true, input: false } },
    },
    session: { modelName: 'sessions', ...SESSION },
    account: { modelName: 'credentials' },
    verification: { modelName: 'verifications' },
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: PASSPHRASE_LENGTH.least,
      maxPasswordLength: PASSPHRASE_LENGTH.most,
      password: {
        hash: (password) => hash(password),
        verify: ({ hash: kept, password }) => verify(kept, password),
      },
    },
    // Calls within the server are not counted by the library; tries are limited where they come in.
    rateLimit: { enabled: false },
    advanced: {
      cookiePrefix: 'brachytone',
      useSecureCookies: url.startsWith('https:'),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
      database: { generateId: () => randomUUID() },
    },
    plugins: [
      username({
        minUsernameLength: 1,
        maxUsernameLength: LONGEST_PERSON_NAME,
        usernameNormalization: plainPersonName,
        usernameValidator: (name) => name.trim().length > 0,
      }),
    ],
  });
}

export type Auth = Awaited<ReturnType<typeof createAuth>>;
