module.exports = {
  preset: 'jest-expo/web',
  displayName: 'app',
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  setupFiles: ['<rootDir>/jest.setup.js', '<rootDir>/../core/jest.draws.cjs'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    // Their ES modules are no words for Jest; beside them stand the same for CommonJS.
    '^d3-([a-z-]+)$': '<rootDir>/../node_modules/d3-$1/dist/d3-$1.js',
    '\\.css$': '<rootDir>/jest.empty.js',
    '^lucide-react-native/icons/(.*)$':
      '<rootDir>/../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|nativewind|react-native-css-interop|lucide-react-native|standard-navigation|uuid)/?)',
  ],
};
