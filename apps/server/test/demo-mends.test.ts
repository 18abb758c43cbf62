import { pressCheck, type Finding, type Recipe } from '@brachytone/core';
import { DemoService } from '../src/demo.service.ts';
import { FilesService } from '../src/files/files.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { JobsService } from '../src/jobs/jobs.service.ts';
import { sceneOf } from '@brachytone/files/write';
import { startServer, type Harness } from './harness.ts';

let harness: Harness;
beforeAll(async () => {
  harness = await startServer();
  await harness.app.get(TypefacesService).load();
  await harness.app.get(DemoService).load();
});
afterAll(() => harness.close());

/** Mends taken one after another before it is given up. */
const MOST = 12;
/** The tote's four inks on dark cloth are meant not to reach all of the dusk. */
const MEANT: Readonly<Record<string, string[]>> = { 'Dusk tote': ['out-of-reach'] };

it('every demo job comes to no finding by the first mend of each finding', async () => {
  const { jobs } = await harness.app
    .get(JobsService)
    .list({ away: false, find: '', order: 'touched' }, 0, 100);
  expect(jobs).toHaveLength(10);
  const before: string[] = [];
  for (const { id } of jobs) {
    const { document } = await harness.app.get(JobsService).get(id);
    const materials = await harness.app.get(FilesService).materials(document.recipe);
    const findings = (recipe: Recipe) => pressCheck(sceneOf(recipe, materials));
    let found: Finding[] = findings(document.recipe);
    before.push(...found.map(({ check }) => check));
    for (let taken = 0; taken < MOST; taken++) {
      const mend = found.find(({ mends }) => mends.length > 0)?.mends[0];
      if (!mend) break;
      found = findings(mend.recipe);
    }
    expect([document.name, found.map(({ check }) => check)]).toEqual([
      document.name,
      MEANT[document.name] ?? [],
    ]);
  }
  // There was something to mend: the poster is there for its three findings.
  expect(new Set(before).size).toBeGreaterThan(3);
});
