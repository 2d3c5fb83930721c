import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { saveDelivery } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { dayField, defineUseCase, sentence, tagField } from '../use-case';

/** Records the delivery; the warranty starts on that day and the job is closed. */
export const deliverPump = defineUseCase({
  verb: 'deliver-pump',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField, deliveredTo: sentence(150), deliveredOn: dayField }),
  async run(context, { tag, deliveredTo, deliveredOn }) {
    return changeJob(context, { tag, kind: 'deliver-pump' }, async ({ connection, record, who }) => {
      requireStation(record, 'return');
      if (!record.returned) throw new DomainError('wrong-state', { what: `${tag} is not released yet.` });
      if (deliveredOn < record.openedAt.slice(0, 10))
        throw new DomainError('bad-input', { what: `${deliveredOn} lies before the pump came in.` });
      await saveDelivery(connection, record.id, { deliveredAt: who.at, deliveredTo, warrantyFrom: deliveredOn });
      return { result: {}, data: { deliveredTo, deliveredOn }, move: 'close' };
    });
  },
});
