/** Browser tests: the real interface in headless Chromium against the real server. */
/** @type {import('jest').Config} */
export default {
  testMatch: ['<rootDir>/e2e/**/*.e2e.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  globalSetup: '<rootDir>/e2e/support/before-all.mjs',
  globalTeardown: '<rootDir>/e2e/support/after-all.mjs',
  testEnvironment: 'node',
  testTimeout: 300_000,
  // Each file has services of its own.
  maxWorkers: 2,
};
