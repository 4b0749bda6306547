module.exports = {
  ...require('../jest.swc.js'),
  displayName: 'core',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
};
