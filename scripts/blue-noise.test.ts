import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { blueNoiseModule } from './blue-noise.mjs';

it('the blue noise in the repository is what its source makes', async () => {
  const kept = readFileSync(
    join(import.meta.dirname, '../packages/core/src/screen/noise/blue-noise.ts'),
    'utf8',
  );
  expect(kept).toBe(await blueNoiseModule());
});
