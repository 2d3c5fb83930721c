import { verbs, type ResultOf, type Verb } from '@/contract';
import { mayAct } from '@/core/access';
import { DomainError } from '@/core/errors';
import type { OutboxRow } from '@/db';
import type { Context } from './context';
import { answerOnce } from './entries';
import { carryOut } from './outbox';
import { sha256 } from './fingerprint';
import { addPhoto } from './job-commands';
import { readPicture } from './pictures';
import { planSoon } from './planning/plan-soon';
import { timing } from './planning/worked';
import { actUseCases } from './registry';
import { perform } from './use-case';

/**
 * The one door for changes: a verb and its input. An entry with a key is answered once; what follows the commit
 * (documents, mail, orders) is tried at once and, where it fails, later.
 */
export async function act<V extends Verb>(verb: V, context: Context, input: unknown): Promise<ResultOf<V>> {
  const rows: OutboxRow[] = [];
  const followUp = (more: readonly OutboxRow[]) => void rows.push(...more);
  const useCase = actUseCases[verb];
  const answer = await answerOnce({ context, verb, body: input }, (own) =>
    timing(own, { verb, input }, () => perform(useCase, { ...own, followUp }, input)),
  );
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
  if (!mayAct(context.actor, verbs['add-photo'].audience)) throw new DomainError('not-allowed');
  const useCase = { ...actUseCases['add-photo'], run: addPicture(read) };
  return perform(useCase, context, fields);
}

type Run = (typeof actUseCases)['add-photo']['run'];

function addPicture(read: () => Promise<Buffer>): Run {
  return async (context, command) => {
    const bytes = await read();
    const body = { ...command, fingerprint: sha256(bytes) };
    return answerOnce({ context, verb: 'add-photo', body }, async (own) =>
      addPhoto(own, command, await readPicture(bytes)),
    );
  };
}
