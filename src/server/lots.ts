import type { CommandOf, ResultOf } from '@/contract';
import { lifecycle, quote, receive, report } from '@/core/change';
import { DomainError } from '@/core/errors';
import type { sayReason } from '@/core/errors';
import { gateFor, writeLot } from '@/core/lifecycle';
import { currentQuote, type JobHead, type JobRecord, type LotMate } from '@/core/record';
import { addLot, changeLot, findLot, loadUnits, readShop, takeNumber, sha256, type Connection } from '@/db';
import { changeJob, changeTogether, type JobCommand } from './change-job';
import type { Context } from './context';
import { findJob, findRecord } from './find-job';
import { forVerb } from './use-case';

type Lot = JobHead['lot'];
type Receiving = CommandOf<'receive-pump'>;

function refuseLot(reason: Parameters<typeof sayReason>[0]): never {
  throw new DomainError('bad-input', { reason, issues: [{ path: 'lot.join', reason }] });
}

/** The lot that a pump comes in: a new one, or the next unit of one that is there. Throws DomainError for an odd one. */
export async function lotFor(
  context: Context,
  connection: Connection,
  { lot, customer }: { readonly lot: Receiving['lot']; readonly customer: JobHead['customer'] },
): Promise<{ readonly lot: Lot; readonly promisedOn: string | null }> {
  if (!lot) return { lot: null, promisedOn: null };
  if (!('join' in lot)) {
    const row = { id: context.newId(), number: writeLot(await takeNumber(connection, 'nextLot')), ...lot };
    await addLot(connection, { ...row, createdAt: context.now() });
    return { lot: { id: row.id, number: row.number, unit: 1 }, promisedOn: null };
  }
  const found = await findLot(connection, lot.join);
  if (!found) return refuseLot({ code: 'unknown-lot', about: { lot: lot.join } });
  const units = await loadUnits(connection, found.id);
  const [first] = units;
  const owner = first && (await findRecord(connection, first.tag)).customer;
  if (owner && owner.id !== customer.id)
    refuseLot({ code: 'lot-of-another', about: { lot: found.number, owner: owner.name } });
  const unit = Math.max(0, ...units.map((one) => one.unit)) + 1;
  const promisedOn = found.sharesPromise && first ? first.promisedOn : null;
  return { lot: { id: found.id, number: found.number, unit }, promisedOn };
}

/** The token of another unit's link, which follows from the one that was mailed: its page leads to all units. */
export const tokenAlong = (token: string, tag: string) => sha256(`${token} ${tag}`);

/** The other units that share a term of the lot; none for a pump that came alone. */
function sharing(record: JobRecord, term: 'sharesPromise' | 'sharesQuote' | 'sharesDelivery'): readonly LotMate[] {
  return record.lotTerms?.[term] ? record.lotMates.filter(({ isClosed }) => !isClosed) : [];
}

/** Units that are quoted with this one and still stand before their answer, with whether their draft can go out. */
async function quotedAlong(connection: Connection, record: JobRecord) {
  const before = sharing(record, 'sharesQuote').filter(({ station }) =>
    ['receive', 'teardown', 'clean', 'inspect', 'quote'].includes(station),
  );
  const states = await Promise.all(
    before.map(async ({ tag }) => {
      const { record: mate, family } = await findJob(connection, tag);
      const isDrawn = mate.station === 'quote' && !mate.hold && currentQuote(mate)?.state === 'draft';
      return { tag, isReady: isDrawn && !gateFor('send-quote', mate, family).length };
    }),
  );
  return {
    ready: states.filter(({ isReady }) => isReady).map(({ tag }) => tag),
    unquoted: states.filter(({ isReady }) => !isReady).map(({ tag }) => tag),
  };
}

type SendQuote = JobCommand<'send-quote', quote.SendFacts, undefined>;
const sendJob = (facts: (asking: Parameters<SendQuote['prepare']>[0]) => Promise<quote.SendFacts>): SendQuote => ({
  verb: 'send-quote',
  decider: quote.sendQuote,
  prepare: async (asking) => ({ facts: await facts(asking) }),
});

/** Sends a quote; of a lot that is quoted together, those of the other units with it, in one mail. */
export const sendQuote = forVerb('send-quote', async (context, command): Promise<ResultOf<'send-quote'>> => {
  const token = context.newToken();
  let along: readonly string[] = [];
  const own = sendJob(async ({ connection, record }) => {
    const { ready, unquoted } = await quotedAlong(connection, record);
    along = ready;
    return { linkId: context.newId(), token, origin: context.origin, unquoted, isAlong: false };
  });
  const answer = await changeJob(context, own, { tag: command.tag, command });
  for (const tag of along) {
    const facts = { token: tokenAlong(token, tag), origin: context.origin, unquoted: [], isAlong: true };
    const mate = sendJob(() => Promise.resolve({ ...facts, linkId: context.newId() }));
    await changeJob(alone(context), mate, { tag, command: { tag: tag as CommandOf<'send-quote'>['tag'] } });
  }
  return answer;
});

/** The same person acting on another unit: what is remembered is the answer to their own entry alone. */
function alone({ remember: _remember, entry: _entry, ...context }: Context): Context {
  return context;
}

/** Changes what the units of a lot share, with a line in the record of each that is still in the house. */
export const correctLot = forVerb('correct-lot', async (context, command): Promise<ResultOf<'correct-lot'>> => {
  const job: JobCommand<'correct-lot', undefined, undefined> = {
    verb: 'correct-lot',
    decider: receive.correctLot,
    prepare: () => ({ facts: undefined }),
  };
  return changeTogether(context, async ({ connection, change }) => {
    const answer = await change(job, { tag: command.tag, command });
    const { lot, lotMates } = await findRecord(connection, command.tag);
    for (const { tag } of lotMates.filter(({ isClosed }) => !isClosed))
      await change(job, { tag, command: { ...command, tag: tag } });
    if (lot) await changeLot(connection, lot.id, command.terms);
    return answer;
  });
});

/** Moves a promise; of a lot that is promised together, that of every unit. */
export const movePromise = forVerb('move-promise', async (context, command): Promise<ResultOf<'move-promise'>> => {
  const job: JobCommand<'move-promise', lifecycle.PromiseFacts, undefined> = {
    verb: 'move-promise',
    decider: lifecycle.movePromise,
    prepare: async ({ connection }) => ({ facts: { zone: (await readShop(connection))?.zone ?? 'UTC' } }),
  };
  const answer = await changeJob(context, job, { tag: command.tag, command });
  const mates = sharing(await findRecord(context.database, command.tag), 'sharesPromise');
  for (const { tag, promisedOn } of mates.filter((mate) => mate.promisedOn !== command.to)) {
    const moved = { tag, from: promisedOn, to: command.to, reason: command.reason, tell: false };
    await changeJob(alone(context), job, { tag, command: moved });
  }
  return answer;
});

/** Records a delivery; of a lot that is delivered together, that of every unit, with the same signature. */
export const deliverPump = forVerb('deliver-pump', async (context, command): Promise<ResultOf<'deliver-pump'>> => {
  const job: JobCommand<'deliver-pump', undefined, undefined> = {
    verb: 'deliver-pump',
    decider: report.deliverPump,
    prepare: () => ({ facts: undefined }),
  };
  const mates = sharing(await findRecord(context.database, command.tag), 'sharesDelivery');
  const answer = await changeJob(context, job, { tag: command.tag, command });
  for (const { tag } of mates.filter(({ isReleased }) => isReleased))
    await changeJob(alone(context), job, { tag, command: { ...command, tag } });
  return answer;
});
