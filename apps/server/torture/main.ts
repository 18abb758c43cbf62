import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { databaseRestarted, diskFull, killedAtWork, type Tortured } from './torture.ts';

/** `npm run torture -- --seed N --cycles M`: power cuts, a full disk, a database that goes away; prints counts, and fails if anything answered was lost. */

const { values } = parseArgs({
  options: { seed: { type: 'string', default: '1' }, cycles: { type: 'string', default: '60' } },
});
const [seed, cycles] = [Number(values.seed), Number(values.cycles)];
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
told(await killedAtWork(folder, 4278, seed, cycles));
told(await diskFull(folder, 4278, seed));
told(await databaseRestarted(folder, 4276, seed, 3));
rmSync(folder, { recursive: true, force: true });
process.exit(lost > 0 ? 1 : 0);
