import js from '@eslint/js';
import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Forbids imports by pattern in some folders, with the reason. */
const boundary = (files, group, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
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
      '@typescript-eslint/no-non-null-assertion': 'off',
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
      // What comes back over HTTP in a test is checked by the test itself.
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
  boundary(
    ['packages/core/src/**/*.ts'],
    ['@brachytone/*', 'node:*', '**/packages/job/**', '**/apps/**'],
    'The core is pure computation: nothing of ours, no interface, no I/O.',
  ),
  boundary(
    ['packages/job/src/**/*.ts'],
    ['@brachytone/server*', '@brachytone/web*', '@brachytone/demo*', 'node:*', '**/apps/**'],
    'The job document knows the core only.',
  ),
  boundary(
    ['packages/typeface/src/**/*.ts'],
    [
      '@brachytone/server*',
      '@brachytone/web*',
      '@brachytone/job*',
      '@brachytone/demo*',
      'node:*',
      '**/apps/**',
    ],
    'Typefaces know the core only.',
  ),
  boundary(
    ['apps/server/**/*.ts'],
    ['@brachytone/web*', '**/apps/web/**'],
    'The apps never import each other.',
  ),
  boundary(
    ['apps/web/src/**/*.{ts,tsx}'],
    ['@brachytone/server*', '@brachytone/demo*', '**/apps/server/**', 'node:*'],
    'The apps never import each other.',
  ),
  { files: ['**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
);
