// What Stryker runs for each mutant of core: the tests of core alone, without what only checks the whole tree.
import config from './jest.config.mjs';

const unit = config.projects.find((project) => project.displayName === 'unit');
const { displayName: _name, ...shared } = unit;
export default {
  ...shared,
  testMatch: ['<rootDir>/src/core/**/*.test.ts'],
  testPathIgnorePatterns: [
    '/node_modules/',
    'examples.test.ts',
    'random-commands.test.ts',
    'published.test.ts',
    'solver-sums.test.ts',
    'open-api.test.ts',
  ],
};
