import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** The floors of the core, lowest first. A folder may import its own files and any floor below. */
const FLOORS = [
  ['units'],
  ['knowledge'],
  ['lawn', 'weather'],
  ['establish'],
  ['products'],
  ['diagnosis', 'identify', 'rates', 'water', 'fertility'],
  ['needs'],
  ['choice'],
  ['courses'],
  ['program', 'checker', 'practice', 'calculators'],
  ['contract'],
  ['case', 'merge'],
  ['formats'],
];
/** Looked up past the shelf, a product comes without the company's own label. */
const PAST_THE_SHELF = {
  importNames: [
    'herbicide',
    'herbicides',
    'treatment',
    'treatments',
    'fertilizer',
    'fertilizers',
    'carriedNutrients',
    'seedMixes',
  ],
  message: 'Ask the shelf (products/): a company’s own label outranks the library.',
};
/** Asked in two places, a lawn would get two plans. */
const ASKED_IN_CASE = {
  importNames: ['seasonRequestSchema'],
  message: 'Ask questionOf (case/lawnQuestion): page, worker and server put one question.',
};
/** No clock in the core: what depends on a day is told it. */
const NO_CLOCK = {
  selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
  message: 'The day is an argument.',
};
/** What data do, in a folder that only says what they are. */
const SCHEMAS_ONLY = [
  'ExportNamedDeclaration > FunctionDeclaration',
  'ExportNamedDeclaration > VariableDeclaration > VariableDeclarator > ArrowFunctionExpression',
].map((selector) => ({
  selector,
  message: 'contract/ holds schemas; what they are used for is case/.',
}));
/** The planner, and who stands beside it: a judge that shares the planner's code cannot catch it. */
const PLANNER = ['needs', 'choice', 'courses', 'program'];
const BESIDE_THE_PLANNER = ['checker', 'practice', 'calculators'];
const OUTSIDE_THE_CORE = [
  'react',
  'react-*',
  'expo*',
  'express',
  'sequelize',
  'node:*',
  'fs',
  'path',
  '@alfombra/*',
];
const CORE_FOLDERS = FLOORS.flat();
const coreElements = CORE_FOLDERS.map((folder) => ({
  type: `core-${folder}`,
  pattern: `core/src/${folder}/**`,
  partialMatch: false,
}));
const corePolicies = FLOORS.flatMap((floor, level) =>
  floor.map((folder) => ({
    from: { element: { type: `core-${folder}` } },
    allow: {
      to: {
        element: {
          types: {
            anyOf: [folder, ...FLOORS.slice(0, level).flat()]
              .filter((name) => !(BESIDE_THE_PLANNER.includes(folder) && PLANNER.includes(name)))
              .map((name) => `core-${name}`),
          },
        },
      },
    },
  })),
);
/** The floors of the app, lowest first; the data layer never imports a screen. */
const APP_FLOORS = [['i18n'], ['ui'], ['state'], ['workers'], ['api'], ['features'], ['routes']];
const APP_FOLDERS = APP_FLOORS.flat();
const everyCore = ['core-index', ...CORE_FOLDERS.map((folder) => `core-${folder}`)];

const appElements = APP_FOLDERS.map((folder) => ({
  type: `app-${folder}`,
  pattern: `app/src/${folder === 'routes' ? 'app' : folder}/**`,
  partialMatch: false,
}));
const appPolicies = APP_FLOORS.flatMap((floor, level) =>
  floor.map((folder) => ({
    from: { element: { type: `app-${folder}` } },
    allow: {
      to: {
        element: {
          types: {
            anyOf: [
              ...[folder, ...APP_FLOORS.slice(0, level).flat()].map((name) => `app-${name}`),
              ...everyCore,
            ],
          },
        },
      },
    },
  })),
);

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      '**/dist/',
      '**/.expo/',
      '.data/',
      'app/expo-env.d.ts',
      'core/src/mutants.entry.ts',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    // It takes out assertions that noUncheckedIndexedAccess needs.
    rules: { '@typescript-eslint/no-unnecessary-type-assertion': 'off' },
  },
  {
    files: ['e2e/**/*.ts'],
    rules: {
      // The runner keeps the promises of its own suites.
      '@typescript-eslint/no-floating-promises': [
        'error',
        {
          allowForKnownSafeCalls: [
            { from: 'package', package: 'node:test', name: ['describe', 'it', 'before', 'after'] },
          ],
        },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      // Taking keys off an object by name is what `_name` is for.
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  { files: ['app/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: ['**/*.{js,cjs}'],
    languageOptions: { sourceType: 'commonjs', globals: { ...globals.node, ...globals.jest } },
  },
  // What runs in the page itself.
  {
    files: ['app/bundling/{loader,table}.js', 'app/index.js'],
    languageOptions: { globals: globals.browser },
  },
  { files: ['app/index.js'], languageOptions: { sourceType: 'module' } },
  { files: ['**/*.mjs'], languageOptions: { globals: { ...globals.node, ...globals.browser } } },
  {
    files: ['{core,server,app}/**/*.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': [
        ...coreElements,
        { type: 'core-index', pattern: 'core/src/**', partialMatch: false },
        { type: 'server', pattern: 'server/**', partialMatch: false },
        { type: 'app-test', pattern: 'app/src/testdata/**', partialMatch: false },
        ...appElements,
        { type: 'app', pattern: 'app/**', partialMatch: false },
      ],
      'import/resolver': {
        typescript: {
          project: ['core', 'server', 'app'],
          alwaysTryTypes: true,
          noWarnOnMultipleProjects: true,
        },
      },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            ...corePolicies,
            {
              from: { element: { type: 'core-index' } },
              allow: { to: { element: { types: { anyOf: everyCore } } } },
            },
            {
              from: { element: { type: 'server' } },
              allow: { to: { element: { types: { anyOf: ['server', ...everyCore] } } } },
            },
            ...appPolicies,
            {
              from: { element: { types: { anyOf: ['app-test', 'app'] } } },
              allow: {
                to: {
                  element: {
                    types: {
                      anyOf: [
                        'app',
                        'app-test',
                        ...APP_FOLDERS.map((folder) => `app-${folder}`),
                        ...everyCore,
                      ],
                    },
                  },
                },
              },
            },
            {
              // global.css
              from: { element: { type: 'app-routes' } },
              allow: { to: { element: { type: 'app' } } },
            },
            { allow: { to: { module: { origin: 'external' } } } },
            { allow: { to: { module: { origin: 'core' } } } },
          ],
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    // A test may read a file of another package, as open data come.
    ignores: ['core/src/**/*.reference.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: OUTSIDE_THE_CORE,
          paths: [{ name: '../knowledge', ...PAST_THE_SHELF }],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The day is an argument.' },
        { object: 'Math', property: 'random', message: 'The seed is an argument.' },
      ],
      'no-restricted-syntax': ['error', NO_CLOCK],
    },
  },
  {
    files: ['core/src/contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', NO_CLOCK, ...SCHEMAS_ONLY] },
  },
  // Only what the shelf itself is made of, and tests, look into the library.
  {
    files: ['core/src/products/**/*.ts', 'core/src/**/*.test.ts'],
    ignores: ['core/src/**/*.reference.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: OUTSIDE_THE_CORE }] },
  },
  {
    files: ['app/src/**/*.{ts,tsx}', 'server/src/**/*.ts', 'scripts/**/*.ts'],
    // The shelf's own screens show the library beside the labels.
    ignores: ['app/src/features/shelf/**', '**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: '@alfombra/core', ...PAST_THE_SHELF },
            { name: '@alfombra/core', ...ASKED_IN_CASE },
          ],
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-require-imports': 'off',
    },
  },
  {
    files: ['**/*.{js,cjs}'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  // Tests of the app stand above what they test.
  { files: ['app/src/**/*.test.{ts,tsx}'], rules: { 'boundaries/dependencies': 'off' } },
  // A screen is split by what it shows; those that are longer are split when they are touched next.
  {
    files: ['app/src/features/**/*.tsx'],
    ignores: [
      '**/*.test.tsx',
      '**/SignPictogram.tsx',
      '**/{CalculatorScreen,PlanEditor,PracticeScreen,ShelfScreen,StepCard}.tsx',
    ],
    rules: { 'max-lines': ['error', { max: 250, skipBlankLines: true, skipComments: true }] },
  },
  // It warns of what a compiler of components would do; there is none here.
  { files: ['app/src/ui/VirtualList.tsx'], rules: { 'react-hooks/incompatible-library': 'off' } },
  prettier,
);
