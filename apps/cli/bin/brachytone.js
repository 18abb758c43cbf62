#!/usr/bin/env node
import { existsSync } from 'node:fs';

const program = new URL('../dist/brachytone.js', import.meta.url);
if (!existsSync(program)) {
  console.error('Brachytone is not built yet: run `npm run build` first.');
  process.exit(2);
}
await import(program.href);
