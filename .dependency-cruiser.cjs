/** The boundaries of docs/architecture.md, checked on every `npm test`. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment:
        'core imports only core, words (what papers say, by language), the blocks and shapes that ship with it (data), and from the allow-list: zod, decimal.js-light, date-fns, jsonc-parser (places of faults in a family file), jsep (expressions in shapes), fastest-levenshtein (names that are nearly the same)',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^src/(core|words)|^families/(blocks|shapes)/|^node_modules/(zod|decimal\\.js-light|date-fns|jsonc-parser|jsep|fastest-levenshtein)/',
      },
    },
    {
      name: 'words-know-nothing',
      comment: 'words are data with one reader: what formats ICU messages',
      severity: 'error',
      from: { path: '^src/words', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/words|^node_modules/intl-messageformat/' },
    },
    {
      name: 'a-browser-has-one-language',
      comment: 'a page brings the words of another language along; every language at once would go to every browser',
      severity: 'error',
      from: { path: '^src/components', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/words/every-language' },
    },
    {
      name: 'db-only-from-server',
      severity: 'error',
      from: { path: '^src/(app|components|documents|stand-ins|core)' },
      to: { path: '^src/db' },
    },
    {
      name: 'contract-knows-core-only',
      comment: 'browser and server share it, so it knows neither',
      severity: 'error',
      from: { path: '^src/contract', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/(contract|core|words)|^node_modules/zod/' },
    },
    {
      name: 'db-knows-core-only',
      severity: 'error',
      from: { path: '^src/db' },
      to: { path: '^src/(contract|server|app|components|documents|stand-ins)' },
    },
    {
      name: 'components-stay-in-front',
      severity: 'error',
      from: { path: '^src/components' },
      to: { path: '^src/(server|db|documents)' },
    },
    {
      name: 'links-fetch-nothing-before',
      comment: 'a link of the framework fetches what it leads to as soon as it is in view; `ui/link` does not',
      severity: 'error',
      from: { path: '^src', pathNot: '^src/components/ui/link\\.tsx$' },
      to: { path: '^node_modules/next/link' },
    },
    {
      name: 'the-worker-knows-the-store',
      comment: 'it stands between a tablet and the shop, and has no page',
      severity: 'error',
      from: { path: '^src/worker' },
      to: { pathNot: '^src/(worker|components/held/(caches|held-store)\\.ts)|^node_modules/(workbox-|idb)' },
    },
    {
      name: 'documents-know-core-only',
      severity: 'error',
      from: { path: '^src/documents' },
      to: { path: '^src/(server|db|app|components)' },
    },
    {
      name: 'server-knows-no-interface',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(app|components)' },
    },
    {
      name: 'nothing-imports-routes',
      severity: 'error',
      from: { path: '^src/(core|db|server|stand-ins|components|documents)' },
      to: { path: '^src/app' },
    },
    {
      name: 'sql-only-in-db',
      severity: 'error',
      from: { path: '^src', pathNot: '^src/db' },
      to: { path: '^node_modules/(drizzle-orm|mysql2)' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
