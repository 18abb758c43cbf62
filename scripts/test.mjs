/**
 * Everything that is checked: formatting, lint, types, unit and server tests, and the interface in a real browser. On a
 * fresh clone it installs what is missing. Closes with the sum over all parts.
 */
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, run, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();

const folder = mkdtempSync(join(tmpdir(), 'results-'));
const bin = (name) => `node_modules/.bin/${name}`;
let passed = 0;
let failed = 0;

async function check(name, command, args) {
  console.log(`\n— ${name}`);
  const code = await run(command, args);
  if (code === 0) passed++;
  else failed++;
}

/** Runs a part that writes its results as JSON; a part that ran no test has failed. */
async function part(name, command, args, env, read) {
  console.log(`\n— ${name}`);
  const file = join(folder, `${name.replace(/\W+/g, '-')}.json`);
  const code = await run(command, args(file), { env: { ...process.env, ...env(file) } });
  const counts = existsSync(file) ? read(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 };
  if (counts.passed + counts.failed === 0) {
    console.error(`${name}: no test was run.`);
    failed++;
  } else if (code !== 0 && counts.failed === 0) failed++;
  passed += counts.passed;
  failed += counts.failed;
}

await check('formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
await check('lint', bin('eslint'), ['.', '--max-warnings', '0']);
for (const project of [
  'tsconfig.json',
  'packages/core/tsconfig.json',
  'apps/web/tsconfig.json',
  'apps/web/tsconfig.test.json',
  'e2e/tsconfig.json',
]) {
  await check(`types, ${project}`, bin('tsc'), ['-p', project]);
}
await part(
  'unit and server tests',
  process.execPath,
  (file) => [
    '--experimental-vm-modules',
    '--no-warnings',
    'node_modules/jest/bin/jest.js',
    '--json',
    `--outputFile=${file}`,
  ],
  () => ({}),
  ({ numPassedTests, numFailedTests, numFailedTestSuites, numRuntimeErrorTestSuites }) => ({
    passed: numPassedTests,
    failed: numFailedTests + (numFailedTests === 0 ? numFailedTestSuites : numRuntimeErrorTestSuites),
  }),
);
await part(
  'interface tests',
  bin('playwright'),
  () => ['test', '--reporter=list,json'],
  (file) => ({ PLAYWRIGHT_JSON_OUTPUT_NAME: file }),
  ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
);
rmSync(folder, { recursive: true, force: true });

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
