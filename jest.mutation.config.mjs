// What Stryker runs for each mutant of core: the tests of core alone, without what only checks the whole tree and
// without the random sequences of commands, which would be run for nearly every mutant.
import { shared } from './jest.config.mjs';

export default {
  ...shared,
  testMatch: ['<rootDir>/src/core/**/*.test.ts'],
  testPathIgnorePatterns: [
    '/node_modules/',
    ...['examples', 'random-commands', 'published', 'solver-sums', 'open-api'].map((name) => `${name}.test.ts`),
  ],
};
