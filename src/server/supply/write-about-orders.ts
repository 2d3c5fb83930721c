import { reason, refuse } from '@/core/change/decision';
import { addOutbox, findShopOrder, listSuppliers, readShop, saveShopOrder } from '@/db';
import { wordsOf } from '@/words/every-language';
import { numberKey } from '@/core/supply';
import { changeTogether } from '../change-job';
import type { Context } from '../context';
import { forVerb } from '../use-case';
import { orderOf, said } from './shop-orders';

/** Writes to the supplier about an order; the letter goes out after the commit and stands with what was said. */
export const writeAboutOrder = forVerb('write-about-order', (context, { number, words }) =>
  changeTogether(context, async ({ connection, follow }) => {
    const order = await orderOf(connection, number, true);
    const suppliers = await listSuppliers(connection);
    const to = suppliers.find(({ id }) => id === order.supplierId)?.email ?? '';
    if (!to) refuse('wrong-state', reason('nobody-to-write', { supplier: order.supplier }));
    await saveShopOrder(connection, said(order, context, `Written to ${to}: ${words}`));
    const item = { kind: 'mail-order' as const, number, to, words };
    follow(await addOutbox(connection, { id: context.newId(), item, at: context.now() }));
    return { to };
  }),
);

/** Sends the letter of an outbox row. */
export async function mailAboutOrder(
  { database, standIns, now }: Context,
  id: string,
  { number, to, words }: { readonly number: string; readonly to: string; readonly words: string },
): Promise<void> {
  const order = await findShopOrder(database, number);
  const { say } = wordsOf((await readShop(database))?.settings.language ?? 'en');
  const subject = order?.reference
    ? say('letter.order.subject', { number, reference: order.reference })
    : say('letter.order.subjectAlone', { number });
  await standIns.mail.send({ id, jobId: null, sentAt: now(), to, subject, body: words });
}

/** What the scanner reads off the bag of a parcel that lies before it; nothing is kept until it was counted. */
export const scanBag = forVerb('scan-bag', async (context, { order: number, number: piece, elastomer }) => {
  const order = await orderOf(context.database, number);
  const lying = order.lines
    .flatMap(({ pieces }) => pieces)
    .filter((one) => numberKey(one.number) === numberKey(piece) && (!elastomer || one.elastomer === elastomer))
    .flatMap(({ bags = [] }) => bags);
  if (!lying.length) refuse('wrong-state', reason('no-bag', { number: piece, order: number }));
  return context.standIns.scanner.readBag({ order: number, lying });
});
