import { DomainError } from '@/core/errors';
import { readShop, saveShopSettings } from '@/db';
import { forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';

/**
 * Millimetres or inches for the shop's screens. Readings stay as they were taken; only how limits and sums are shown
 * changes.
 */
export const chooseUnits = forVerb('choose-units', (context, { lengthDisplay }) =>
  inTransaction(context, async (connection) => {
    const shop = await readShop(connection);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    await saveShopSettings(connection, { ...shop.settings, lengthDisplay });
    const unit = lengthDisplay === 'inch' ? 'inches' : 'millimetres';
    await noteDeed(context, connection, 'choose-units', `chose ${unit} for the shop`);
    return { lengthDisplay };
  }),
);
