import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { putReturn, readShop } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, sentence, tagField } from '../use-case';

/** Releases the pump for its way back: preserved, ports blanked, packed. */
export const releasePump = defineUseCase({
  verb: 'release-pump',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField, packing: sentence(1000) }),
  async run(context, { tag, packing }) {
    return changeJob(context, { tag, kind: 'release-pump' }, async ({ connection, record, who }) => {
      requireStation(record, 'return');
      if (record.returned) throw new DomainError('wrong-state', { what: `${tag} is released already.` });
      const shop = (await readShop(connection))!;
      await putReturn(connection, {
        jobId: record.id,
        releasedBy: who.personName,
        releasedAt: who.at,
        packing,
        warrantyMonths: record.outcome === 'declined' ? 0 : shop.settings.warrantyMonths,
      });
      return { result: {}, data: { packing } };
    });
  },
});
