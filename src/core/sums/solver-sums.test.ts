import { present } from '../present';
import fc from 'fast-check';
import { loadSolver } from '@/solver/highs-solver';
import { classicShops } from '../../../test-support/job-shops';
import { programOfShop } from '../../../test-support/shop-program';
import { donorMatch } from './donor-match';
import { kitCover } from './kit-cover';
import { shimStack } from './shim-stack';
import { SumRefusal, type Sum } from './sum';
import type { Solver } from './solver';

let solver: Solver;
beforeAll(async () => {
  const real = await loadSolver();
  // Results are tested here, not speed: the clock stands still and the solver has all the time that it wants.
  solver = { solve: (program) => real.solve({ ...program, limitS: 600 }), nowS: () => 0 };
});
const run = <Input, Result>(sum: Sum<Input, Result>, input: unknown) => sum.compute(sum.input.parse(input), solver);
const runs = { numRuns: 120 };

/** All ways to take 0 to `most[k]` of each thing. */
function* everyCount(most: readonly number[]): Generator<number[]> {
  if (!most.length) return yield [];
  for (const rest of everyCount(most.slice(1)))
    for (let count = 0; count <= present(most[0]); count++) yield [count, ...rest];
}

test('of a shop whose best plan is published the solver claims no other to be the best', async () => {
  const ft20 = present(classicShops.find(({ name }) => name === 'ft20'));
  const { proven, values, bound } = (await loadSolver()).solve(programOfShop(ft20, 3));
  const operations = ft20.rows.reduce((sum, row) => sum + row.length / 2, 0);
  expect(bound).toBeLessThanOrEqual(ft20.optimum);
  if (values) expect(values[operations]).toBeGreaterThanOrEqual(ft20.optimum);
  expect(proven && values?.[operations] !== ft20.optimum).toBe(false);
});

describe('shim-stack', () => {
  const hundredths = (from: number, to: number) => fc.integer({ min: from, max: to }).map((value) => value / 100);
  const window = fc
    .tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 4 }))
    .map(([min, width]) => ({ min: min / 100, max: (min + width) / 100 }));
  const shims = fc.uniqueArray(hundredths(3, 30), { minLength: 1, maxLength: 3 });
  const isIn = (rest: number, { min, max }: { min: number; max: number }) => rest >= min - 1e-9 && rest <= max + 1e-9;

  test('without a stock: fewest shims in the window, nearest its middle; else nearest the window (against every stack)', () =>
    fc.assert(
      fc.property(hundredths(0, 60), shims, window, (gap, shims_mm, window_mm) => {
        const [found] = run(shimStack, { gaps_mm: [gap], shims_mm, window_mm }).result.gaps;
        const stacks = [...everyCount(shims_mm.map((shim) => Math.ceil(gap / shim) + 1))].map((counts) => ({
          count: counts.reduce((a, b) => a + b, 0),
          rest: gap - counts.reduce((sum, count, k) => sum + count * present(shims_mm[k]), 0),
        }));
        const fitting = stacks.filter((stack) => isIn(stack.rest, window_mm));
        expect(present(found).met).toBe(fitting.length > 0);
        if (!fitting.length) {
          const outside = (rest: number) => Math.max(window_mm.min - rest, rest - window_mm.max, 0);
          expect(outside(present(found).rest_mm)).toBeCloseTo(
            Math.min(...stacks.map((stack) => outside(stack.rest))),
            9,
          );
          return;
        }
        const fewest = Math.min(...fitting.map((stack) => stack.count));
        const middle = (window_mm.min + window_mm.max) / 2;
        expect(present(found).stack_mm).toHaveLength(fewest);
        expect(Math.abs(present(found).rest_mm - middle)).toBeCloseTo(
          Math.min(...fitting.filter((stack) => stack.count === fewest).map((stack) => Math.abs(stack.rest - middle))),
          9,
        );
      }),
      runs,
    ));

  /** Most gaps met and fewest shims for it, by trying every stack of every gap with what is left. */
  function bruteForce(
    gaps: readonly number[],
    shims_mm: readonly number[],
    stock: readonly number[],
    window_mm: { min: number; max: number },
  ): readonly [met: number, shims: number] {
    if (!gaps.length) return [0, 0];
    let best = bruteForce(gaps.slice(1), shims_mm, stock, window_mm);
    for (const counts of everyCount(stock)) {
      if (!isIn(present(gaps[0]) - counts.reduce((sum, count, k) => sum + count * present(shims_mm[k]), 0), window_mm))
        continue;
      const [met, used] = bruteForce(
        gaps.slice(1),
        shims_mm,
        stock.map((most, k) => most - present(counts[k])),
        window_mm,
      );
      const own = [met + 1, used + counts.reduce((a, b) => a + b, 0)] as const;
      if (own[0] > best[0] || (own[0] === best[0] && own[1] < best[1])) best = own;
    }
    return best;
  }

  test('with a stock: most gaps met, then fewest shims (against every share of the stock)', () =>
    fc.assert(
      fc.property(
        fc.array(hundredths(3, 50), { minLength: 1, maxLength: 4 }),
        fc.uniqueArray(hundredths(4, 24), { minLength: 2, maxLength: 3 }),
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 3, maxLength: 3 }),
        window,
        (gaps_mm, shims_mm, counts, window_mm) => {
          const stock = counts.slice(0, shims_mm.length);
          const { result, warnings } = run(shimStack, { gaps_mm, shims_mm, stock, window_mm });
          const met = result.gaps.filter((gap) => gap.met);
          expect([met.length, met.reduce((sum, gap) => sum + gap.stack_mm.length, 0)]).toEqual(
            bruteForce(gaps_mm, shims_mm, stock, window_mm),
          );
          expect(warnings.map((one) => one.code)).not.toContain('not-proven');
          for (const gap of result.gaps) {
            expect(isIn(gap.rest_mm, window_mm) || !gap.met).toBe(true);
            expect(gap.rest_mm).toBeCloseTo(gap.gap_mm - gap.stack_mm.reduce((a, b) => a + b, 0), 12);
            if (!gap.met) expect(gap.stack_mm).toEqual([]);
          }
          shims_mm.forEach((shim, k) =>
            expect(result.gaps.flatMap((gap) => gap.stack_mm).filter((one) => one === shim).length).toBeLessThanOrEqual(
              present(stock[k]),
            ),
          );
          for (const total of result.totals)
            expect(total.count).toBe(
              result.gaps.flatMap((gap) => gap.stack_mm).filter((one) => one === total.shim_mm).length,
            );
        },
      ),
      runs,
    ));

  test('40 gaps, 8 thicknesses and a short stock: proven, within the stock, no worse than one gap after the other', () => {
    const shims_mm = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
    const gaps_mm = Array.from({ length: 40 }, (_, i) => Math.round(20 + ((i * 37) % 130)) / 100);
    const stock = [9, 5, 8, 6, 10, 4, 7, 5];
    const window_mm = { min: 0.02, max: 0.06 };
    const { result, warnings } = run(shimStack, { gaps_mm, shims_mm, stock, window_mm });
    expect(warnings.map((one) => one.code)).not.toContain('not-proven');
    const left = [...stock];
    let greedy = 0;
    for (const gap of gaps_mm.toSorted((a, b) => a - b)) {
      const [alone] = run(shimStack, { gaps_mm: [gap], shims_mm, stock: left, window_mm }).result.gaps;
      if (!present(alone).met) continue;
      greedy++;
      for (const shim of present(alone).stack_mm) left[shims_mm.indexOf(shim)]!--;
    }
    const met = result.gaps.filter((gap) => gap.met).length;
    expect(met).toBeGreaterThanOrEqual(greedy);
    expect(met).toBeLessThan(40);
    result.totals.forEach((total) =>
      expect(total.count).toBeLessThanOrEqual(present(stock[shims_mm.indexOf(total.shim_mm)])),
    );
  });

  test('a tight stock that does serve every gap is shared so from the relaxation alone, without a search', () => {
    const relaxesOnly: Solver = {
      solve: (program) =>
        program.whole ? { proven: false, values: null, bound: -Infinity, duals: [] } : solver.solve(program),
      nowS: () => 0,
    };
    const hundredths = [
      50, 122, 144, 67, 122, 103, 30, 55, 116, 144, 93, 41, 148, 133, 34, 74, 80, 145, 51, 80, 122, 122, 116, 90, 78,
      89, 135, 86, 121, 38, 86, 108, 92, 96, 33, 131, 25, 32, 117, 62,
    ];
    const shims_mm = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
    const stock = [28, 22, 18, 13, 30, 28, 17, 29];
    const { result, warnings } = shimStack.compute(
      { gaps_mm: hundredths.map((gap) => gap / 100), shims_mm, stock, window_mm: { min: 0.02, max: 0.06 } },
      relaxesOnly,
    );
    // Nothing serves more than all; what a gap is left with and what the stock gave are added up here.
    expect(warnings).toEqual([]);
    for (const { gap_mm, stack_mm } of result.gaps)
      expect(isIn(gap_mm - stack_mm.reduce((a, b) => a + b, 0), { min: 0.02, max: 0.06 })).toBe(true);
    shims_mm.forEach((shim, k) =>
      expect(result.gaps.flatMap((gap) => gap.stack_mm).filter((one) => one === shim).length).toBeLessThanOrEqual(
        present(stock[k]),
      ),
    );
  });

  test('out of time before anything is found, what fits one after the other is shown and said to be no proof', () => {
    const tired: Solver = {
      solve: () => ({ proven: false, values: null, bound: -Infinity, duals: [] }),
      nowS: () => 0,
    };
    const { result, warnings } = shimStack.compute(
      shimStack.input.parse({
        gaps_mm: [0.12, 0.12, 0.22],
        shims_mm: [0.1, 0.2],
        stock: [1, 1],
        window_mm: { min: 0.01, max: 0.03 },
      }),
      tired,
    );
    expect(result.gaps.map((gap) => gap.stack_mm)).toEqual([[0.1], [], [0.2]]);
    expect(warnings.map((one) => one.code)).toEqual(['not-met', 'not-proven']);
  });

  test('a rest on the edge of the window counts, for sizes that binary numbers do not hold exactly', () => {
    expect(run(shimStack, { gaps_mm: [0.3], shims_mm: [0.1], window_mm: { min: 0.1, max: 0.1 } }).result.gaps).toEqual([
      { gap_mm: 0.3, met: true, stack_mm: [0.1, 0.1], rest_mm: expect.closeTo(0.1, 12) as number },
    ]);
    expect(
      run(shimStack, { gaps_mm: [0.0762 + 0.02], shims_mm: [0.0254, 0.0508], window_mm: { min: 0.02, max: 0.02 } })
        .result.gaps[0],
    ).toMatchObject({ met: true, stack_mm: [0.0508, 0.0254] });
  });
  test('a gap of nothing needs no shim; a window below zero lets a stack stand proud', () => {
    expect(run(shimStack, { gaps_mm: [0], shims_mm: [0.1], window_mm: { min: 0, max: 0 } }).result.gaps[0]).toEqual({
      gap_mm: 0,
      met: true,
      stack_mm: [],
      rest_mm: 0,
    });
    expect(
      run(shimStack, { gaps_mm: [0.25], shims_mm: [0.3], window_mm: { min: -0.05, max: -0.01 } }).result.gaps[0],
    ).toMatchObject({ met: true, stack_mm: [0.3] });
  });
  test.each([
    [{ shims_mm: [0.1, 0.1] }, 'stands there twice'],
    [{ stock: [1, 2] }, 'stock has 2 counts for 1 shims'],
    [{ shims_mm: [0.123456789] }, 'finer than a nanometre'],
    [{ shims_mm: [0.000001], gaps_mm: [50] }, 'no common measure'],
  ])('%j is refused', (change, said) => {
    expect(() =>
      run(shimStack, { gaps_mm: [0.2], shims_mm: [0.1], window_mm: { min: 0, max: 0.05 }, ...change }),
    ).toThrow(SumRefusal);
    expect(() =>
      run(shimStack, { gaps_mm: [0.2], shims_mm: [0.1], window_mm: { min: 0, max: 0.05 }, ...change }),
    ).toThrow(said);
  });
});

describe('kit-cover', () => {
  const parts = ['face', 'ring', 'spring', 'gasket'];
  const line = fc.record({ part: fc.constantFrom(...parts), qty: fc.integer({ min: 1, max: 3 }) });
  const offer = fc.record({
    price: fc.integer({ min: 0, max: 500 }),
    lead_days: fc.integer({ min: 1, max: 4 }),
    gives: fc.array(line, { minLength: 1, maxLength: 3 }),
    max: fc.option(fc.integer({ min: 0, max: 2 }), { nil: undefined }),
  });
  const sum = (lines: readonly { part: string; qty: number }[], part: string) =>
    lines.filter((one) => one.part === part).reduce((total, one) => total + one.qty, 0);

  interface Offered {
    readonly id: string;
    readonly price: number;
    readonly lead_days: number;
    readonly gives: readonly { part: string; qty: number }[];
    readonly max?: number;
  }
  /** Tries every count of every offer, up to what could be of use. */
  function bruteForce(need: readonly { part: string; qty: number }[], offers: readonly Offered[]) {
    const had = (counts: readonly number[], part: string) =>
      offers.reduce((total, one, i) => total + present(counts[i]) * sum(one.gives, part), 0);
    const most = offers.map((one) => Math.min(one.max ?? 9, 9));
    const wanted = parts.map((part) => Math.min(sum(need, part), had(most, part)));
    let cheapest = Infinity;
    for (const counts of everyCount(offers.map((one, i) => Math.min(present(most[i]), 6)))) {
      const cost = counts.reduce((total, count, i) => total + count * present(offers[i]).price, 0);
      if (cost < cheapest && parts.every((part, k) => had(counts, part) >= present(wanted[k]))) cheapest = cost;
    }
    return { cheapest, wanted };
  }
  test('as cheap as the cheapest of every choice, all given that can be had, what is over and what is missing named', () =>
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 3 }),
        fc.array(offer, { minLength: 1, maxLength: 4 }),
        (need, drawn) => {
          const offers = drawn.map((one, i) => ({ ...one, id: `offer ${i}` })) as Offered[];
          fc.pre(parts.every((part) => sum(need, part) <= 6));
          const { result } = run(kitCover, { need, offers: JSON.parse(JSON.stringify(offers)) as unknown });
          const { cheapest, wanted } = bruteForce(need, offers);
          expect({ cost: result.cost, proven: result.proven, bound: result.bound }).toEqual({
            cost: cheapest,
            proven: true,
            bound: cheapest,
          });
          parts.forEach((part, k) => {
            const given = result.chosen.reduce(
              (total, one) => total + one.count * sum(present(offers.find((other) => other.id === one.id)).gives, part),
              0,
            );
            expect(given - sum(result.left_over, part) + sum(result.cannot, part)).toBe(sum(need, part));
            expect(sum(result.cannot, part)).toBe(sum(need, part) - present(wanted[k]));
          });
          for (const one of result.chosen)
            expect(one.count).toBeLessThanOrEqual(present(offers.find((other) => other.id === one.id)).max ?? Infinity);
          for (const { lead_days, cost } of result.by_lead_days)
            expect(cost).toBe(
              bruteForce(
                need,
                offers.filter((one) => one.lead_days <= lead_days),
              ).cheapest,
            );
        },
      ),
      runs,
    ));

  test('60 parts by 80 offers of the usual kind: proven; kits and single parts together', () => {
    const names = Array.from({ length: 60 }, (_, i) => `part ${i}`);
    const price = (i: number) => 300 + ((i * 7919) % 4000);
    const single = names
      .slice(0, 50)
      .map((part, i) => ({ id: `alone ${i}`, price: price(i), lead_days: 2 + (i % 5), gives: [{ part, qty: 1 }] }));
    const kits = Array.from({ length: 30 }, (_, k) => {
      const gives = Array.from({ length: 8 }, (_, j) => (k * 2 + j * (1 + (k % 3))) % 60).map((i) => ({
        part: present(names[i]),
        qty: 1 + (i % 2),
      }));
      return {
        id: `kit ${k}`,
        price: Math.round(
          gives.reduce((total, one) => total + one.qty * price(names.indexOf(one.part)), 0) * (0.45 + (k % 7) / 20),
        ),
        lead_days: 3 + (k % 9),
        gives,
      };
    });
    const { result } = run(kitCover, {
      need: names.map((part, i) => ({ part, qty: 1 + (i % 3) })),
      offers: [...single, ...kits],
    });
    expect(result.proven).toBe(true);
    expect(result.cannot).toEqual([]);
    for (let i = 1; i < result.by_lead_days.length; i++)
      expect(present(result.by_lead_days[i]).cost).toBeLessThanOrEqual(present(result.by_lead_days[i - 1]).cost);
    expect(present(result.by_lead_days.at(-1)).cost).toBe(result.cost);
    // Kits of eight are dearer than their parts only where a third of them is wanted: some kit and some single part are
    // taken.
    expect(new Set(result.chosen.map((one) => one.id.split(' ')[0]))).toEqual(new Set(['kit', 'alone']));
  });
  test('only offers in time; need lines of one part add up', () => {
    const offers = [
      { id: 'soon', price: 900, lead_days: 1, gives: [{ part: 'ring', qty: 1 }] },
      { id: 'late', price: 100, lead_days: 9, gives: [{ part: 'ring', qty: 1 }] },
    ];
    const need = [
      { part: 'ring', qty: 1 },
      { part: 'ring', qty: 1 },
    ];
    expect(run(kitCover, { need, offers }).result).toMatchObject({
      cost: 200,
      by_lead_days: [
        { lead_days: 1, cost: 1800 },
        { lead_days: 9, cost: 200 },
      ],
    });
    expect(run(kitCover, { need, offers, latest_days: 5 }).result).toMatchObject({
      cost: 1800,
      by_lead_days: [{ lead_days: 1, cost: 1800 }],
    });
    expect(run(kitCover, { need, offers, latest_days: 0 }).result).toMatchObject({
      cost: 0,
      chosen: [],
      cannot: [{ part: 'ring', qty: 2 }],
      by_lead_days: [],
      proven: true,
    });
  });
  test('without a proof in time it says so, with what was found and the bound', () => {
    const tired: Solver = { solve: () => ({ proven: false, values: null, bound: 150, duals: [] }), nowS: () => 0 };
    const offers = [
      { id: 'kit', price: 900, lead_days: 1, gives: [{ part: 'ring', qty: 1 }] },
      { id: 'ring', price: 200, lead_days: 1, gives: [{ part: 'ring', qty: 1 }] },
    ];
    const { result, warnings } = kitCover.compute(
      kitCover.input.parse({ need: [{ part: 'ring', qty: 1 }], offers }),
      tired,
    );
    expect(result).toMatchObject({ chosen: [{ id: 'ring', count: 1 }], cost: 200, proven: false, bound: 150 });
    expect(warnings.map((one) => one.code)).toContain('not-proven');
  });
  test('two offers of one name are refused', () =>
    expect(() =>
      run(kitCover, {
        need: [{ part: 'a', qty: 1 }],
        offers: [1, 2].map((price) => ({ id: 'x', price, lead_days: 1, gives: [{ part: 'a', qty: 1 }] })),
      }),
    ).toThrow('two offers are called “x”'));
});

describe('donor-match', () => {
  const points = { new: 0, good: 10, fair: 30, poor: 60 } as const;
  const slot = fc.record({
    part: fc.constantFrom('impeller', 'shaft'),
    number: fc.constantFrom('1', '2'),
    interchange_group: fc.option(fc.constantFrom('g', 'h'), { nil: undefined }),
  });
  const candidate = fc.record({
    part: fc.constantFrom('impeller', 'shaft'),
    number: fc.constantFrom('1', '2', '3'),
    interchange_group: fc.option(fc.constantFrom('g', 'h'), { nil: undefined }),
    condition: fc.constantFrom('new', 'good', 'fair', 'poor'),
    wear_used_pct: fc.integer({ min: 0, max: 120 }),
  });
  test('as many slots and as few points as the best of every assignment; no part twice', () =>
    fc.assert(
      fc.property(
        fc.array(slot, { minLength: 1, maxLength: 4 }),
        fc.array(candidate, { maxLength: 5 }),
        (drawnSlots, drawnCandidates) => {
          const slots = drawnSlots.map((one, i) => ({ ...one, id: `s${i}`, pump: `P${i}` }));
          const candidates = drawnCandidates.map((one, i) => ({ ...one, id: `c${i}`, unit: `U${i % 2}` }));
          const suits = (one: (typeof slots)[number], other: (typeof candidates)[number]) =>
            one.part === other.part &&
            (one.number === other.number ||
              (one.interchange_group !== undefined && one.interchange_group === other.interchange_group)) &&
            other.condition !== 'poor' &&
            other.wear_used_pct <= 100;
          const cost = (one: (typeof slots)[number], other: (typeof candidates)[number]) =>
            other.wear_used_pct + points[other.condition] + (one.number === other.number ? 0 : 5);
          const every = (
            i: number,
            free: readonly (typeof candidates)[number][],
          ): readonly [filled: number, points: number] => {
            if (i === slots.length) return [0, 0];
            let best = every(i + 1, free);
            for (const other of free.filter((one) => suits(present(slots[i]), one))) {
              const [filled, sum] = every(
                i + 1,
                free.filter((one) => one !== other),
              );
              const own = [filled + 1, sum + cost(present(slots[i]), other)] as const;
              if (own[0] > best[0] || (own[0] === best[0] && own[1] < best[1])) best = own;
            }
            return best;
          };
          const { result } = run(donorMatch, JSON.parse(JSON.stringify({ slots, candidates })));
          expect([result.matches.length, result.points]).toEqual(every(0, candidates));
          expect(new Set(result.matches.map((one) => one.candidate)).size).toBe(result.matches.length);
          expect(result.matches.length + result.unfilled.length).toBe(slots.length);
          for (const one of result.matches)
            expect(
              suits(
                present(slots.find((other) => other.id === one.slot)),
                present(candidates.find((other) => other.id === one.candidate)),
              ),
            ).toBe(true);
        },
      ),
      runs,
    ));
  test('an empty slot says why', () => {
    const { result } = run(donorMatch, {
      slots: [
        { id: 's', pump: 'P', part: 'shaft', number: '1' },
        { id: 't', pump: 'P', part: 'ring' },
      ],
      candidates: [{ id: 'c', unit: 'U', part: 'shaft', number: '2', condition: 'good', wear_used_pct: 3 }],
    });
    expect(result.unfilled).toEqual([
      { slot: 's', pump: 'P', reason: 'c of U: its number 2 does not interchange.' },
      { slot: 't', pump: 'P', reason: 'No unit brings a ring.' },
    ]);
  });
  test('two candidates of one name are refused', () =>
    expect(() =>
      run(donorMatch, {
        slots: [{ id: 's', pump: 'P', part: 'a' }],
        candidates: [1, 2].map(() => ({ id: 'c', unit: 'U', part: 'a', condition: 'new', wear_used_pct: 0 })),
      }),
    ).toThrow('“c” stands there twice'));
});
