import jestConfig from './core/jest.config.cjs';

/** What loads every test of a part; written by `scripts/mutants.mts` and gone after the run. */
export const ENTRY = 'core/src/mutants.entry.ts';

/**
 * Mutation testing, one part of the core at a time: every small change of its logic has to make one of the part's
 * own tests fail. Properties that draw for many seconds stand above the parts and are left out.
 */
export const PARTS = {
  checker: {
    mutate: ['core/src/checker/*.ts'],
    tests: ['core/src/checker/', 'core/src/rotation.reference.test.ts'],
    least: 85,
  },
  products: {
    mutate: ['core/src/products/*.ts'],
    tests: ['core/src/products/', 'core/src/shelf.test.ts'],
    least: 85,
  },
  rates: { mutate: ['core/src/rates/*.ts'], tests: ['core/src/rates/'], least: 85 },
  choice: {
    mutate: [
      'core/src/program/{chooseMix,screenTreatments,tolerance,usage,nitrogen,fed,rateCard}.ts',
    ],
    tests: [
      'core/src/program/chooseMix.reference.test.ts',
      'core/src/program/usage.test.ts',
      'core/src/program/rateCard.test.ts',
      'core/src/program/season.test.ts',
    ],
    least: 75,
  },
  fieldTests: {
    mutate: ['core/src/diagnosis/{fieldTests,countTest,poissonInterval}.ts'],
    tests: ['core/src/diagnosis/fieldTests.test.ts', 'core/src/diagnosis/diagnose.test.ts'],
    least: 75,
  },
};
/** @typedef {keyof typeof PARTS} Part */

const part = /** @type {Part} */ (process.env.MUTANTS_PART ?? 'checker');
const { mutate, least } = PARTS[part];
const files = process.env.MUTANTS_FILES;

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  mutate: [...(files ? files.split(',') : mutate), '!**/*.test.ts', '!**/index.ts'],
  // The copy that the mutants are planted in holds what the core's tests read, and no more.
  ignorePatterns: ['**', '!core/**', '!package.json', '!jest.swc.js', '!tsconfig*.json'],
  testRunner: 'jest',
  jest: {
    projectType: 'custom',
    config: {
      ...jestConfig,
      displayName: undefined,
      rootDir: '.',
      // Properties draw a few cases: what takes many to find is left to `npm run many-cases`.
      globals: { TIMES_MORE_CASES: 0.05 },
      testMatch: [`<rootDir>/${ENTRY}`],
    },
    enableFindRelatedTests: false,
  },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 20_000,
  incremental: true,
  incrementalFile: `.data/mutants/${part}.json`,
  tempDirName: '.data/mutants/tmp',
  reporters: ['clear-text', 'progress-append-only', 'json'],
  jsonReporter: { fileName: `.data/mutants/${part}-report.json` },
  clearTextReporter: { logTests: false, reportTests: false, allowColor: false },
  thresholds: { high: least, low: least, break: least },
};
