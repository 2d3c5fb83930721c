import { supply } from '@/core/change';
import { reason, refuse } from '@/core/change/decision';
import { endedIfDone, pieceId, shareOut, unsentOf, withPieces, type Claimant, type ShopOrder } from '@/core/purchasing';
import { saveShopOrder } from '@/db';
import { changeTogether, type JobCommand } from '../change-job';
import { forVerb } from '../use-case';
import { asSupplierReads, claimantsOf, daysFor, dueOf, jobsOf, orderOf, said, todayOf } from './shop-orders';

const moveJob: JobCommand<'move-order', undefined, undefined> = {
  verb: 'move-order',
  decider: supply.moveOrder,
  prepare: () => ({ facts: undefined }),
};
const cutJob: JobCommand<'cut-order', undefined, undefined> = {
  verb: 'cut-order',
  decider: supply.cutOrder,
  prepare: () => ({ facts: undefined }),
};

/** Asks the supplier for an earlier day; what it answers counts at once, in every job that waits. */
export const expediteOrder = forVerb('expedite-order', async (context, { number, wantedOn, words }) => {
  const order = await orderOf(context.database, number);
  const due = dueOf(order);
  if (!due || order.state !== 'acknowledged') return refuse('wrong-state', reason('order-not-open', { order: number }));
  if (wantedOn >= due) refuse('bad-input', reason('not-sooner', { wantedOn, dueOn: due }), 'wantedOn');
  const answer = await context.standIns.supplier.expedite({ ...asSupplierReads(order), dueOn: due }, wantedOn);
  return changeTogether(context, async ({ connection, change }) => {
    const locked = await orderOf(connection, number, true);
    const sooner = locked.lines.map((line) => ({
      ...line,
      dueOn: line.dueOn && line.dueOn > answer.dueOn ? answer.dueOn : line.dueOn,
    }));
    const after = { ...locked, lines: sooner };
    const asked = said(after, context, `Asked for ${wantedOn}: ${words}`);
    await saveShopOrder(connection, said(asked, context, `${answer.dueOn}. ${answer.words}`, locked.supplier));
    for (const tag of await jobsOf(connection, number)) {
      const { days, last } = await daysFor(connection, tag, after);
      const command = { tag, orderNumber: number, dueOn: last ?? answer.dueOn, lines: days, words: answer.words };
      await change(moveJob, { tag, command });
    }
    return answer;
  });
});

interface Cut {
  readonly tag: string;
  readonly partRef: string;
  readonly quantity: number;
}

/** The order without what was struck off, and what each job loses by it: what was for the shelf goes first. */
function strikeOff(order: ShopOrder, struck: ReadonlyMap<string, number>, claimants: readonly Claimant[]) {
  const cuts: Cut[] = [];
  const after = withPieces(order, (piece, id) => {
    const quantity = Math.min(struck.get(id) ?? 0, unsentOf(piece));
    if (!quantity) return piece;
    const own = claimants.filter((one) => one.number === piece.number);
    const { handed } = shareOut({ ...piece, quantity: unsentOf(piece) - quantity }, own);
    for (const { tag, partRef, open } of own) {
      const kept =
        handed.find((one) => one.tag === tag && one.partRef === partRef && one.number === piece.number)?.quantity ?? 0;
      if (open > kept) cuts.push({ tag, partRef, quantity: open - kept });
    }
    return { ...piece, struck: piece.struck + quantity };
  });
  return { after, cuts };
}

/** What of a line has not left the supplier, by piece; refused where nothing is left to strike off. */
function unsentOfLine(order: ShopOrder, position: number) {
  const line = order.lines.find((one) => one.position === position);
  if (!line) return refuse('bad-input', reason('line-not-on-order', { order: order.number }), 'position');
  const unsent = line.pieces.flatMap((piece, i) =>
    unsentOf(piece) > 0 ? [{ lineId: pieceId(position, i), quantity: unsentOf(piece) }] : [],
  );
  if (!unsent.length) refuse('wrong-state', reason('all-left', { title: line.title }));
  return { line, unsent };
}

/** Asks the supplier to strike off what of a line has not left; the jobs that waited for it need it again. */
export const cancelOrderLine = forVerb('cancel-order-line', async (context, { number, position, words }) => {
  const order = await orderOf(context.database, number);
  const { line, unsent } = unsentOfLine(order, position);
  const today = await todayOf(context, context.database);
  const dueOn = line.dueOn ?? dueOf(order) ?? today;
  const answer = await context.standIns.supplier.cancel({ ...asSupplierReads(order), dueOn }, unsent, today);
  return changeTogether(context, async ({ connection, change }) => {
    const locked = await orderOf(connection, number, true);
    const struck = new Map(answer.lines.map(({ lineId, quantity }) => [lineId, quantity]));
    const claimants = await claimantsOf(connection, number, (one) => one.quantity - one.sent);
    const { after, cuts } = strikeOff(locked, struck, claimants);
    const asked = said(after, context, `Asked to strike off ${line.title}: ${words}`);
    await saveShopOrder(connection, endedIfDone(said(asked, context, answer.words, locked.supplier), today));
    for (const tag of await jobsOf(connection, number)) {
      const lines = cuts.filter((one) => one.tag === tag).map(({ partRef, quantity }) => ({ partRef, quantity }));
      if (lines.length) await change(cutJob, { tag, command: { tag, orderNumber: number, lines, words } });
    }
    return { struck: answer.lines.reduce((sum, { quantity }) => sum + quantity, 0), words: answer.words };
  });
});

/** The order with more packs of a line, as far as the supplier takes them on; whole packs only. */
function raised(order: ShopOrder, position: number, added: ReadonlyMap<string, number>, dueOn: string): ShopOrder {
  const lines = order.lines.map((line) => {
    if (line.position !== position) return line;
    const packs = line.pieces.map(({ quantity }, i) =>
      Math.floor(((added.get(pieceId(position, i)) ?? 0) * line.quantity) / Math.max(1, quantity)),
    );
    const more = Math.min(...packs);
    const pieces = line.pieces.map((piece) => ({
      ...piece,
      quantity: piece.quantity + (piece.quantity / line.quantity) * more,
    }));
    const isLater = !line.dueOn || line.dueOn < dueOn;
    return { ...line, quantity: line.quantity + more, pieces, dueOn: isLater ? dueOn : line.dueOn };
  });
  return { ...order, lines };
}

/** Asks the supplier for more of a line; what no job needs of it goes on the shelf. */
export const raiseOrderLine = forVerb('raise-order-line', async (context, { number, position, more, words }) => {
  const order = await orderOf(context.database, number);
  const line = order.lines.find((one) => one.position === position);
  if (!line) return refuse('bad-input', reason('line-not-on-order', { order: number }), 'position');
  const due = dueOf(order);
  if (!due || order.state !== 'acknowledged') return refuse('wrong-state', reason('order-not-open', { order: number }));
  const today = await todayOf(context, context.database);
  const wanted = line.pieces.map((piece, i) => ({
    lineId: pieceId(position, i),
    quantity: (piece.quantity / line.quantity) * more,
  }));
  const answer = await context.standIns.supplier.add({ ...asSupplierReads(order), dueOn: due }, wanted, today);
  const added = new Map(answer.lines.map(({ lineId, quantity }) => [lineId, quantity]));
  return changeTogether(context, async ({ connection }) => {
    const locked = await orderOf(connection, number, true);
    if (locked.version !== order.version) refuse('changed-meanwhile', reason('order-moved', { order: number }));
    const after = raised(locked, position, added, answer.dueOn);
    const count = (after.lines.find((one) => one.position === position)?.quantity ?? 0) - line.quantity;
    if (count <= 0) refuse('wrong-state', reason('not-added', { title: line.title, supplier: order.supplier }));
    const asked = said(after, context, `Asked for ${more} more of ${line.title}: ${words}`);
    await saveShopOrder(connection, said(asked, context, `${answer.dueOn}. ${answer.words}`, locked.supplier));
    return { added: count, dueOn: answer.dueOn, words: answer.words };
  });
});
