import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { needsOf, toOrder } from '@/core/parts';
import { addOrder, takeNumber } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

export const supplierName = 'Sillwater Pump Parts';

/** Orders everything that the approved lines need and that is not ordered yet; the supplier acknowledges with a date. */
export const orderParts = defineUseCase({
  verb: 'order-parts',
  audience: ['parts', 'coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'order-parts' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'parts', 'rebuild');
      const open = toOrder(needsOf(record, family));
      if (!open.length) throw new DomainError('wrong-state', { what: 'Everything is ordered already.' });
      const number = `PO-${String(await takeNumber(connection, 'nextOrder')).padStart(5, '0')}`;
      const lines = open.map((need) => ({
        id: context.newId(),
        partRef: need.ref,
        number: need.number,
        quantity: need.quantity - need.ordered,
        leadDays: need.leadDays,
      }));
      const placedOn = context.now().toISOString().slice(0, 10);
      const { reference, dueOn } = await context.standIns.supplier.acknowledge({
        number,
        placedOn,
        lines: lines.map((line) => ({
          lineId: line.partRef,
          partNumber: line.number,
          quantity: line.quantity,
          leadDays: line.leadDays,
        })),
      });
      await addOrder(
        connection,
        {
          id: context.newId(),
          jobId: record.id,
          number,
          supplier: supplierName,
          acknowledgement: reference,
          dueOn,
          ...who,
        },
        lines.map(({ leadDays: _lead, ...line }) => line),
      );
      return {
        result: { number, dueOn },
        data: { number, dueOn, lines: lines.map(({ partRef, quantity }) => ({ partRef, quantity })) },
      };
    });
  },
});
