/** Unit tests, beside the code they test. */
/** @type {import('jest').Config} */
export default {
  testMatch: ['<rootDir>/{core,server,web,cli,standins,demo,docs}/**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  testEnvironment: 'node',
  // On two cores Jest would use one.
  maxWorkers: '100%',
};
