/** Unit tests of the workspaces and tests of the server over an in-memory database. */
const transform = { '^.+\\.tsx?$': new URL('scripts/jest-transform.mjs', import.meta.url).pathname };

const project = (displayName, root) => ({
  displayName,
  rootDir: root,
  testMatch: ['<rootDir>/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform,
  testEnvironment: 'node',
});

export default {
  projects: [
    project('core', 'packages/core'),
    project('job', 'packages/job'),
    project('typeface', 'packages/typeface'),
    project('pdf', 'packages/pdf'),
    project('server', 'apps/server'),
    project('cli', 'apps/cli'),
    project('web', 'apps/web'),
    project('rules', 'scripts'),
  ],
  // A worker for each core.
  maxWorkers: '100%',
  // Modules of many files stay in one: it is begun anew before the server in it takes their memory for its own.
  workerIdleMemoryLimit: '1500MB',
  testTimeout: 120000,
};
