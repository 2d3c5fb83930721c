/** A test as it stands in a file of tests, with what its file does before. */
export interface Collected {
  readonly id: number;
  readonly file: string;
  readonly name: string;
  readonly run: () => Promise<void>;
}

type Body = (...given: unknown[]) => unknown;

const rowsOf = (table: readonly unknown[]) => table.map((row) => (Array.isArray(row) ? (row as unknown[]) : [row]));

/**
 * Stands in for Jest's `describe`, `test` and their tables while files of tests are loaded, and gives the tests back as
 * functions that can be run again and again. What a file does before all of its tests is done before each.
 */
export function collectTests(load: (file: string) => void, files: readonly string[]): Collected[] {
  const tests: Collected[] = [];
  let before: Body[] = [];
  let file = '';
  const describe = (_name: string, body: Body, ...given: unknown[]) => {
    const outer = before;
    before = [...outer];
    body(...given);
    before = outer;
  };
  const test = (name: string, body: Body, given: readonly unknown[] = []) => {
    const first = before;
    const run = async () => {
      for (const one of first) await one();
      await body(...given);
    };
    tests.push({ id: tests.length, file, name, run });
  };
  const ownTest = Object.assign((name: string, body: Body) => test(name, body), {
    each: (table: readonly unknown[]) => (name: string, body: Body) => {
      for (const row of rowsOf(table)) test(name, body, row);
    },
  });
  const own: Record<string, unknown> = {
    test: ownTest,
    it: ownTest,
    describe: Object.assign(describe, {
      each: (table: readonly unknown[]) => (name: string, body: Body) => {
        for (const row of rowsOf(table)) describe(name, body, ...row);
      },
    }),
    beforeAll: (body: Body) => before.push(body),
    beforeEach: (body: Body) => before.push(body),
  };
  const world = globalThis as unknown as Record<string, unknown>;
  const kept = Object.fromEntries(Object.keys(own).map((key) => [key, world[key]]));
  Object.assign(world, own);
  try {
    for (file of files) {
      before = [];
      load(file);
    }
  } finally {
    Object.assign(world, kept);
  }
  return tests;
}
