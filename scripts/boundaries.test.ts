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
  ])('%s may not say %s', async (file, line) => {
    expect(await refuses(file, line)).toBe(true);
  });
  it.each([
    ['packages/job/src/index.ts', "import { thing } from '@brachytone/core';"],
    ['apps/server/src/app.ts', "import { thing } from 'node:fs';"],
  ])('%s may say %s', async (file, line) => {
    expect(await refuses(file, line)).toBe(false);
  });
});
