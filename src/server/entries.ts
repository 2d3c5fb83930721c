import { DomainError } from '@/core/errors';
import { canonical } from '@/core/lifecycle';
import { addEntry, findEntry, sha256 } from '@/db';
import type { Context } from './context';
import { runTranslated } from './use-case';

interface Asked {
  readonly context: Context;
  readonly verb: string;
  readonly body: unknown;
}

const personOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.personId : null);

type Found = NonNullable<Awaited<ReturnType<typeof findEntry>>>;

/** The answer that an entry got before. Throws DomainError for a key that stood for something else. */
function answerBefore({ context, verb, body }: Asked, found: Found): unknown {
  const isSame = found.fingerprint === sha256(canonical({ verb, body })) && found.personId === personOf(context);
  if (!isSame) throw new DomainError('bad-input', { what: 'The key of this entry stood for another entry before.' });
  return found.answer;
}

interface Run<Result> {
  readonly run: (context: Context) => Promise<Result>;
  /**
   * Whether it does all or nothing, in the transaction that keeps the answer: then a repeat, which is rare, meets the key
   * there or is refused, and nobody need look for the key before.
   */
  readonly isAllOrNothing?: boolean | undefined;
}

/**
 * Runs a change once for each key: a repeat gets the first answer. The answer is kept in the transaction of the change;
 * only a verb that writes nothing, which may run twice, has it kept afterwards.
 */
export async function answerOnce<Result>(asked: Asked, { run, isAllOrNothing }: Run<Result>): Promise<Result> {
  const { context, verb, body } = asked;
  const { entry } = context;
  if (!entry) return run(context);
  const find = () => runTranslated(() => findEntry(context.database, entry.key));
  const before = isAllOrNothing ? null : await find();
  if (before) return answerBefore(asked, before) as Result;
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
    // It is a repeat, or the same entry came in twice at the same moment: then the other one's answer stands by now.
    const meanwhile = await find().catch(() => null);
    if (meanwhile) return answerBefore(asked, meanwhile) as Result;
    throw error;
  }
}
