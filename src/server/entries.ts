import { DomainError } from '@/core/errors';
import { canonical } from '@/core/lifecycle';
import { addEntry, findEntry } from '@/db';
import type { Context, Entry } from './context';
import { sha256 } from './fingerprint';
import { runTranslated } from './use-case';

interface Asked {
  readonly context: Context;
  readonly verb: string;
  readonly body: unknown;
}

const personOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.personId : null);

/**
 * The answer that an entry got before; null for a new one. Throws DomainError for a key that stood for something else.
 */
async function answerBefore({ context, verb, body }: Asked, { key }: Entry): Promise<{ answer: unknown } | null> {
  const found = await runTranslated(() => findEntry(context.database, key));
  if (!found) return null;
  const isSame = found.fingerprint === sha256(canonical({ verb, body })) && found.personId === personOf(context);
  if (!isSame) throw new DomainError('bad-input', { what: 'The key of this entry stood for another entry before.' });
  return { answer: found.answer };
}

/**
 * Runs a change once for each key: a repeat gets the first answer. The answer is kept in the transaction of the change;
 * only a verb that writes nothing, which may run twice, has it kept afterwards.
 */
export async function answerOnce<Result>(asked: Asked, run: (context: Context) => Promise<Result>): Promise<Result> {
  const { context, verb, body } = asked;
  const { entry } = context;
  if (!entry) return run(context);
  const before = await answerBefore(asked, entry);
  if (before) return before.answer as Result;
  let isKept = false;
  const remember: NonNullable<Context['remember']> = async (connection, answer) => {
    const fingerprint = sha256(canonical({ verb, body }));
    await addEntry(connection, { ...entry, verb, fingerprint, personId: personOf(context), answer, at: context.now() });
    isKept = true;
  };
  try {
    const answer = await run({ ...context, remember });
    if (!isKept) await remember(context.database, answer);
    return answer;
  } catch (error) {
    // The same entry may have come in twice at the same moment; then the other one's answer stands by now.
    const meanwhile = await answerBefore(asked, entry).catch(() => null);
    if (meanwhile) return meanwhile.answer as Result;
    throw error;
  }
}
