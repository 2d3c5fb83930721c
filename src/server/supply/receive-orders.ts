import { supply } from '@/core/change';
import { receivePartsInput, type ReceiveOrder, type ReceiveParts } from '@/core/change/inputs';
import { reason, refuse } from '@/core/change/decision';
import { DomainError } from '@/core/errors';
import { elastomerOf, findPart } from '@/core/family';
import { afterCount, piecesToCount, shareCount, type Counted, type JobCount, type ShopOrder } from '@/core/purchasing';
import { asId, sheetsOf, type PurchaseOrder, type Tag } from '@/core/record';
import { isSameVariant, numberKey } from '@/core/supply';
import { crossingNumbers, findShopOrder, saveShopOrder, tagsOfPhotos, type Connection } from '@/db';
import { changeTogether, type Asking, type JobCommand, type Together } from '../change-job';
import type { Context } from '../context';
import { findJob, findRecord } from '../find-job';
import { forVerb } from '../use-case';
import { claimantsOf, orderOf, said, todayOf } from './shop-orders';
import { moveStock } from './stock';

type Line = PurchaseOrder['lines'][number];

/** How many pieces of a line are to be sent again after a count: those that are wrong, and those that are missing. */
const againOf = (line: Line, { counted, wrong }: Pick<ReceiveParts['counts'][number], 'counted' | 'wrong'>) =>
  wrong + Math.max(0, line.sent - line.received - counted - wrong);

/** What the rule of receiving must know: ids for its rows, and numbers that stand for those that were ordered. */
async function receivingFacts({ context, connection, record, command }: Asking<ReceiveParts>) {
  const order = await findShopOrder(connection, command.orderNumber);
  const pieces = order?.lines.flatMap((line) => line.pieces) ?? [];
  const lines = record.orders.flatMap((order) => order.lines);
  const named = command.counts.filter(({ number }) => number !== '').map(({ lineId }) => lineId);
  const crossing = await Promise.all(
    lines
      .filter(({ id }) => named.includes(id))
      .map(async ({ id, number }) => [id, await crossingNumbers(connection, number)] as const),
  );
  const variants = lines.map(({ id, number }) => {
    const piece = pieces.find((one) => numberKey(one.number) === numberKey(number));
    return [id, piece?.variant ?? ''] as const;
  });
  return {
    receiptIds: command.counts.map(() => context.newId()),
    crossing: Object.fromEntries(crossing),
    variants: Object.fromEntries(variants),
  };
}

type Receiving = JobCommand<'receive-parts', Awaited<ReturnType<typeof receivingFacts>>, undefined>;
const receiveJob: Receiving = {
  verb: 'receive-parts',
  decider: supply.receiveParts,
  prepare: async (asking) => ({ facts: await receivingFacts(asking) }),
};

/** The order of the shop after one job counted its own part of it. */
async function noteCount(context: Context, connection: Connection, command: ReceiveParts): Promise<void> {
  const order = await findShopOrder(connection, command.orderNumber, { isLocked: true });
  if (!order) return;
  const { record, family } = await findJob(connection, command.tag);
  const lines = record.orders.filter(({ number }) => number === order.number).flatMap((one) => one.lines);
  const counts = command.counts.flatMap((counted): Counted[] => {
    const line = lines.find(({ id }) => id === counted.lineId);
    if (!line) return [];
    const part = findPart(family, line.partRef);
    const elastomer = (part && elastomerOf(part, record.intake.elastomer)) ?? '';
    return [{ number: line.number, elastomer, right: counted.counted, again: againOf(line, counted) }];
  });
  await saveShopOrder(connection, afterCount(order, counts, await todayOf(context, connection)));
}

/** A job's own count: its parts come in, and the order knows of it. */
export const receiveJobParts = forVerb('receive-parts', (context, command) =>
  changeTogether(context, async ({ connection, change }) => {
    await noteCount(context, connection, command);
    return change(receiveJob, { tag: command.tag, command });
  }),
);

type PieceTyped = ReceiveOrder['counts'][number];
/** A job's part of what was typed, and at which place of the entry it stands. */
type ForJob = JobCount & { readonly typed: PieceTyped; readonly at: number };

/** A refusal of one job's line is shown where its piece was typed. */
function atPiece(error: unknown, places: ReadonlyMap<string, number>): unknown {
  if (!(error instanceof DomainError)) return error;
  const issues = error.details.issues?.map((issue) => {
    const place = places.get(issue.path.replace('counts.', ''));
    return place === undefined ? issue : { ...issue, path: `counts.${place}` };
  });
  return new DomainError(error.code, { ...error.details, ...(issues && { issues }) }, { cause: error });
}

function checkTyped(order: ShopOrder, counts: readonly PieceTyped[]): void {
  const listed = piecesToCount(order);
  for (const [i, { number, elastomer, counted, wrong, what, foundVariant }] of counts.entries()) {
    const own = listed.find((one) => numberKey(one.number) === numberKey(number) && one.elastomer === elastomer);
    if (!own) return refuse('bad-input', reason('not-in-parcel', { number, order: order.number }), `counts.${i}`);
    if (counted + wrong > own.open)
      refuse(
        'bad-input',
        reason('more-than-open', { counted: counted + wrong, number, open: own.open }),
        `counts.${i}`,
      );
    if (wrong && !what) refuse('bad-input', reason('wrong-how', { number, wrong }), `counts.${i}`);
    const isOther = own.variant && foundVariant && !isSameVariant(own.variant, foundVariant);
    if (counted && isOther)
      refuse(
        'bad-input',
        reason('wrong-variant', { part: number, found: foundVariant, wanted: own.variant }),
        `counts.${i}`,
      );
  }
}

/** The counts of one job, as if it had been counted there. */
async function countJob({ connection, change }: Together, order: string, own: readonly ForJob[], note: string) {
  const [first] = own;
  if (!first) return [];
  const tag = asId<Tag>(first.tag);
  const { orders, photos } = await findRecord(connection, tag);
  const lines = orders.find(({ number }) => number === order)?.lines ?? [];
  const asked = own.flatMap(({ partRef, number, counted, wrong, typed, at }) => {
    const line = lines.find((one) => one.partRef === partRef && one.number === number);
    if (!line) return [];
    const { what, foundNumber, foundElastomer, foundVariant, lot } = typed;
    // Whoever ordered another number than the list's has accepted it by name.
    const accept = typed.accept || numberKey(foundNumber) === numberKey(line.number);
    const marked = counted
      ? { number: foundNumber, elastomer: foundElastomer, variant: foundVariant, lot, accept }
      : {};
    const photoId = wrong && photos.some(({ id }) => id === typed.photoId) ? typed.photoId : null;
    return [{ at, count: { lineId: line.id, counted, wrong, what, photoId, ...marked } }];
  });
  const places = new Map(asked.map(({ at, count }) => [String(count.lineId), at]));
  const counts = asked.map(({ count }) => count);
  try {
    await change(receiveJob, { tag, command: receivePartsInput.parse({ tag, orderNumber: order, counts, note }) });
  } catch (error) {
    throw atPiece(error, places);
  }
  const claims = sheetsOf(await findRecord(connection, tag), 'claim');
  return claims.filter(({ body }) => body.orderNumber === order && !body.sent).map(({ key }) => ({ tag, number: key }));
}

/** What of a count is for which job, and what for the shelf. */
async function sharedCounts(connection: Connection, number: string, counts: readonly PieceTyped[]) {
  const claimants = await claimantsOf(connection, number, (line) => Math.max(0, line.sent - line.received));
  const pictured = await tagsOfPhotos(
    connection,
    counts.flatMap(({ photoId }) => photoId ?? []),
  );
  const shared = counts.map((typed, at) => ({
    ...{ typed, at },
    ...shareCount(typed, claimants, typed.photoId && (pictured.get(typed.photoId) ?? null)),
  }));
  const forJobs = shared.flatMap(({ typed, at, jobs }) => jobs.map((job): ForJob => ({ ...job, typed, at })));
  const wrongForShelf = shared.flatMap(({ typed, jobs }) => {
    const count = typed.wrong - jobs.reduce((sum, { wrong }) => sum + wrong, 0);
    return count > 0 ? [`${count} × ${typed.number}: ${typed.what}`] : [];
  });
  return { forJobs, wrongForShelf, forShelf: shared.map(({ typed, shelf }) => ({ typed, shelf })) };
}

/** What one piece of an order cost in the shop's money; 0 for a piece of a kit, whose price is that of the whole. */
function costOf({ lines, rate }: ShopOrder, { number }: PieceTyped): number {
  const line = lines.find(({ kind, pieces }) => kind === 'single' && pieces.some((piece) => piece.number === number));
  const price = line?.saidPriceMinor ?? line?.priceMinor ?? 0;
  const inOne = line ? (line.pieces[0]?.quantity ?? 1) / Math.max(1, line.quantity) : 1;
  return Math.round((price * rate) / inOne);
}

/** Counts a parcel at the desk of all jobs: each job gets its own, what is over goes on the shelf. */
export const receiveOrder = forVerb('receive-order', (context, { number, counts, bin, note }) =>
  changeTogether(context, async (together) => {
    const { connection } = together;
    const order = await orderOf(connection, number, true);
    checkTyped(order, counts);
    const { forJobs, forShelf, wrongForShelf } = await sharedCounts(connection, number, counts);
    const tags = [...new Set(forJobs.map(({ tag }) => tag))];
    const claims: { tag: string; number: string }[] = [];
    for (const tag of tags)
      claims.push(
        ...(await countJob(
          together,
          number,
          forJobs.filter((one) => one.tag === tag),
          note,
        )),
      );
    for (const { typed, shelf } of forShelf.filter((one) => one.shelf > 0))
      await moveStock(context, connection, {
        ...{ number: typed.number, elastomer: typed.elastomer, kind: 'came in', change: shelf, reference: number },
        ...{ reason: note, bin, unitCostMinor: costOf(order, typed) },
      });
    const today = await todayOf(context, connection);
    const listed = piecesToCount(order);
    const counted = counts.map(({ number: own, elastomer, counted: right, wrong }): Counted => {
      const inBox = listed.find((one) => one.number === own && one.elastomer === elastomer)?.listed ?? 0;
      return { number: own, elastomer, right, again: wrong + Math.max(0, inBox - right - wrong) };
    });
    const after = afterCount(order, counted, today);
    const wrong = counts.filter((one) => one.wrong > 0).map((one) => `${one.wrong} × ${one.number}: ${one.what}`);
    await saveShopOrder(connection, wrong.length ? said(after, context, `Came wrong: ${wrong.join('; ')}`) : after);
    return { jobs: tags, shelf: forShelf.reduce((sum, { shelf }) => sum + shelf, 0), wrongForShelf, claims };
  }),
);
