import * as z from 'zod';
import { mayAct, type Audience } from '@/core/access';
import { DomainError, type Issue } from '@/core/errors';
import { SumRefusal } from '@/core/sums';
import { DeviceError } from '@/stand-ins';
import { isDeadlock, translateError } from '@/db';
import type { Context } from './context';

export interface UseCase<Input = unknown, Result = unknown> {
  readonly verb: string;
  /** Who may do it; the owner always may. */
  readonly audience: readonly Audience[];
  readonly input: z.ZodType<Input>;
  readonly run: (context: Context, input: Input) => Promise<Result>;
}

export function defineUseCase<Input, Result>(useCase: UseCase<Input, Result>): UseCase<Input, Result> {
  return useCase;
}

function issuesOf(error: z.ZodError): readonly Issue[] {
  return error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
}

function parseInput<Input>(useCase: UseCase<Input, unknown>, raw: unknown): Input {
  const read = useCase.input.safeParse(raw ?? {});
  if (read.success) return read.data;
  const issues = issuesOf(read.error);
  throw new DomainError('bad-input', {
    what: issues.map((issue) => (issue.path ? `${issue.path}: ${issue.message}` : issue.message)).join('; '),
    issues,
  });
}

/** Runs what touches the database: deadlocks are tried again, foreseen failures become DomainErrors. */
export async function runTranslated<Result>(act: () => Promise<Result>): Promise<Result> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await act();
    } catch (error) {
      if (isDeadlock(error) && attempt < 4) continue;
      if (error instanceof SumRefusal)
        throw new DomainError(
          'bad-input',
          { what: error.message, issues: [{ path: error.path, message: error.message }] },
          { cause: error },
        );
      if (error instanceof DeviceError)
        throw new DomainError('bad-input', { what: `${error.device}: ${error.message}` }, { cause: error });
      throw translateError(error);
    }
  }
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
  return runTranslated(() => useCase.run(context, input));
}

/** Pieces that many inputs share. */
export const tagField = z.string().regex(/^P-\d{4,7}$/, 'a tag looks like P-0417');
export const sentence = (max = 2000) =>
  z.string().trim().min(1, 'must not be empty').max(max, `at most ${max} characters`);
export const optionalText = (max = 2000) => z.string().trim().max(max, `at most ${max} characters`).default('');
export const dayField = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'a day looks like 2026-12-09')
  .refine(
    (day) => !Number.isNaN(Date.parse(day)) && new Date(day).toISOString().startsWith(day),
    'there is no such day',
  );
export const basedOn = z.number().int().min(0);
