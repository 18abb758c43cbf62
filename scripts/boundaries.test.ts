import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';
import { ESLint } from 'eslint';

/** The project's own rules, but only the one in question, and without types, which it does not need. */
const lint = new ESLint({
  overrideConfigFile: new URL('../eslint.config.js', import.meta.url).pathname,
  overrideConfig: [{ languageOptions: { parserOptions: { project: null } } }],
  ruleFilter: ({ ruleId }) => ruleId === 'no-restricted-imports',
});

/** Whether a line in a file of the tree breaks a boundary. */
async function refuses(file: string, line: string): Promise<boolean> {
  const [result] = await lint.lintText(`${line}\nexport const used = thing;\n`, { filePath: file });
  expect(result.fatalErrorCount).toBe(0);
  return result.messages.some(({ ruleId }) => ruleId === 'no-restricted-imports');
}

describe('the rooms’ boundaries', () => {
  it.each([
    ['packages/core/src/index.ts', "import { thing } from '@brachytone/job';"],
    ['packages/core/src/index.ts', "import { thing } from 'node:fs';"],
    ['packages/core/src/index.ts', "import { thing } from '../../../apps/web/src/app.tsx';"],
    ['packages/job/src/index.ts', "import { thing } from '@brachytone/server';"],
    ['apps/web/src/app.tsx', "import { thing } from '../../../apps/server/src/app.ts';"],
    ['apps/web/src/app.tsx', "import { thing } from 'node:fs';"],
    ['apps/server/src/app.ts', "import { thing } from '@brachytone/web';"],
    ['apps/server/src/app.ts', "import { thing } from '@brachytone/core/raster/plane.ts';"],
    ['packages/core/src/kernel/memory.ts', "import type { thing } from '../raster/plane.ts';"],
    ['packages/core/src/screen/kinds/dots.ts', "import { thing } from '../../recipe/recipe.ts';"],
    ['packages/core/src/recipe/recipe.ts', "import type { thing } from '../original/placed.ts';"],
    ['packages/core/src/plate/evaluate.ts', "import { thing } from '../proof/proof.ts';"],
    ['packages/core/src/film/png.ts', "import { thing } from '../../../job/src/index.ts';"],
    ['apps/web/src/controls/button.tsx', "import { thing } from '../light-table/header.tsx';"],
    ['apps/web/src/store/store.ts', "import { thing } from '../light-table/header.tsx';"],
  ])('%s may not say %s', async (file, line) => {
    expect(await refuses(file, line)).toBe(true);
  });
  it.each([
    ['packages/job/src/index.ts', "import { thing } from '@brachytone/core';"],
    ['apps/server/src/app.ts', "import { thing } from 'node:fs';"],
    ['packages/core/src/plate/evaluate.ts', "import { thing } from '../screen/screen.ts';"],
    ['packages/core/src/proof/proof.ts', "import { thing } from '../plate/evaluate.ts';"],
  ])('%s may say %s', async (file, line) => {
    expect(await refuses(file, line)).toBe(false);
  });
});

/** Which rooms of a tree import which, types with it. */
function roomImports(root: string): Map<string, Set<string>> {
  const rooms = new Map<string, Set<string>>();
  for (const entry of readdirSync(root, { recursive: true, withFileTypes: true })) {
    const path = join(entry.parentPath, entry.name);
    const room = relative(root, path).split(sep)[0];
    if (!/(?<!\.test)\.tsx?$/.test(entry.name) || room === entry.name) continue;
    const found = rooms.get(room) ?? rooms.set(room, new Set()).get(room)!;
    for (const [, specifier] of readFileSync(path, 'utf8').matchAll(/from '(\.[^']+)'/g)) {
      const to = relative(root, join(dirname(path), specifier)).split(sep);
      if (to.length > 1 && to[0] !== room) found.add(to[0]);
    }
  }
  return rooms;
}

it.each(['packages/core/src', 'apps/web/src'])('no circle leads through the rooms of %s', (root) => {
  const left = roomImports(root);
  expect(left.size).toBeGreaterThan(8);
  // Rooms that import none of those left go, again and again; those of a circle never do.
  for (let before = -1; before !== left.size;) {
    before = left.size;
    for (const [room, imports] of left) if (![...imports].some((one) => left.has(one))) left.delete(room);
  }
  expect([...left.keys()]).toEqual([]);
});
