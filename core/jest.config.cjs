module.exports = {
  ...require('../jest.swc.js'),
  displayName: 'core',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  globals: { TIMES_MORE_CASES: Number(process.env.ALFOMBRA_CASES ?? 1) },
};
