import * as z from 'zod';
import { findTablet, listPeople, readShop } from '@/db';
import { defineUseCase } from '../use-case';

/**
 * What stands at the head of every page: the shop's time, the tablet of the bench that this device is (null for none),
 * and who may take over there by PIN. Every page waits for it, so it reads no more.
 */
export const readHead = defineUseCase({
  verb: 'read-head',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ actor, database, device }) {
    const [shop, tablet] = await Promise.all([
      readShop(database),
      device.tabletId ? findTablet(database, device.tabletId) : null,
    ]);
    const people = tablet ? await listPeople(database) : [];
    const self = actor.kind === 'person' ? actor.personId : null;
    return {
      zone: shop?.zone ?? 'UTC',
      tablet: tablet && { name: tablet.name },
      others: people
        .filter(({ id, pinHash }) => pinHash !== null && id !== self)
        .map(({ id, name, role }) => ({ id, name, role })),
    };
  },
});
