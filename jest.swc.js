/** Shared by core and server: TypeScript to CommonJS by SWC, which ships its binary in npm. */
module.exports = {
  testEnvironment: 'node',
  setupFiles: [require.resolve('./core/jest.draws.cjs')],
  transform: {
    '^.+\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|cookie)/)'],
};
