import * as z from 'zod';
import { defineSum, finite, limits, positive, show, SumRefusal, type Warning, type WorkingStep } from './sum';
import { edgeMm, lengthsFor, type ShimTask, type Stack } from './shim-stacks';
import { shareStock } from './shim-stock';
import type { Solver } from './solver';

const input = z.strictObject({
  gaps_mm: z.array(finite.min(0, 'a gap is not negative').max(100)).min(1, 'no gap is given').max(200),
  shims_mm: z.array(positive.max(100)).min(1, 'no shim is given').max(40),
  stock: z.array(z.number().int('shims come whole').min(0).max(1e5)).max(40).optional(),
  window_mm: limits,
});
type Input = z.infer<typeof input>;
const result = z.object({
  gaps: z.array(z.object({ gap_mm: z.number(), met: z.boolean(), stack_mm: z.array(z.number()), rest_mm: z.number() })),
  totals: z.array(z.object({ shim_mm: z.number(), count: z.number() })),
});

/** A nanometre: sizes are reckoned as whole numbers of it, so that a stack that fits exactly is found to fit. */
const nanometre = 1e-6;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

function taskOf({ gaps_mm, shims_mm, window_mm, stock }: Input): ShimTask {
  const fine = shims_mm.map((shim) => Math.round(shim / nanometre));
  shims_mm.forEach((shim, i) => {
    if (Math.abs(fine[i]! * nanometre - shim) > edgeMm)
      throw new SumRefusal(`shims_mm.${i}`, `${shim} mm is finer than a nanometre can tell`);
    if (shims_mm.indexOf(shim) !== i) throw new SumRefusal(`shims_mm.${i}`, `${shim} mm stands there twice`);
  });
  if (stock && stock.length !== shims_mm.length)
    throw new SumRefusal('stock', `stock has ${stock.length} counts for ${shims_mm.length} shims`);
  const measure = fine.reduce(divisor);
  const longest = Math.max(...gaps_mm) - window_mm.min + Math.max(...shims_mm);
  if (longest / (measure * nanometre) > 4e6)
    throw new SumRefusal(
      'shims_mm',
      'the shims have no common measure that gaps of this size can be reckoned with; round them to 0.001 mm',
    );
  return {
    gapsMm: gaps_mm,
    shimsMm: shims_mm,
    windowMm: window_mm,
    measureMm: measure * nanometre,
    shims: fine.map((shim) => shim / measure),
  };
}

const lengthOf = (stack: Stack, shimsMm: readonly number[]) =>
  stack.reduce((sum, count, i) => sum + count * shimsMm[i]!, 0);

/** The fewest shims for every length up to `longest`: counts, and the shim that was put on last. */
function fewestShims(
  shims: readonly number[],
  longest: number,
): { readonly count: Uint32Array; readonly last: Uint8Array } {
  const none = 0xffffffff;
  const count = new Uint32Array(longest + 1).fill(none);
  const last = new Uint8Array(longest + 1);
  count[0] = 0;
  for (let length = 1; length <= longest; length++)
    for (const [i, shim] of shims.entries()) {
      const before = length >= shim ? count[length - shim]! : none;
      if (before === none || before + 1 >= count[length]!) continue;
      count[length] = before + 1;
      last[length] = i;
    }
  return { count, last };
}

function stackAt(length: number, last: Uint8Array, shims: readonly number[]): Stack {
  const stack = shims.map(() => 0);
  for (let rest = length; rest > 0; rest -= shims[last[rest]!]!) stack[last[rest]!]!++;
  return stack;
}

/**
 * Without a stock every gap stands alone: fewest shims in the window, ties nearest its middle; else nearest the window.
 */
function eachAlone(task: ShimTask): readonly Stack[] {
  const { gapsMm, shimsMm, shims, measureMm, windowMm } = task;
  const longest = Math.max(0, Math.ceil((Math.max(...gapsMm) - windowMm.min) / measureMm)) + Math.max(...shims);
  const { count, last } = fewestShims(shims, longest);
  const middle = (windowMm.min + windowMm.max) / 2;
  return gapsMm.map((gap) => {
    const { least, most } = lengthsFor(task, gap);
    let best = -1;
    let bestKey: readonly number[] = [];
    // Measures past the window on either side matter only while no stack lies within it.
    for (let length = 0; length <= Math.min(longest, most + Math.max(...shims)); length++) {
      if (count[length] === 0xffffffff) continue;
      const rest = gap - length * measureMm;
      const isIn = length >= least && length <= most;
      const outside = isIn ? 0 : Math.max(windowMm.min - rest, rest - windowMm.max);
      const key = isIn ? [0, count[length]!, Math.abs(rest - middle)] : [1, outside, count[length]!];
      if (best < 0 || isLess(key, bestKey)) [best, bestKey] = [length, key];
    }
    return best < 0 ? shimsMm.map(() => 0) : stackAt(best, last, shims);
  });
}

function isLess(one: readonly number[], other: readonly number[]): boolean {
  const i = one.findIndex((value, k) => Math.abs(value - other[k]!) > edgeMm);
  return i >= 0 && one[i]! < other[i]!;
}

function chooseStacks(
  task: ShimTask,
  stock: readonly number[] | undefined,
  solver: Solver | undefined,
): { readonly stacks: readonly Stack[]; readonly proven: boolean } {
  if (!stock) return { stacks: eachAlone(task), proven: true };
  const alone = eachAlone(task);
  const isMet = (i: number) => isWithin(task, task.gapsMm[i]!, alone[i]!);
  const used = task.shimsMm.map((_, k) => alone.reduce((sum, stack, i) => sum + (isMet(i) ? stack[k]! : 0), 0));
  // With enough of everything the best of each gap alone is the best of all together.
  if (used.every((count, k) => count <= stock[k]!))
    return { stacks: alone.map((stack, i) => (isMet(i) ? stack : stack.map(() => 0))), proven: true };
  return shareStock(task, stock, solver);
}

function isWithin(task: ShimTask, gapMm: number, stack: Stack): boolean {
  const { least, most } = lengthsFor(task, gapMm);
  const length = stack.reduce((sum, count, i) => sum + count * task.shims[i]!, 0);
  return length >= least && length <= most;
}

/**
 * Shims for each gap so that the rest lies in the window. Without a stock, the fewest shims for each gap alone; with
 * one,
 * optimal over all gaps together: most gaps met, then fewest shims, by integer programming. Gaps and shims in mm.
 */
export const shimStack = defineSum<Input, z.infer<typeof result>>({
  id: 'shim-stack',
  title: 'Shims for each gap',
  ask: ['shim', 'which shims', 'gap', 'stage', 'fewest shims', 'stock of shims'],
  needsSolver: true,
  input,
  result,
  example: {
    input: { gaps_mm: [0.35, 0.24], shims_mm: [0.1, 0.2, 0.3], stock: [1, 1, 1], window_mm: { min: 0.02, max: 0.06 } },
    result: {
      gaps: [
        { gap_mm: 0.35, met: true, stack_mm: [0.3], rest_mm: 0.05 },
        { gap_mm: 0.24, met: true, stack_mm: [0.2], rest_mm: 0.04 },
      ],
      totals: [
        { shim_mm: 0.2, count: 1 },
        { shim_mm: 0.3, count: 1 },
      ],
    },
  },
  compute(given, solver) {
    const task = taskOf(given);
    const { stacks, proven } = chooseStacks(task, given.stock, solver);
    const order = given.shims_mm.map((_, i) => i).toSorted((a, b) => given.shims_mm[b]! - given.shims_mm[a]!);
    const gaps = given.gaps_mm.map((gap, i) => ({
      gap_mm: gap,
      met: isWithin(task, gap, stacks[i]!),
      stack_mm: order.flatMap((k) => Array.from({ length: stacks[i]![k]! }, () => given.shims_mm[k]!)),
      rest_mm: gap - lengthOf(stacks[i]!, given.shims_mm),
    }));
    const totals = given.shims_mm
      .map((shim, k) => ({ shim_mm: shim, count: stacks.reduce((sum, stack) => sum + stack[k]!, 0) }))
      .filter((one) => one.count > 0);
    return {
      result: { gaps, totals },
      working: workingOf(given, gaps, proven),
      warnings: warningsOf(given, gaps, proven),
    };
  },
});

type Gap = z.infer<typeof result>['gaps'][number];

function workingOf({ window_mm, stock }: Input, gaps: readonly Gap[], proven: boolean): readonly WorkingStep[] {
  const count = gaps.reduce((sum, gap) => sum + gap.stack_mm.length, 0);
  return [
    { what: 'Rest wanted', put: 'gap − stack', outcome: `${show(window_mm.min, 4)} to ${show(window_mm.max, 4)} mm` },
    ...gaps.map((gap, i) => ({
      what: `Gap ${i + 1}`,
      formula: 'gap − stack',
      put: `${show(gap.gap_mm, 4)} − ${gap.stack_mm.length ? `(${gap.stack_mm.map((shim) => show(shim, 4)).join(' + ')})` : '0'}`,
      outcome: `${show(gap.rest_mm, 4)} mm, ${gap.met ? 'met' : 'not met'}`,
    })),
    {
      what: 'Together',
      put: `${gaps.filter((gap) => gap.met).length} of ${gaps.length} gaps met`,
      outcome: `${count} shims`,
      source: !stock
        ? 'fewest shims for each gap, exact'
        : proven
          ? 'most gaps met, then fewest shims, exact'
          : 'best found in the time',
    },
  ];
}

function warningsOf({ stock }: Input, gaps: readonly Gap[], proven: boolean): readonly Warning[] {
  const open = gaps.flatMap((gap, i) => (gap.met ? [] : [i + 1]));
  return [
    ...(open.length
      ? [
          {
            code: 'not-met',
            sentence: `Not met ${stock ? 'from this stock' : 'with these shims'}: gap ${open.join(', ')}.`,
          },
        ]
      : []),
    ...(proven
      ? []
      : [{ code: 'not-proven', sentence: 'The best found in two seconds; a better share of the stock may exist.' }]),
  ];
}
