export default {
  testMatch: ['<rootDir>/tests/{app,core,outside,cli,scripts,storage}/**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  modulePathIgnorePatterns: ['<rootDir>/.output', '<rootDir>/.nuxt'],
  setupFiles: ['fake-indexeddb/auto'],
  testTimeout: 60_000,
};
