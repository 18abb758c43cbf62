/** Unit tests of the workspaces and tests of the server over an in-memory database. */
const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: { legacyDecorator: true, decoratorMetadata: false },
        target: 'es2022',
      },
      module: { type: 'es6' },
    },
  ],
};

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
    project('server', 'apps/server'),
    project('web', 'apps/web'),
    project('rules', 'scripts'),
  ],
  testTimeout: 120000,
};
