import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { residentBytes } from '../src/readers/resident-bytes.ts';
import { RealServer } from '../test/real-server.ts';
import { fuzz } from './fuzz.ts';

/** `npm run fuzz -- --seed N --count M`: broken files and documents against a server of its own; fails if it dies, answers 5xx, or is late. */

const { values } = parseArgs({
  options: { seed: { type: 'string', default: '1' }, count: { type: 'string', default: '3000' } },
});
const [seed, count] = [Number(values.seed), Number(values.count)];
const folder = mkdtempSync(join(tmpdir(), 'fuzz-'));
const server = new RealServer(4281, folder);
await server.start();
const memory = () => residentBytes(server.child?.pid ?? 0) / 1e6;
// What a first file of each kind brings with it is there for good.
await fuzz({ api: server.api, seed: seed + 1, count: 60, most: 60_000 });
const before = memory();
const began = Date.now();
const outcome = await fuzz({
  api: server.api,
  seed,
  count,
  most: 60_000,
  failuresFolder: join(tmpdir(), 'fuzz-failures'),
  onInput(done) {
    if (done % 250 === 0)
      console.log(`${done} inputs, ${Math.round((Date.now() - began) / 1000)} s, ${memory().toFixed(0)} MB`);
  },
});
const died = server.child?.exitCode !== null;
await new Promise((resolve) => setTimeout(resolve, 3000));
const after = memory();
console.log(
  `Seed ${seed}: ${outcome.taken} taken, ${outcome.refused} refused, ${outcome.failures.length} failures, the slowest answer after ${Math.round(outcome.slowest)} ms; ${died ? 'the server died' : 'the server lives'}, with ${before.toFixed(0)} MB before and ${after.toFixed(0)} MB after.`,
);
for (const { input, kind, what } of outcome.failures) console.log(`  input ${input}, ${kind}: ${what}`);
await server.end();
rmSync(folder, { recursive: true, force: true });
process.exit(died || outcome.failures.length > 0 || after > before + 100 ? 1 : 0);
