// Used by the benchmark: calls a second of each sum, verdicts of 200 points, section drawing, report PDF with 30
// pictures.
import { present } from '@/core/present';
import f1 from '@families/f1-overhung.json';
import f4 from '@families/f4-bore-hole.json';
import f6 from '@families/f6-internal-gear.json';
import f7 from '@families/f7-rotary-lobe.json';
import { buildFamily, drawSection, loadFamily } from '@/core/family';
import { judgePoints } from '@/core/inspection';
import { drawUpPlan, readProblem, simulate } from '@/core/planning';
import { placeKey } from '@/core/record';
import { exampleReading } from '@/core/record/example-record';
import { kitCover, orderPlan, shimStack, sums, type Solver } from '@/core/sums';
import { drawOrderPlan } from '@/core/sums/draw-order-plan';
import { loadSolver } from '@/solver/highs-solver';
import { classicShops, planOfShop } from '../test-support/job-shops';
import { programOfShop } from '../test-support/shop-program';
import { repairShop } from '../test-support/repair-shop';
import { reportForBench, timesOfReport } from './lib/bench-report';

const family = buildFamily(loadFamily(f1));
const line = (name: string, value: string) => process.stdout.write(`${name.padEnd(46)} ${value}\n`);

function perSecond(act: () => void, forMs = 300): number {
  for (let i = 0; i < 50; i++) act();
  const start = performance.now();
  let count = 0;
  while (performance.now() - start < forMs) {
    act();
    count++;
  }
  return (count * 1000) / (performance.now() - start);
}

const timed = <Value>(act: () => Value) => {
  const start = performance.now();
  const value = act();
  return { value, ms: performance.now() - start };
};

/** Plans: how near to the published optima in how long, and a repair shop of a usual and of a large size. */
function benchPlanning(): void {
  for (const shop of classicShops) {
    const { value, ms } = timed(() => drawUpPlan(readProblem(planOfShop(shop, 5000))));
    const above = (100 * value.cost.first) / shop.optimum - 100;
    line(
      `plan ${shop.name}, ${shop.rows.length} jobs`,
      `${value.cost.first}, ${above.toFixed(2)} % above ${shop.optimum}, ${ms.toFixed(0)} ms`,
    );
  }
  for (const count of [40, 200]) {
    const { value, ms } = timed(() => drawUpPlan(readProblem(repairShop(count))));
    const { first } = value.cost;
    line(
      `plan of ${count} pumps, six operations, calendars`,
      `${ms.toFixed(0)} ms, ${first} minutes late, none below ${value.bound}`,
    );
    const spread = { p10: 0.85, p50: 1, p90: 1.35 };
    const againOf = (): readonly number[] => [];
    const runs = timed(() =>
      simulate(value.schedule, {
        runs: 2000,
        seed: 1,
        leadOf: () => null,
        failRate: 0,
        factorOf: () => spread,
        againOf,
      }),
    );
    line(`2000 runs of it`, `${runs.ms.toFixed(0)} ms`);
  }
}

/** The same shops, given to the solver package as mixed-integer programs, with the same five seconds. */
function benchSolverOnShops(solver: Solver): void {
  for (const shop of classicShops) {
    const { value, ms } = timed(() => solver.solve(programOfShop(shop, 5)));
    const found = value.values?.[shop.rows.reduce((sum, row) => sum + row.length / 2, 0)];
    const above =
      found === undefined
        ? 'nothing found'
        : `${found}, ${((100 * found) / shop.optimum - 100).toFixed(2)} % above ${shop.optimum}`;
    line(`solver package on ${shop.name}`, `${above}, none below ${Math.ceil(value.bound)}, ${ms.toFixed(0)} ms`);
  }
}

/** The sizes that a shop meets at most, drawn from a fixed seed. */
function benchSolver(solver: Solver): void {
  let state = 77;
  const random = () => (state = (state * 1664525 + 1013904223) % 2 ** 32) / 2 ** 32;
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const shims = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
  const shimTimes = Array.from({ length: 20 }, () => {
    const input = {
      gaps_mm: Array.from({ length: 40 }, () => whole(20, 150) / 100),
      shims_mm: shims,
      stock: shims.map(() => whole(6, 30)),
      window_mm: { min: 0.02, max: 0.06 },
    };
    const start = performance.now();
    const { warnings } = shimStack.compute(shimStack.input.parse(input), solver);
    return { ms: performance.now() - start, proven: !warnings.some((one) => one.code === 'not-proven') };
  });
  const names = Array.from({ length: 60 }, (_, i) => `part ${i}`);
  const kitTimes = Array.from({ length: 20 }, () => {
    const single = names.slice(0, 40).map((part, i) => ({
      id: `alone ${i}`,
      price: whole(100, 5000),
      lead_days: whole(1, 20),
      gives: [{ part, qty: 1 }],
    }));
    const kits = Array.from({ length: 40 }, (_, k) => ({
      id: `kit ${k}`,
      price: whole(500, 9000),
      lead_days: whole(1, 20),
      gives: Array.from({ length: whole(3, 12) }, () => ({ part: present(names[whole(0, 59)]), qty: whole(1, 3) })),
    }));
    const start = performance.now();
    const { result } = kitCover.compute(
      kitCover.input.parse({ need: names.map((part) => ({ part, qty: whole(1, 4) })), offers: [...single, ...kits] }),
      solver,
    );
    return { ms: performance.now() - start, proven: result.proven };
  });
  const planTimes = Array.from({ length: 20 }, (_, i) => {
    const task = drawOrderPlan({ seed: i + 1, needs: 60, offers: 80, suppliers: 4 });
    const start = performance.now();
    const { result } = orderPlan.compute(orderPlan.input.parse(task), solver);
    return { ms: performance.now() - start, proven: result.proven };
  });
  const say = (times: typeof shimTimes) =>
    `${Math.round(present(times.map((one) => one.ms).toSorted((a, b) => a - b)[Math.floor(times.length / 2)]))} ms (slowest ${Math.round(Math.max(...times.map((one) => one.ms)))}), ${times.filter((one) => one.proven).length} of ${times.length} proven`;
  line('shim-stack, 40 gaps by 8 thicknesses, short stock', say(shimTimes));
  line('kit-cover, 60 parts by 80 offers, all lead times', say(kitTimes));
  line('order-plan, 60 needs by 80 offers by 4 suppliers', say(planTimes));
}

async function main(): Promise<void> {
  const solver = await loadSolver();
  for (const sum of sums) {
    const input = sum.input.parse(sum.example.input);
    line(`sum ${sum.id}`, `${Math.round(perSecond(() => sum.compute(input, solver))).toLocaleString('en')} a second`);
  }
  benchSolver(solver);
  benchPlanning();
  benchSolverOnShops(solver);
  const many = {
    ...family,
    points: Array.from({ length: 13 }, (_, i) =>
      family.points.map((point) => ({
        ...point,
        id: `${point.id}-${i}`,
        ...(point.derived && {
          derived: { ...point.derived, bore: `${point.derived.bore}-${i}`, journal: `${point.derived.journal}-${i}` },
        }),
      })),
    ).flat(),
  };
  const asNew = (point: (typeof family.points)[number]) => point.new_mm?.min ?? point.limits?.new.max ?? 0;
  const readings = many.points.flatMap((point) =>
    point.places.map((place) => exampleReading(point.id, placeKey(place), asNew(point), 'as-found', 1.5)),
  );
  line(
    `verdicts of ${many.points.length} points, ${readings.length} readings`,
    `${(1000 / perSecond(() => judgePoints({ family: many, readings: [...readings], phase: 'as-found' }))).toFixed(2)} ms`,
  );
  for (const file of [f4, f6, f7]) {
    const built = buildFamily(loadFamily(file));
    line(
      `section of ${built.id}, ${drawSection(built).shapes.length} outlines`,
      `${(1000 / perSecond(() => drawSection(built))).toFixed(2)} ms`,
    );
  }
  const times = await timesOfReport((await reportForBench()).write);
  line(
    'report PDF with 30 pictures, median of 5',
    `${present(times.toSorted((a, b) => a - b)[2]).toFixed(0)} ms (first ${present(times[0]).toFixed(0)} ms)`,
  );
}
void main();
