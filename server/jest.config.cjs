module.exports = {
  ...require('../jest.swc.js'),
  displayName: 'server',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  globalSetup: '<rootDir>/test/startDatabase.cjs',
  globalTeardown: '<rootDir>/test/stopDatabase.cjs',
};
