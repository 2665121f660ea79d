import importPlugin from 'eslint-plugin-import';
import regexp from 'eslint-plugin-regexp';
import vue from 'eslint-plugin-vue';
import prettier from 'eslint-config-prettier';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

/** The arrows between folders: core knows nobody; the others know core; the web reaches the server over HTTP only. */
const arrows = [
  { target: './core', from: ['./server', './web', './cli', './standins', './demo', './e2e', './scripts'] },
  { target: './web', from: ['./server', './cli', './standins', './demo', './e2e'] },
  { target: './server', from: ['./web', './cli', './standins', './demo', './e2e'] },
  { target: './cli', from: ['./web', './server', './standins', './demo', './e2e'] },
  { target: './standins', from: ['./web', './server', './cli', './demo', './e2e'] },
  { target: './standins', from: './core', except: ['./formats', './time'] },
];

export default tseslint.config(
  { ignores: ['dist/**', 'data/**', 'data-demo/**', 'node_modules/**'] },
  {
    files: ['**/*.ts', '**/*.vue'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.node.json', './tsconfig.web.json', './tsconfig.core.json'],
        extraFileExtensions: ['.vue'],
      },
    },
    plugins: { import: importPlugin },
    settings: { 'import/resolver': { typescript: { project: './tsconfig.base.json' } } },
    rules: {
      'import/no-restricted-paths': ['error', { zones: arrows }],
      'import/no-cycle': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // Index signatures are read with brackets under the compiler's own stricter rule.
      '@typescript-eslint/dot-notation': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { regexp },
    rules: {
      'no-restricted-imports': ['error', { patterns: ['node:*', 'vue', 'vue-*', 'fastify', 'knex', 'joi'] }],
      // Files from anywhere are read here: no pattern may take longer than in step with the text.
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['**/*.vue'],
    extends: [...vue.configs['flat/recommended']],
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser }, globals: globals.browser },
  },
  { files: ['scripts/**/*.mjs', '*.config.js'], languageOptions: { globals: globals.node } },
  // A test may stand beside the code it tests and still bring in the other side of the wire.
  {
    files: ['**/*.test.ts'],
    rules: { 'import/no-restricted-paths': 'off', '@typescript-eslint/no-unnecessary-type-parameters': 'off' },
  },
  prettier,
);
