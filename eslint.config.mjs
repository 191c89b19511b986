import js from '@eslint/js';
import regexp from 'eslint-plugin-regexp';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['.faults/', '**/dist/**', '**/node_modules/**', '**/components.d.ts', 'e2e/test-results/**', 'var/**'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/essential'],
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      'prefer-const': 'error',
    },
  },
  {
    // Patterns meet texts that anybody wrote: none may take the square of their length.
    files: ['packages/*/src/**/*.{ts,vue}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': 'error',
      'regexp/no-super-linear-move': ['error', { ignorePartial: false }],
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: { 'no-restricted-globals': ['error', 'Date', 'process', 'document', 'window', 'fetch', 'setTimeout'] },
  },
  {
    files: ['packages/web/src/**/*.{ts,vue}'],
    languageOptions: { globals: globals.browser, parserOptions: { parser: ts.parser } },
    rules: { 'vue/multi-word-component-names': 'off', 'vue/no-v-html': 'error' },
  },
  {
    files: ['packages/web/src/**/*.{ts,vue}'],
    ignores: ['packages/web/src/shared/readersDates.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: '@yarin/core',
          importNames: ['dayWords', 'dayWordsWithYear', 'momentWords', 'patternWords', 'spanWords', 'explain'],
          message: 'Take them from shared/readersDates, where dates are written as they are read.',
        },
      ],
    },
  },
  {
    files: ['packages/server/src/**/*.ts'],
    ignores: ['packages/server/src/database/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          'Literal[value=/json_(each|group|insert|object)/]',
          'TemplateElement[value.raw=/json_(each|group|insert|object)/]',
        ].map((selector) => ({
          selector,
          message: 'How a list stands in a statement differs by database: take it from database/lists.',
        })),
      ],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', 'scripts/**', 'e2e/**', 'packages/*/bench/**'],
    languageOptions: { globals: globals.node },
    rules: { 'no-console': 'off' },
  },
);
