import { availableParallelism } from 'node:os';

/** Pure code and server in Node; what needs a screen is tested in Chromium by Playwright. */
export default {
  testEnvironment: 'node',
  // Jest's own choice leaves a core free; one suite more than there are cores fills the time in which others wait.
  maxWorkers: availableParallelism() + 1,
  testTimeout: 60_000, // nothing here is timed; a busy machine is no failure
  roots: [
    '<rootDir>/core',
    '<rootDir>/contract',
    '<rootDir>/formats',
    '<rootDir>/server',
    '<rootDir>/app',
    '<rootDir>/demo',
    '<rootDir>/tests/outside',
    '<rootDir>/tests/durability',
    '<rootDir>/tests/network',
    '<rootDir>/tests/release',
    '<rootDir>/scripts',
  ],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': '<rootDir>/scripts/jest-transform.cjs' },
  testSequencer: '<rootDir>/scripts/jest-order.cjs',
  setupFiles: ['<rootDir>/tests/support/quick.ts'],
  setupFilesAfterEnv: ['<rootDir>/tests/support/quick-expect.ts'],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
};
