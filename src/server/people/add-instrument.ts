import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { addInstrument as addInstrumentRow, isDuplicate } from '@/db';
import { dayField, defineUseCase } from '../use-case';

/** A gauge of the shop, with its uncertainty and the day its calibration is due. */
export const addInstrument = defineUseCase({
  verb: 'add-instrument',
  audience: ['inspector'],
  input: z.strictObject({
    code: z
      .string()
      .trim()
      .regex(/^[A-Za-z0-9-]{1,20}$/, 'letters, figures and hyphens, such as M-07'),
    kind: z.enum(['outside micrometer', 'bore gauge', 'dial indicator', 'vernier caliper', 'depth gauge']),
    uncertaintyUm: z.number('type the uncertainty in µm').gt(0, 'must be more than 0').max(1000, 'at most 1000 µm'),
    dueOn: dayField,
  }),
  async run(context, { code, kind, uncertaintyUm, dueOn }) {
    const id = context.newId();
    try {
      await addInstrumentRow(context.database, { id, code, kind, uncertaintyUm: String(uncertaintyUm), dueOn });
    } catch (error) {
      if (isDuplicate(error))
        throw new DomainError('bad-input', {
          what: `${code} is already in the list.`,
          issues: [{ path: 'code', message: 'is already in the list' }],
        });
      throw error;
    }
    return { instrumentId: id };
  },
});
