import type { Verb } from '@/contract';
import { addDeed, type Connection } from '@/db';
import type { Context } from '../context';

/**
 * Writes down what was done beside the jobs, in the transaction that does it.
 * @param words what follows the name of whoever did it, such as “let in Wenna Tarrock as coordinator”
 */
export async function noteDeed(context: Context, connection: Connection, verb: Verb, words: string): Promise<void> {
  const { actor } = context;
  const who = actor.kind === 'person' ? { personId: actor.personId, personName: actor.name } : null;
  await addDeed(connection, {
    ...{ id: context.newId(), verb, words, at: context.now() },
    ...(who ?? { personId: null, personName: 'Puddlestone' }),
  });
}
