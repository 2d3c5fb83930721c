import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

/** Rules of React, by their names. */
const reactRules = next.flatMap(({ rules }) =>
  Object.keys(rules ?? {}).filter((rule) => /^react(-hooks)?\//.test(rule)),
);

export default [
  {
    ignores: [
      'node_modules/',
      '.next/',
      '.data/',
      '.test-data/',
      '.bench-data/',
      'reports/',
      'next-env.d.ts',
      'src/db/migrations/',
    ],
  },
  ...next,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: {
      parserOptions: { projectService: { allowDefaultProject: ['*.config.ts'] }, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { prefer: 'type-imports', fixStyle: 'inline-type-imports' },
      ],
      '@typescript-eslint/no-unsafe-assignment': 'error',
      '@typescript-eslint/no-unsafe-argument': 'error',
      '@typescript-eslint/no-unsafe-return': 'error',
      '@typescript-eslint/no-unsafe-member-access': 'error',
      '@typescript-eslint/no-unsafe-call': 'error',
      '@typescript-eslint/only-throw-error': 'error',
      '@typescript-eslint/prefer-promise-reject-errors': 'error',
      '@typescript-eslint/restrict-plus-operands': 'error',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@next/next/no-img-element': 'off',
      'import/no-anonymous-default-export': 'off',
    },
  },
  {
    // No component stands here: what the React compiler would look for costs a seventh of the whole check.
    files: [
      'src/{core,contract,db,server,documents,stand-ins}/**/*.ts',
      '{demo,e2e,scripts,test-support}/**',
      '**/*.test.{ts,tsx}',
    ],
    rules: Object.fromEntries(reactRules.map((rule) => [rule, 'off'])),
  },
  {
    // In the bundle of the pages all of it would stand in every process a second time.
    files: ['src/app/**/*.ts', 'src/app/**/*.tsx'],
    ignores: ['src/app/{api,files,solver}/**', 'src/app/receive-picture.ts', '**/*.test.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['@/server', '@/server/*', '@/contract'],
              allowTypeImports: true,
              message: 'Pages read by app/served; of the server and the contract they import types only.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'max-lines-per-function': ['error', 45],
      'max-lines': ['error', 315],
      'no-restricted-globals': ['error', 'process', 'fetch', 'setTimeout', 'setInterval'],
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'core has no clock: pass the time in.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core has no clock: pass the time in.',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'core has no chance: pass it in.',
        },
      ],
    },
  },
  {
    // Jest's matchers are of type any.
    files: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { '@typescript-eslint/no-unsafe-argument': 'off', '@typescript-eslint/no-unsafe-return': 'off' },
  },
  {
    // Matrices of the solver's programmes are walked by index; functions of these tests run in a page, without imports.
    files: [
      'src/core/sums/{shim-*,kit-cover,run-out,linear-system}.ts',
      'src/core/sums/solver-sums.test.ts',
      'e2e/**/*.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
];
