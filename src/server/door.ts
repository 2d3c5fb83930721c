import * as z from 'zod';
import { verbs, type CommandOf, type ResultOf, type Verb } from '@/contract';
import { mayAct } from '@/core/access';
import { tagField } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import { sha256, type Database, type OutboxRow } from '@/db';
import type { Context } from './context';
import { answerOnce } from './entries';
import { carryOut } from './outbox';
import { addPhoto } from './job-commands';
import { setMark } from './people/papers';
import { readAhead, type Ahead } from './ahead';
import { readMark, readPicture, type Picture } from './pictures';
import { planSoon } from './planning/plan-soon';
import { timing } from './planning/worked';
import { actUseCases } from './registry';
import { addOrderPhoto } from './supply/order-photos';
import { perform, type UseCase } from './use-case';

const aboutJob = z.object({ tag: tagField });

interface Knocked {
  readonly verb: Verb;
  readonly input: unknown;
  /** Whether the answer is to say what a page shows of the job. */
  readonly isShown: boolean;
}

/**
 * Begins to read what a change of a job asks for, before it is known who asks; undefined for any other change.
 * @param database to read by
 */
export function beginChange(database: Database, { verb, input, isShown }: Knocked): Ahead | undefined {
  const read = aboutJob.safeParse(input);
  if (!actUseCases[verb].readsAhead || !read.success) return undefined;
  return readAhead(database, read.data.tag, isShown);
}

/**
 * The one door for changes: a verb and its input. An entry with a key is answered once; what follows the commit
 * (documents, mail, orders) is tried at once and, where it fails, later.
 */
export async function act<V extends Verb>(verb: V, context: Context, input: unknown): Promise<ResultOf<V>> {
  const rows: OutboxRow[] = [];
  const followUp = (more: readonly OutboxRow[]) => void rows.push(...more);
  const useCase = actUseCases[verb];
  const { isAllOrNothing } = useCase;
  const run = (own: Context) =>
    timing(own, { verb, input }, (timed) => perform(useCase, { ...timed, followUp }, input));
  const answer = await answerOnce({ context, verb, body: input }, { run, isAllOrNothing });
  for (const row of rows) await carryOut(context, row);
  planSoon();
  return answer;
}

/**
 * Adds a picture that is sent as bytes.
 * @param read gives the bytes; it is not called for somebody who may not send one, nor for fields that do not fit
 */
export async function actPhoto(
  context: Context,
  fields: unknown,
  read: () => Promise<Buffer>,
): Promise<ResultOf<'add-photo'>> {
  return actPicture('add-photo', { context, fields, read }, addPhoto);
}

/** Adds a picture of a piece of an order, sent as bytes; as `actPhoto`. */
export async function actOrderPhoto(
  context: Context,
  fields: unknown,
  read: () => Promise<Buffer>,
): Promise<ResultOf<'add-order-photo'>> {
  return actPicture('add-order-photo', { context, fields, read }, addOrderPhoto);
}

/** Keeps the shop's mark, sent as bytes; as `actPhoto`. */
export async function actMark(context: Context, read: () => Promise<Buffer>): Promise<ResultOf<'set-mark'>> {
  return actPicture('set-mark', { context, fields: {}, read, decode: readMark }, setMark);
}

type PictureVerb = 'add-photo' | 'add-order-photo' | 'set-mark';

interface PictureAsked {
  readonly context: Context;
  readonly fields: unknown;
  readonly read: () => Promise<Buffer>;
  readonly decode?: typeof readPicture;
}

function actPicture<V extends PictureVerb>(
  verb: V,
  asked: PictureAsked,
  add: (context: Context, command: CommandOf<V>, picture: Picture) => Promise<ResultOf<V>>,
): Promise<ResultOf<V>> {
  const { context, fields, read, decode = readPicture } = asked;
  if (!mayAct(context.actor, verbs[verb].audience)) throw new DomainError('not-allowed');
  // What is done anew has the same bytes: they come once.
  let reading: Promise<Buffer> | undefined;
  const run = async (own: Context, command: CommandOf<V>) => {
    const bytes = await (reading ??= read());
    const body = { ...command, fingerprint: sha256(bytes) };
    return answerOnce({ context: own, verb, body }, { run: async (entry) => add(entry, command, await decode(bytes)) });
  };
  const useCase: UseCase<CommandOf<V>, ResultOf<V>> = { ...actUseCases[verb], run };
  return perform(useCase, context, fields);
}
