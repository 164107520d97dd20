import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Which packages may be imported where: downwards only. */
const only = (files, forbidden, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group: forbidden, message }] }] },
});

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', 'data-demo/**', 'test-results/**'] },
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-empty-function': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      eqeqeq: ['error', 'smart'],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      'no-console': 'off',
    },
  },
  {
    // Composables and stores: one that grows falls into parts.
    files: ['web/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'web/src/testing/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'vue/one-component-per-file': 'error',
    },
  },
  only(
    ['core/src/**'],
    ['@zero-pour/*', 'vue', 'express', 'node:*', 'zod', 'three'],
    'Core stands alone: no other room, no framework, no Node.',
  ),
  {
    files: ['core/src/**/*.ts'],
    ignores: ['core/src/**/*.test.ts'],
    rules: { 'no-restricted-globals': ['error', 'window', 'document', 'process', 'performance', 'fetch'] },
  },
  only(
    ['contracts/src/**'],
    ['@zero-pour/plan', '@zero-pour/server', '@zero-pour/web', '@zero-pour/demo'],
    'Contracts stand on core only.',
  ),
  only(
    ['plan/src/**'],
    ['@zero-pour/server', '@zero-pour/web', '@zero-pour/demo', 'vue', 'express', 'node:*'],
    'The plan stands on jobs, contracts and core.',
  ),
  only(
    ['jobs/src/**'],
    ['@zero-pour/plan', '@zero-pour/server', '@zero-pour/web', '@zero-pour/demo', 'vue', 'express'],
    'Jobs stand on contracts and core.',
  ),
  only(
    ['demo/src/**'],
    ['@zero-pour/plan', '@zero-pour/server', '@zero-pour/web'],
    'The demo stands on contracts and core.',
  ),
  only(['server/src/**'], ['@zero-pour/web', 'vue'], 'The server stands on plan, jobs, contracts and core.'),
  only(
    ['web/src/**'],
    ['@zero-pour/server', '@zero-pour/demo', 'express', 'node:*'],
    'The page stands on plan, jobs, contracts and core.',
  ),
  { files: ['**/*.test.ts', '**/src/testing/**'], rules: { 'no-restricted-imports': 'off' } },
  prettier,
);
