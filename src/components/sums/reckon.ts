import { wrap, type Remote } from 'comlink';
import { SumRefusal, type Outcome, type Sum } from '@/core/sums';
import type { HeavySums } from './solver.worker';
import { readFields, type FieldTexts, type SumField } from './sum-fields';

export type Issues = Readonly<Record<string, string>>;
export type Reckoned = { readonly outcome: Outcome<unknown>; readonly input: unknown } | { readonly issues: Issues };

/** What stands in the fields as the sum's own input, or what is wrong with it. */
export function readInput(
  sum: Sum,
  fields: readonly SumField[],
  texts: FieldTexts,
): { readonly input: unknown } | { readonly issues: Issues } {
  const read = readFields(fields, texts);
  if (Object.keys(read.issues).length) return { issues: read.issues };
  const parsed = sum.input.safeParse(read.input);
  return parsed.success
    ? { input: parsed.data }
    : { issues: Object.fromEntries(parsed.error.issues.map((issue) => [issue.path.join('.'), issue.message])) };
}

export function reckonHere(sum: Sum, input: unknown): Reckoned {
  try {
    return { outcome: sum.compute(input), input };
  } catch (error) {
    if (error instanceof SumRefusal) return { issues: { [error.path]: error.message } };
    throw error;
  }
}

let heavy: Remote<HeavySums> | undefined;

/** In a web worker of its own, which keeps its solver between sums. */
export async function reckonBeside(sum: Sum, input: unknown): Promise<Reckoned> {
  try {
    heavy ??= wrap<HeavySums>(new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }));
    const answer = await heavy.compute(sum.id, input);
    return 'refusal' in answer
      ? { issues: { [answer.refusal.path]: answer.refusal.message } }
      : { outcome: answer.outcome, input };
  } catch (error) {
    console.error(error);
    return {
      issues: {
        '': 'The solver could not be started on this device; it may have been offline when this page was first opened.',
      },
    };
  }
}
