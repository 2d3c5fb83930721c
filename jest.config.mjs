const transform = {
  '^.+\\.(t|j|mj)sx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'commonjs' },
    },
  ],
};
export const shared = {
  transform,
  transformIgnorePatterns: ['node_modules/(?!(uuid|@noble|pdfjs-dist|intl-messageformat|@formatjs)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^@families/(.*)$': '<rootDir>/families/$1' },
  testEnvironment: 'node',
  setupFiles: ['<rootDir>/test-support/set-up-properties.ts'],
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.data', '<rootDir>/.test-data'],
};
export default {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/src/{contract,core,words,components,stand-ins,documents}/**/*.test.ts',
        '<rootDir>/families/**/*.test.ts',
        '<rootDir>/scripts/**/*.test.mjs',
      ],
    },
    {
      ...shared,
      displayName: 'unit-together',
      testMatch: ['<rootDir>/test-support/together/unit-*.test.ts', '<rootDir>/scripts/**/*.test.mjs'],
    },
    {
      ...shared,
      displayName: 'components',
      testEnvironment: 'jsdom',
      setupFilesAfterEnv: ['<rootDir>/test-support/set-up-components.ts'],
      testMatch: ['<rootDir>/src/components/**/*.test.tsx'],
    },
    {
      ...shared,
      displayName: 'database',
      testMatch: ['<rootDir>/src/{db,server,app}/**/*.test.ts', '<rootDir>/demo/**/*.test.ts'],
      testPathIgnorePatterns: ['every-family'],
    },
    {
      ...shared,
      displayName: 'database-together',
      testMatch: [
        '<rootDir>/test-support/together/database-*.test.ts',
        // What it puts in place of a module would be there for the others, too.
        '<rootDir>/src/server/kept-record.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'end-to-end',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
      testPathIgnorePatterns: [
        'nothing-lost',
        'inches',
        'gauge',
        'keep-running',
        'telling-steps',
        'walk-bore-hole',
        'walk-gear',
        'walk-one-of-two',
        'walk-pair',
        'plan-desk',
      ],
    },
    // What the rules beneath are held to in `core/bench` is walked once more by hand: minutes that the other checks need.
    {
      ...shared,
      displayName: 'long',
      testMatch: [
        '<rootDir>/e2e/{telling-steps,walk-bore-hole,walk-gear,walk-one-of-two,walk-pair}.test.ts',
        '<rootDir>/src/server/every-family.test.ts',
      ],
    },
    // These stop the database under the application, change the units or a gauge of the shop, or want its plan, which is
    // drawn up anew with every change of others: nothing else may go on beside them.
    { ...shared, displayName: 'alone', testMatch: ['<rootDir>/e2e/{gauge,inches,nothing-lost,plan-desk}.test.ts'] },
    // These start shops of their own, end their processes and fill their disk.
    { ...shared, displayName: 'running', testMatch: ['<rootDir>/e2e/keep-running.test.ts'] },
  ],
};
