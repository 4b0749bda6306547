import jestConfig from './core/jest.config.cjs';
import mutantParts from './scripts/mutantParts.json' with { type: 'json' };

const { entry, parts } = mutantParts;

/**
 * Mutation testing, one part of the core at a time (`scripts/mutants.mts`): every small change of its logic has to
 * make one of the part's own tests fail. Properties that draw for many seconds stand above the parts and are left
 * out.
 */
const part = process.env.MUTANTS_PART ?? 'checker';
const { mutate, least } = parts[part];
const files = process.env.MUTANTS_FILES;

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
      globals: { TIMES_MORE_CASES: 0.3 },
      testMatch: [`<rootDir>/${entry}`],
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
