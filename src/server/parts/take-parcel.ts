import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { addSent, saveOrderDate } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** A parcel of the supplier arrives, or a new day for it: what its list says is noted, the count comes after. The simulated supplier keeps its own day. */
export const takeParcel = defineUseCase({
  verb: 'take-parcel',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ tag: tagField, orderNumber: z.string().max(20) }),
  async run(context, { tag, orderNumber }) {
    return changeJob(context, { tag, kind: 'take-parcel' }, async ({ connection, record, family }) => {
      const order = record.orders.find((one) => one.number === orderNumber);
      if (!order?.dueOn) throw new DomainError('not-found', { what: `${orderNumber} is not an order of ${tag}.` });
      const lines = order.lines.map((line) => ({
        lineId: line.partRef,
        partNumber: line.number,
        quantity: line.quantity,
        leadDays: family.parts.find((part) => part.ref === line.partRef)?.lead_days ?? 1,
      }));
      const sentBefore = Object.fromEntries(order.lines.map((line) => [line.partRef, line.sent]));
      const parcel = await context.standIns.supplier.parcelBy(
        { number: order.number, placedOn: order.at.slice(0, 10), lines, sentBefore },
        order.dueOn,
      );
      if (!parcel.lines.length && !parcel.restOn)
        throw new DomainError('wrong-state', { what: `Nothing of ${orderNumber} is on its way.` });
      for (const { lineId, quantity } of parcel.lines)
        await addSent(connection, order.lines.find((line) => line.partRef === lineId)!.id, quantity);
      if (parcel.restOn) await saveOrderDate(connection, order.id, parcel.restOn);
      return { result: { lines: parcel.lines, restOn: parcel.restOn }, data: { orderNumber, ...parcel } };
    });
  },
});
