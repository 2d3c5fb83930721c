import type * as z from 'zod';
import { described, type CommandOf, type ResultOf, type Verb } from '@/contract';
import { mayAct, type Audience } from '@/core/access';
import { DomainError, type Issue } from '@/core/errors';
import { SumRefusal } from '@/core/sums';
import { DeviceError } from '@/stand-ins';
import { howLost, isDeadlock, translateError, type Connection } from '@/db';
import type { Context } from './context';

export interface UseCase<Input = unknown, Result = unknown> {
  readonly verb: string;
  /** Who may do it; the owner always may. */
  readonly audience: readonly Audience[];
  readonly input: z.ZodType<Input>;
  /** Whether all that it does is done in the transaction that keeps the answer to its entry, or none of it. */
  readonly isAllOrNothing?: boolean;
  /** Whether it changes the job of its tag and takes what was read of it before it was known who asks, see `Ahead`. */
  readonly readsAhead?: boolean;
  run(context: Context, input: Input): Promise<Result>;
}

/** Declares a use case that reads; those that change something stand in the contract. */
export function defineUseCase<Input, Result>(useCase: UseCase<Input, Result>): UseCase<Input, Result> {
  return useCase;
}

/** The use case of a verb of the contract. */
export function forVerb<V extends Verb>(
  verb: V,
  run: (context: Context, command: CommandOf<V>) => Promise<ResultOf<V>>,
): UseCase<CommandOf<V>, ResultOf<V>> {
  const { audience, input } = described[verb];
  return { verb, audience, input, run };
}

function issuesOf(error: z.ZodError): readonly Issue[] {
  return error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
}

function parseInput<Input>(useCase: UseCase<Input>, raw: unknown): Input {
  const read = useCase.input.safeParse(raw ?? {});
  if (read.success) return read.data;
  const issues = issuesOf(read.error);
  const what = issues.map((issue) => (issue.path ? `${issue.path}: ${issue.message}` : issue.message)).join('; ');
  throw new DomainError('bad-input', { what, issues });
}

function asDomainError(error: unknown): unknown {
  if (error instanceof SumRefusal) {
    const details = { what: error.message, issues: [{ path: error.path, message: error.message }] };
    return new DomainError('bad-input', details, { cause: error });
  }
  if (error instanceof DeviceError)
    return new DomainError('bad-input', { what: `${error.device}: ${error.message}` }, { cause: error });
  return translateError(error);
}

const mostAttempts = 8;
/** The longest first pause before another try, in ms; it doubles, and chance keeps two that met from meeting again. */
const firstPauseMs = 5;
const pauseAfter = (attempt: number) => Math.random() * firstPauseMs * 2 ** (attempt - 1);

/** For how long the nodes of a cluster may come to terms about one that was lost, and how often it is tried, in ms. */
const comeToTermsMs = 12_000;
const tryEveryMs = 250;
const wait = (ms: number) => new Promise<void>((wake) => setTimeout(wake, ms));

interface Trying {
  readonly attempt: number;
  readonly sinceMs: number;
  readonly isRepeatable: boolean;
}

/** After how many ms what was broken off may be done anew: two met, or a node was lost; null where it may not. */
function againAfter(error: unknown, { attempt, sinceMs, isRepeatable }: Trying): number | null {
  if (isDeadlock(error)) return attempt < mostAttempts ? pauseAfter(attempt) : null;
  const left = howLost(error);
  const isSafe = left === 'nothing was done' || (left === 'unsure' && isRepeatable);
  return isSafe && sinceMs < comeToTermsMs ? tryEveryMs : null;
}

/**
 * Runs what touches the database: what met another at the same moment, on this node of a cluster or another, or was on a
 * node that was lost, is done anew as a whole; foreseen failures become DomainErrors.
 * @param isRepeatable whether doing it twice does it once: what has the key of an entry
 */
export async function runTranslated<Result>(act: () => Promise<Result>, isRepeatable = false): Promise<Result> {
  const began = performance.now();
  for (let attempt = 1; ; attempt++) {
    try {
      return await act();
    } catch (error) {
      const after = againAfter(error, { attempt, sinceMs: performance.now() - began, isRepeatable });
      if (after === null) throw asDomainError(error);
      await wait(after);
    }
  }
}

/** One transaction for what a verb writes and for the answer that its entry is remembered by. */
export async function inTransaction<Result>(
  context: Context,
  write: (connection: Connection) => Promise<Result>,
): Promise<Result> {
  return context.database.transaction(async (connection) => {
    const answer = await write(connection);
    await context.remember?.(connection, answer);
    return answer;
  });
}

/** The one way into a use case: authorise, parse, run. Throws DomainError for what was foreseen. */
export async function perform<Input, Result>(
  useCase: UseCase<Input, Result>,
  context: Context,
  raw: unknown,
): Promise<Result> {
  if (!mayAct(context.actor, useCase.audience))
    throw new DomainError(context.actor.kind === 'nobody' ? 'not-signed-in' : 'not-allowed');
  const input = parseInput(useCase, raw);
  return runTranslated(() => useCase.run(context, input), context.entry !== undefined);
}
