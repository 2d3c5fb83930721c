// What Stryker runs for each mutant of core: the tests beside the topic, or those of core when no topic is named;
// without what only checks the whole tree and without the random sequences of commands, which would be run for nearly
// every mutant. What a topic loses by that only lowers its figure.
import { shared } from './jest.config.mjs';

const topics = process.env.MUTATION_TOPICS?.split(' ').filter(Boolean) ?? [];

export default {
  ...shared,
  testMatch: topics.length
    ? topics.map((topic) => `<rootDir>/src/core/${topic}/**/*.test.ts`)
    : ['<rootDir>/src/core/**/*.test.ts'],
  testPathIgnorePatterns: [
    '/node_modules/',
    ...['examples', 'random-commands', 'published', 'solver-sums', 'open-api'].map((name) => `/${name}.test.ts`),
  ],
};
