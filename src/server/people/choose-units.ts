import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { readShop, saveShopSettings } from '@/db';
import { defineUseCase } from '../use-case';

/** Millimetres or inches for the shop's screens. Readings stay as they were taken; only how limits and sums are shown changes. */
export const chooseUnits = defineUseCase({
  verb: 'choose-units',
  audience: ['owner'],
  input: z.strictObject({ lengthDisplay: z.enum(['metric', 'inch']) }),
  async run(context, { lengthDisplay }) {
    const shop = await readShop(context.database);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    await saveShopSettings(context.database, { ...shop.settings, lengthDisplay });
    return { lengthDisplay };
  },
});
