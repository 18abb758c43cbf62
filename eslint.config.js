import js from '@eslint/js';
import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Forbids imports by pattern in some folders, each pattern with its reason. */
const boundary = (files, ...patterns) => ({
  files,
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: patterns.map(([group, message]) => ({ group, message })) },
    ],
  },
});

/** What no file of the core may import. */
const OUTSIDE_CORE = [
  ['@brachytone/*', 'node:*', '**/job/src/**', '**/typeface/src/**', '**/apps/**'],
  'The core is pure computation: nothing of ours, no interface, no I/O.',
];

/** What no file outside of the core may import, but tests. */
const CORE_BY_ITS_INDEX = [['@brachytone/core/*'], 'The core is used by what its index offers.'];

/** What no file of the interface may import. */
const OUTSIDE_WEB = [
  ['@brachytone/server*', '@brachytone/demo*', '**/apps/server/**', 'node:*'],
  'The apps never import each other.',
];

/**
 * The core's rooms from the ground up, each with why it stands above those before it and may import only them. A walk from a recipe to a
 * film passes through them in order and never comes back; that is what keeps a room readable by itself.
 */
const CORE_ROOMS = [
  ['base', 'what any code could use: exact powers and turns, random numbers, errors, fields of kinds'],
  ['outline', 'closed outlines as lists of numbers: rounded off, and thinned'],
  ['kernel', 'loops over bare memory: they know numbers, not what these stand for'],
  ['raster', 'planes, bits and pictures, which kernels work on'],
  ['colour', 'colour spaces and differences, formulas on three numbers'],
  ['ink', 'how inks look on stock: made of colours'],
  ['path', 'outlines and the pixels in them'],
  ['drawing', 'line art, made of paths'],
  ['filter', 'what looks around each pixel of a plane'],
  ['tone', 'tone steps, made of filters'],
  ['gradient', 'a source of tones that is no picture'],
  ['lettering', 'letters, made of paths and filled with gradients'],
  ['screen', 'coverage to bits: knows planes, no recipe'],
  ['press', 'what a press makes of a film: knows coverages and transfers, no recipe'],
  ['separation', 'tones and colours to coverages of inks: knows sources, no recipe'],
  ['recipe', 'what a designer decided; names everything above it and makes nothing'],
  ['original', 'an original of the recipe laid on a grid'],
  ['plate', 'the one evaluator: originals, separated, laid together and screened'],
  ['vector', 'a plate as geometry'],
  ['film', 'a plate, or its geometry, as a file'],
  ['proof', 'plates as they will be seen'],
  ['check', 'what may go wrong on the press: looks at all before it and changes nothing'],
  ['calibration', 'a press measured by one printed target; beside it one that is only simulated'],
];

const coreBoundaries = CORE_ROOMS.map(([room, why], at) => {
  const above = CORE_ROOMS.slice(at + 1).map(([name]) => name);
  const files = [`packages/core/src/${room}/**/*.ts`];
  if (above.length === 0) return boundary(files, OUTSIDE_CORE);
  return boundary(files, OUTSIDE_CORE, [
    above.map((name) => `**/${name}/**`),
    `“${room}” is ${why}. It stands below this room.`,
  ]);
});

export default ts.config(
  {
    ignores: ['**/dist/', '**/node_modules/', 'data/', '**/assembly/', 'test-results/', 'playwright-report/'],
  },
  js.configs.recommended,
  ...ts.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        project: [
          './tsconfig.json',
          './apps/web/tsconfig.json',
          './apps/web/tsconfig.test.json',
          './e2e/tsconfig.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-import-type-side-effects': 'error',
      '@typescript-eslint/triple-slash-reference': ['error', { path: 'always' }],
      eqeqeq: 'error',
      // Does not see uses in decorators.
      'no-useless-assignment': 'off',
      '@typescript-eslint/unbound-method': 'off',
      'no-console': 'off',
    },
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.test.ts', 'apps/server/test/**', 'e2e/**', 'bench/**'],
    rules: {
      // A test fails by itself where something is missing; what comes back over HTTP it checks.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/require-await': 'off',
    },
  },
  {
    files: ['**/*.js', '**/*.mjs'],
    ...ts.configs.disableTypeChecked,
    languageOptions: {
      ...ts.configs.disableTypeChecked.languageOptions,
      globals: { ...globals.node, ...globals.browser },
    },
  },
  // The rooms and their doors (architecture): core knows nothing of ours, job knows core, the apps never each other.
  boundary(['packages/core/src/**/*.ts'], OUTSIDE_CORE),
  ...coreBoundaries,
  boundary(['packages/job/src/**/*.ts'], CORE_BY_ITS_INDEX, [
    ['@brachytone/server*', '@brachytone/web*', '@brachytone/demo*', 'node:*', '**/apps/**'],
    'The job document knows the core only.',
  ]),
  boundary(['packages/typeface/src/**/*.ts'], CORE_BY_ITS_INDEX, [
    [
      '@brachytone/server*',
      '@brachytone/web*',
      '@brachytone/job*',
      '@brachytone/demo*',
      'node:*',
      '**/apps/**',
    ],
    'Typefaces know the core only.',
  ]),
  boundary(['packages/pdf/src/**/*.ts'], CORE_BY_ITS_INDEX, [
    ['@brachytone/server*', '@brachytone/web*', '@brachytone/job*', '@brachytone/demo*', '**/apps/**'],
    'PDF files know the core only.',
  ]),
  boundary(['apps/server/**/*.ts'], CORE_BY_ITS_INDEX, [
    ['@brachytone/web*', '**/apps/web/**'],
    'The apps never import each other.',
  ]),
  boundary(['apps/web/src/**/*.{ts,tsx}'], CORE_BY_ITS_INDEX, OUTSIDE_WEB),
  boundary(['apps/web/src/{controls,store,engine}/**/*.{ts,tsx}'], CORE_BY_ITS_INDEX, OUTSIDE_WEB, [
    ['**/light-table/**', '**/job-board/**', '**/runs/**', '**/shelves/**'],
    'Controls, store and engine serve every page and know none.',
  ]),
  { files: ['**/*.test.ts', '**/testing.ts'], rules: { 'no-restricted-imports': 'off' } },
);
