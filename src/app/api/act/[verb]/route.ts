import * as z from 'zod';
import { isVerb, verbs, type Verb } from '@/contract';
import type { Actor } from '@/core/access';
import { DomainError } from '@/core/errors';
import { act, beginChange, changedBy, getRuntime, perform, readChanges, type Context, type Decided } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { readJson } from '@/app/body';
import { assertOwnOrigin } from '@/app/origin';
import { actorOf, bringsSeal, changeContext, keepDevice, keepSession } from '@/app/session';

const openedSession = z.object({
  sessionId: z.string(),
  personId: z.string().brand<'PersonId'>(),
  name: z.string(),
  role: z.string(),
});
const enrolled = z.object({ tabletId: z.string(), name: z.string() });
const aboutJob = z.object({ after: z.string().regex(/^\d{1,9}$/), body: z.object({ tag: z.string() }) });
const opensSession: ReadonlySet<Verb> = new Set([
  'sign-in',
  'sign-in-by-passkey',
  'switch-person',
  'create-owner',
] as const);
/** Largest bodies, in bytes: files are longer than what a person types. */
const mostBytes = 256 * 1024;
const mostFileBytes: Readonly<Partial<Record<Verb, number>>> = {
  'import-family': 1_100_000,
  'import-catalogue': 2_200_000,
};

function assertMayKnock(actor: Actor, verb: Verb): void {
  const isForAnyone = verbs[verb].audience.some((audience) => audience === 'anyone');
  if (actor.kind === 'nobody' && !isForAnyone) throw new DomainError('not-signed-in');
}

interface Entered {
  readonly context: Context;
  readonly body: unknown;
}

/**
 * What changed in the job that an entry is about since the version that its page shows, where the page asks for it: it
 * needs no second request. It is begun when the change is decided, beside what else is written after its commit. Null
 * where the page does not ask.
 */
function changesFor(request: Request, { context, body }: Entered) {
  const asked = aboutJob.safeParse({ after: request.headers.get('changes-after'), body });
  if (!asked.success) return { decided: () => undefined, changed: () => null };
  const { after, body: about } = asked.data;
  const begun: ReturnType<typeof changedBy>[] = [];
  const decided = (one: Decided) => {
    if (one.after.tag === about.tag) begun.push(changedBy(context, one, Number(after)).catch(() => null));
  };
  /** Null where it cannot be told; what was decided of the job in several steps is read. */
  const changed = async () => {
    const own = begun.length === 1 ? await begun[0] : null;
    return own ?? perform(readChanges, context, { tag: about.tag, after }).catch(() => null);
  };
  return { decided, changed };
}

/** What is asked of one who is not known yet, but brings a seal of ours: their body, and what it will need. */
async function beginFor(request: Request, verb: Verb) {
  const body = await readJson(request, mostFileBytes[verb] ?? mostBytes);
  const isShown = request.headers.has('changes-after');
  return { body, ahead: beginChange(getRuntime().reads, { verb, input: body, isShown }) };
}

/**
 * The one door for every change: one verb, one JSON body, one answer. Nobody's body is read before they are known, or
 * bring a seal of ours.
 */
export async function POST(request: Request, { params }: { params: Promise<{ verb: string }> }): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const { verb } = await params;
    if (!isVerb(verb)) throw new DomainError('not-found', { what: 'There is no such verb.' });
    const asked = actorOf(request);
    asked.catch(() => undefined);
    const begun = (await bringsSeal(request)) ? beginFor(request, verb) : null;
    // Who it is counts before what they sent.
    begun?.catch(() => undefined);
    const actor = await asked;
    assertMayKnock(actor, verb);
    const { body, ahead } = await (begun ?? beginFor(request, verb));
    const context = { ...(await changeContext(request, actor)), ...(ahead && { ahead }) };
    const { decided, changed } = changesFor(request, { context, body });
    const answer = await act(verb, { ...context, decided }, body);
    if (verb === 'enrol-tablet') await keepDevice({ tabletId: enrolled.parse(answer).tabletId });
    if (!opensSession.has(verb)) return answerData(answer, await changed());
    const { sessionId, personId, ...known } = openedSession.parse(answer);
    await keepSession(sessionId);
    if (verb !== 'switch-person') await keepDevice({ knows: personId });
    return answerData(known);
  } catch (error) {
    return answerError(error);
  }
}
