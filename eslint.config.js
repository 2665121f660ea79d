import regexp from 'eslint-plugin-regexp';
import vue from 'eslint-plugin-vue';
import prettier from 'eslint-config-prettier';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

/** Where state lives in the web: what outlives a component is a Pinia store, and no module holds any. */
const noModuleState = [
  {
    selector:
      'Program > VariableDeclaration[kind="let"], Program > ExportNamedDeclaration > VariableDeclaration[kind="let"]',
    message: 'State that outlives a component is a Pinia store; a module holds none.',
  },
  {
    selector:
      ':matches(Program, Program > ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator > CallExpression[callee.name=/^(ref|shallowRef|reactive|shallowReactive|computed|customRef)$/]',
    message: 'State that outlives a component is a Pinia store; a composable makes its own inside.',
  },
  {
    selector:
      ':matches(Program, Program > ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator:not([id.typeAnnotation.typeAnnotation.typeName.name=/^Readonly/]) > NewExpression[callee.name=/^(Map|Set|WeakMap|WeakSet)$/]',
    message: 'A collection that changes is state, which is a Pinia store; one that does not is typed as readonly.',
  },
];

/** A list as arguments of a call is as long as the stack allows: one of a few hundred thousand ends in a RangeError. */
const noSpreadArguments = [
  {
    selector: 'CallExpression > SpreadElement, NewExpression > SpreadElement',
    message: 'A long list given as arguments is a RangeError: go over it, or say on this line why it is short.',
  },
];

/** A function of more lines than this is several. */
const longest = 80;
/** @param {number} max @returns {["error", object]} */
const linesOfFunctions = (max) => ['error', { max, skipBlankLines: true, skipComments: true }];
/** Files whose longest function is to be taken apart still, and how long it may be until then: never longer. */
const toTakeApart = {
  'cli/place.ts': 82,
  'core/model/letters.ts': 111,
  'core/timing/borrow/chain.ts': 88,
  'server/destinations/handover.ts': 86,
  'server/work/queue.ts': 127,
  'standins/video-host/host.ts': 164,
  'web/data/sync/outbox.ts': 81,
  'web/data/tracks/syncs.ts': 98,
  'web/data/tracks/track.ts': 122,
  'web/move-times/bar/retime.ts': 165,
  'web/move-times/borrow/borrow.ts': 148,
  'web/move-times/borrow/use-columns.ts': 122,
  'web/move-times/listen-and-place/placing.ts': 150,
  'web/pages/styles/use-style-editor.ts': 95,
  'web/recording/sound/sound.ts': 93,
  'web/stages/handover/use-handover.ts': 103,
  'web/stages/tape/tape-view.ts': 83,
  'web/stages/tape/drag.ts': 90,
  'web/stages/tape/use-ground.ts': 93,
  'web/stages/words/doubt.ts': 133,
  'web/stages/words/find.ts': 132,
  'web/ui/theme/ant.ts': 94,
};

/** Words that nobody outside this house would understand. */
const privateWords = [
  'hire',
  'hindrance',
  'lapses',
  'ownStands',
  'neverLeft',
  'Resting',
  'keepings',
  'arriving',
  'arrival',
];

export default tseslint.config(
  { ignores: ['dist/**', 'data/**', 'data-demo/**', 'node_modules/**'] },
  // What needs to know types is asked of modules by `.oxlintrc.json`, which takes a tenth of the time, and here of
  // components only: it reads no templates.
  { files: ['**/*.ts'], extends: [...tseslint.configs.strict, ...tseslint.configs.stylistic] },
  {
    files: ['**/*.vue'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: { parserOptions: { project: ['./tsconfig.web.json'] } },
    rules: {
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // Types that are worked out may come to nothing, as the query of a route that has none.
      '@typescript-eslint/no-generated-empty-object-type': 'off',
      // Index signatures are read with brackets under the compiler's own stricter rule.
      '@typescript-eslint/dot-notation': 'off',
      // The compiler allows no enum here (`erasableSyntaxOnly`).
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
    },
  },
  {
    files: ['**/*.ts', '**/*.vue'],
    rules: {
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      'id-denylist': ['error', ...privateWords],
    },
  },
  {
    files: ['{core,server,web,cli,standins}/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': linesOfFunctions(longest) },
  },
  ...Object.entries(toTakeApart).map(([file, max]) => ({
    files: [file],
    rules: { 'max-lines-per-function': linesOfFunctions(max) },
  })),
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { regexp },
    rules: {
      // Files from anywhere are read here: no pattern may take longer than in step with the text.
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['**/*.vue'],
    extends: [...vue.configs['flat/recommended']],
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: tseslint.parser, extraFileExtensions: ['.vue'] },
      globals: globals.browser,
    },
  },
  {
    // Controls are those of the interface library, wrapped where they have a fault; a row of a long list, and the
    // input behind a button that asks for a file, are the browser's own.
    files: ['web/**/*.vue'],
    ignores: ['web/ui/controls/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['button', 'input', 'select', 'textarea', 'table', 'dialog', 'details', 'progress', 'meter'].map(
          (element) => ({ element, message: 'Use a control of web/ui/controls.' }),
        ),
      ],
    },
  },
  {
    files: ['web/**/*.ts'],
    ignores: ['**/*.test.ts', 'web/**/*-for-tests.ts'],
    rules: { 'no-restricted-syntax': ['error', ...noModuleState, ...noSpreadArguments] },
  },
  {
    files: ['{core,server,cli,standins}/**/*.ts', 'web/**/*.vue'],
    ignores: ['**/*.test.ts', '**/*-for-tests.ts', '**/arbitrary.ts'],
    rules: { 'no-restricted-syntax': ['error', ...noSpreadArguments] },
  },
  { files: ['scripts/**/*.mjs', '*.config.js'], languageOptions: { globals: globals.node } },
  prettier,
);
