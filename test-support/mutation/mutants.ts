import { appendFileSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { present } from '@/core/present';
import { collectTests, type Collected } from './collect';

/** What the instrumented sources read and write: the change that is switched on, and what was reached. */
interface Switches {
  activeMutant?: string;
  currentTestId?: string;
  hitCount?: number;
  hitLimit?: number;
  mutantCoverage?: { static: Record<string, number>; perTest: Record<string, Record<string, number>> };
}

const root = join(__dirname, '../..');
const place = process.env.MUTATION_PLACE ?? '0';
const topics = (process.env.MUTATION_TOPICS ?? '').split(' ').filter(Boolean);
const out = join(root, `reports/verdicts-${place}.txt`);
const world = globalThis as unknown as { __stryker__: Switches };
world.__stryker__ = {};
const switches = world.__stryker__;

const files = topics
  .map((topic) => join(root, 'src/core', topic))
  .flatMap((folder) => readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => join(folder, name)))
  .filter((name) => name.endsWith('.test.ts'));
const collect = () => collectTests((file) => jest.requireActual(file), files);

/** A run that takes a change so often goes round for ever: some tests reach a line a hundred thousand times. */
const hitLimit = 5_000_000;

async function passes(one: Collected): Promise<boolean> {
  switches.hitCount = 0;
  try {
    await one.run();
    return true;
  } catch {
    return false;
  }
}

/** Whether a test fails by the change, and passes without it: one that fails without it too was spoiled by an earlier one. */
async function verdictOf(id: string, tests: readonly Collected[]): Promise<'noticed' | 'unnoticed' | 'spoiled'> {
  for (const one of tests) {
    switches.activeMutant = id;
    if (await passes(one)) continue;
    delete switches.activeMutant;
    return (await passes(one)) ? 'noticed' : 'spoiled';
  }
  return 'unnoticed';
}

async function reached(tests: readonly Collected[]): Promise<Map<string, Collected[]>> {
  const byMutant = new Map<string, Collected[]>();
  const took = new Map<Collected, number>();
  for (const one of tests) {
    switches.currentTestId = String(one.id);
    const from = performance.now();
    if (!(await passes(one))) throw new Error(`${one.file}: “${one.name}” fails without any change`);
    took.set(one, performance.now() - from);
  }
  // The quickest tests first: most changes are noticed by one of them.
  for (const one of [...tests].sort((a, b) => (took.get(a) ?? 0) - (took.get(b) ?? 0))) {
    for (const id of Object.keys(switches.mutantCoverage?.perTest[one.id] ?? {}))
      byMutant.set(id, [...(byMutant.get(id) ?? []), one]);
  }
  delete switches.currentTestId;
  return byMutant;
}

test('every change is tried', async () => {
  switches.hitLimit = hitLimit;
  let tests = collect();
  const byMutant = await reached(tests);
  const statics = switches.mutantCoverage?.static ?? {};
  const say = (line: string) => appendFileSync(out, `${line}\n`);
  for (const id of JSON.parse(readFileSync(join(root, `reports/open-${place}.json`), 'utf8')) as string[]) {
    say(`${id} begun`);
    const own = byMutant.get(id)?.map(({ id: at }) => at) ?? [];
    if (!(id in statics)) {
      let verdict = own.length
        ? await verdictOf(
            id,
            own.map((at) => present(tests[at])),
          )
        : 'unreached';
      if (verdict === 'spoiled') {
        tests = anew();
        verdict = await verdictOf(
          id,
          own.map((at) => present(tests[at])),
        );
      }
      say(`${id} ${verdict}`);
      continue;
    }
    // What is done while a module is loaded is tried by loading all anew.
    switches.activeMutant = id;
    let isLoaded = true;
    let changed: readonly Collected[] = [];
    try {
      changed = anew();
    } catch {
      isLoaded = false;
    }
    switches.activeMutant = id;
    let verdict = isLoaded ? 'unnoticed' : 'noticed';
    for (const one of changed) {
      if (await passes(one)) continue;
      verdict = 'noticed';
      break;
    }
    say(`${id} ${verdict}`);
    delete switches.activeMutant;
    tests = anew();
  }

  function anew() {
    jest.resetModules();
    return collect();
  }
});
