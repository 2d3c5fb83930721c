/** Mutation testing of the rules of core; `npm run mutation -- parts quoting` for single topics. */
export default {
  testRunner: 'jest',
  jest: { projectType: 'custom', configFile: 'jest.mutation.config.mjs' },
  coverageAnalysis: 'perTest',
  mutate: [
    'src/core/{lifecycle,quoting,scope,inspection,report,supply,testing,change}/**/*.ts',
    '!src/core/**/*.test.ts',
  ],
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, reportTests: false, logTests: false },
  jsonReporter: { fileName: 'reports/mutation.json' },
  // What was killed by a test that did not change is not tried again.
  incremental: true,
  incrementalFile: 'reports/mutation-incremental.json',
  tempDirName: '.stryker-tmp',
  concurrency: 2,
  timeoutMS: 20_000,
  disableTypeChecks: false,
  ignorePatterns: ['.next', '.data', '.test-data', '.bench-data', 'docs/screenshots', 'reports'],
};
