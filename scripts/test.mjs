/**
 * Everything that is checked: formatting, lint, types, unit and server tests, and the interface in a real browser. On a
 * fresh clone it installs what is missing. Closes with the sum over all parts.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, ROOT, run, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();

const folder = mkdtempSync(join(tmpdir(), 'results-'));
const bin = (name) => `node_modules/.bin/${name}`;
let passed = 0;
let failed = 0;

/** Runs checks one after another, each with its output shown once it has ended. */
async function checkInTurn(checks) {
  for (const [name, command, ...args] of checks) {
    const output = [];
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => output.push(text));
    const code = await new Promise((resolve) => {
      child.on('error', () => resolve(127));
      child.on('close', (status) => resolve(status ?? 1));
    });
    console.log(`— ${name}${code === 0 ? '' : `: exit code ${code}`}`);
    process.stdout.write(Buffer.concat(output));
    if (code === 0) passed++;
    else failed++;
  }
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

const projects = [
  'tsconfig.json',
  'packages/core/tsconfig.json',
  'apps/web/tsconfig.json',
  'apps/web/tsconfig.test.json',
  'e2e/tsconfig.json',
];
// Side by side: each keeps one core busy.
await Promise.all([
  checkInTurn([['lint', bin('eslint'), '.', '--max-warnings', '0']]),
  checkInTurn([
    ['formatting', bin('prettier'), '--check', '--log-level', 'warn', '.'],
    ...projects.map((project) => [`types, ${project}`, bin('tsc'), '-p', project]),
  ]),
]);
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
