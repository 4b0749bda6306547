module.exports = {
  projects: ['<rootDir>/core', '<rootDir>/server', '<rootDir>/app'],
  // On a busy machine of two cores: nothing here is a test of speed.
  testTimeout: 60_000,
};
