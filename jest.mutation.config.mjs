// What `npm run mutation` runs in each of its processes: one file, which loads the tests beside the topics itself. What a
// topic loses by leaving out the tests of other topics only lowers its figure.
import { shared } from './jest.config.mjs';

const transform = Object.fromEntries(
  Object.entries(shared.transform).map(([pattern, [, options]]) => [
    pattern,
    ['<rootDir>/test-support/mutation/transform.cjs', options],
  ]),
);

export default {
  ...shared,
  transform,
  testMatch: ['<rootDir>/test-support/mutation/mutants.ts'],
  testTimeout: 24 * 3600 * 1000,
};
