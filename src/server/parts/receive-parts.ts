import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { stepsBlockedBy } from '@/core/parts';
import { addReceipt } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, optionalText, tagField } from '../use-case';

/** Receiving check by count, line by line of an order; what is short is said, with the steps that it stops. */
export const receiveParts = defineUseCase({
  verb: 'receive-parts',
  audience: ['parts', 'technician'],
  input: z.strictObject({
    tag: tagField,
    orderNumber: z.string().max(20),
    counts: z
      .array(
        z.strictObject({
          lineId: z.string().max(36),
          counted: z.number('type a count').int('count whole pieces').min(0).max(10000),
        }),
      )
      .min(1)
      .max(200),
    note: optionalText(500),
  }),
  async run(context, { tag, orderNumber, counts, note }) {
    return changeJob(context, { tag, kind: 'receive-parts' }, async ({ connection, record, family, who }) => {
      const order = record.orders.find((one) => one.number === orderNumber);
      if (!order) throw new DomainError('wrong-job', { what: `${orderNumber} is not an order of ${tag}.` });
      const short: { partRef: string; left: number; blocks: readonly string[] }[] = [];
      for (const { lineId, counted } of counts) {
        const line = order.lines.find((one) => one.id === lineId);
        if (!line) throw new DomainError('wrong-job', { what: `A counted line is not on ${orderNumber}.` });
        const left = line.quantity - line.received - counted;
        if (left < 0)
          throw new DomainError('bad-input', {
            what: `${counted} of ${line.number} counted, but only ${line.quantity - line.received} are open.`,
            issues: [{ path: `counts.${lineId}`, message: 'more than ordered' }],
          });
        if (counted > 0)
          await addReceipt(connection, {
            id: context.newId(),
            jobId: record.id,
            lineId,
            quantity: counted,
            note,
            ...who,
          });
        if (left > 0) short.push({ partRef: line.partRef, left, blocks: stepsBlockedBy(line.partRef, family) });
      }
      return {
        result: { short },
        data: { orderNumber, counts, note, short: short.map(({ partRef, left }) => ({ partRef, left })) },
      };
    });
  },
});
