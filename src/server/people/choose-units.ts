import { DomainError } from '@/core/errors';
import { readShop, saveShopSettings } from '@/db';
import { forVerb } from '../use-case';

/** Millimetres or inches for the shop's screens. Readings stay as they were taken; only how limits and sums are shown changes. */
export const chooseUnits = forVerb('choose-units', async (context, { lengthDisplay }) => {
  const shop = await readShop(context.database);
  if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
  await saveShopSettings(context.database, { ...shop.settings, lengthDisplay });
  return { lengthDisplay };
});
