import { DomainError } from '@/core/errors';
import { addInstrument as addInstrumentRow, isDuplicate } from '@/db';
import { forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';

/** A gauge of the shop, with its uncertainty and the day its calibration is due. */
export const addInstrument = forVerb('add-instrument', async (context, tool) => {
  const id = context.newId();
  try {
    return await inTransaction(context, async (connection) => {
      await addInstrumentRow(connection, { id, ...tool });
      await noteDeed(context, connection, 'add-instrument', `put ${tool.code} into the list of instruments`);
      return { instrumentId: id };
    });
  } catch (error) {
    if (isDuplicate(error))
      throw new DomainError('bad-input', {
        what: `${tool.code} is already in the list.`,
        issues: [{ path: 'code', message: 'is already in the list' }],
      });
    throw error;
  }
});
