// What Stryker runs for each mutant of core: the tests of core alone, without what only checks the whole tree and
// without the random sequences of commands, which would be run for nearly every mutant. Whole jobs take seconds a
// mutant: they are played for the topics that they are about. What a topic loses by that only lowers its figure.
import { shared } from './jest.config.mjs';

const topics = process.env.MUTATION_TOPICS?.split(' ').filter(Boolean) ?? [];
const isAbout = (/** @type {string} */ topic) => topics.length === 0 || topics.includes(topic);

export default {
  ...shared,
  testMatch: ['<rootDir>/src/core/**/*.test.ts'],
  testPathIgnorePatterns: [
    '/node_modules/',
    ...['examples', 'random-commands', 'published', 'solver-sums', 'open-api'],
    ...(isAbout('report') ? [] : ['golden', 'as-built']),
    ...(isAbout('lifecycle') ? [] : ['life-of-a-job']),
    ...(isAbout('bench') || isAbout('change') ? [] : ['bore-hole', 'bench', 'change']),
  ].map((name) => (name.startsWith('/') ? name : `/${name}.test.ts`)),
};
