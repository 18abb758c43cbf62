import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./apps/server/src/database/schema.ts', './apps/server/src/database/studio-schema.ts'],
  out: './apps/server/drizzle',
});
