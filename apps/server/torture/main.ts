import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { mixedHours } from './mixed-hour.ts';
import type { Tortured } from './at-work.ts';
import { studioAtWork } from './studio.ts';
import { databaseRestarted, diskFull, killedAtWork } from './torture.ts';

/**
 * `npm run torture -- --seed N --cycles M --hours H`: power cuts, a full disk, a database that goes away, and the same for
 * two servers with three workers; prints counts, and fails if anything answered was
 * lost. With hours, that many hours' mixed work too, and what memory they leave behind.
 */

const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    cycles: { type: 'string', default: '60' },
    hours: { type: 'string', default: '0' },
  },
});
const [seed, cycles, hours] = [values.seed, values.cycles, values.hours].map(Number);
const folder = mkdtempSync(join(tmpdir(), 'torture-'));
let lost = 0;
const told = (done: Tortured | undefined): void => {
  if (!done) {
    console.log('The disk was not filled: no small disk can be made here.');
    return;
  }
  lost += done.lost.length;
  const counts = Object.entries(done.answered).map(([name, count]) => `${count} ${name}`);
  console.log(`${done.name}: answered ${counts.join(', ')}; lost ${done.lost.length}`);
  for (const one of done.lost) console.log(`  ${one}`);
};
if (cycles > 0) {
  told(await killedAtWork(folder, 4278, seed, cycles));
  told(await diskFull(folder, 4278, seed));
  told(await databaseRestarted(folder, 4276, seed, 3));
  told(await studioAtWork(folder, 4270, seed, Math.ceil(cycles / 3)));
}
for (const { answered, failed, most, ends } of hours > 0
  ? await mixedHours(join(folder, 'hours'), 4278, seed, hours)
  : []) {
  const counts = Object.entries(answered).map(([name, count]) => `${count} ${name}`);
  const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;
  console.log(
    `an hour’s work: ${counts.join(', ')}; memory at most ${megabytes(most)}, ${megabytes(ends)} at its end`,
  );
  for (const one of failed) console.log(`  ${one}`);
  lost += failed.length;
}
rmSync(folder, { recursive: true, force: true });
process.exit(lost > 0 ? 1 : 0);
