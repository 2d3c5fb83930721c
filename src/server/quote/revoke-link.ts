import * as z from 'zod';
import { revokeCustomerLinks } from '@/db';
import { changeJob } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** Takes back every customer link of a job. */
export const revokeLink = defineUseCase({
  verb: 'revoke-link',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'revoke-link' }, async ({ connection, record, who }) => {
      await revokeCustomerLinks(connection, record.id, who.at);
      return { result: {}, data: {} };
    });
  },
});
