import { present } from '@/core/present';
import * as z from 'zod';
import { openOf, standingOf } from '@/core/purchasing';
import { listShopOrders, listSuppliers, listTagsOfOrders, readShop } from '@/db';
import { writeOrderUbl } from '@/documents';
import type { Context } from '../context';
import { writeDocument } from '../documents/write-document';
import { orderOf } from '../supply/shop-orders';
import { letterheadOf } from '../letterhead';
import { writeCsv } from '../exports/write-csv';
import { noteAudit } from '../people/audit';
import { defineUseCase } from '../use-case';

const audience = ['parts', 'coordinator'] as const;
const input = z.strictObject({ number: z.string().max(20) });

async function withParties({ database }: Context, number: string) {
  const [order, shop, suppliers] = await Promise.all([
    orderOf(database, number),
    readShop(database),
    listSuppliers(database),
  ]);
  const own = suppliers.find(({ id }) => id === order.supplierId);
  const { contact = '', email = '', telephone = '' } = own ?? {};
  const supplier = { name: order.supplier, contact, email, telephone };
  return { order, parties: { shop: await letterheadOf(database, present(shop)), supplier } };
}

/** An order on paper. */
export const readOrderPdf = defineUseCase({
  ...{ verb: 'read-order-pdf', audience, input },
  async run(context, { number }) {
    const { order, parties } = await withParties(context, number);
    return { name: `${number}.pdf`, bytes: await writeDocument('order', order, parties) };
  },
});

/** An order as a document of OASIS UBL 2.1. */
export const readOrderUbl = defineUseCase({
  ...{ verb: 'read-order-ubl', audience, input },
  async run(context, { number }) {
    const { order, parties } = await withParties(context, number);
    return { name: `${number}.xml`, bytes: Buffer.from(await writeOrderUbl(order, parties)) };
  },
});

const columns = [
  ...['order', 'supplier', 'placed_on', 'reference', 'line', 'code', 'title', 'quantity', 'open_pieces'],
  ...['price', 'currency', 'first_due_on', 'due_on', 'jobs'],
];

/** The open order book: a row a line. */
export const readOrderBook = defineUseCase({
  verb: 'read-order-book',
  audience,
  input: z.strictObject({}),
  async run(context) {
    const { database } = context;
    const orders = await listShopOrders(database, ['placed', 'acknowledged'], 2000);
    const tags = await listTagsOfOrders(
      database,
      orders.map(({ number }) => number),
    );
    const rows = orders.flatMap((order) => {
      const jobs = tags.filter(({ number }) => number === order.number).map(({ tag }) => tag);
      return order.lines.map((line) => {
        const price = line.saidPriceMinor ?? line.priceMinor;
        const open = line.pieces.reduce((sum, piece) => sum + openOf(piece), 0);
        return [
          ...[order.number, order.supplier, order.placedOn, order.reference ?? '', String(line.position), line.code],
          ...[line.title, String(standingOf(line)), String(open), price === null ? '' : (price / 100).toFixed(2)],
          ...[order.currency, line.firstDueOn ?? '', line.dueOn ?? '', jobs.join(' ')],
        ];
      });
    });
    await noteAudit(context, { kind: 'exported', words: 'the order book as CSV' });
    return { name: 'order-book.csv', bytes: Buffer.from(writeCsv(rows, columns)) };
  },
});
