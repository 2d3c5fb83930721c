import * as z from 'zod';
import { findTablet } from '@/db';
import { defineUseCase } from '../use-case';

/**
 * What stands at the head of every page: the shop's time, the tablet of the bench that this device is (null for none),
 * and who may take over there by PIN. Every page waits for it, so it reads no more.
 */
export const readHead = defineUseCase({
  verb: 'read-head',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ actor, database, device, shopAtHand }) {
    const [at, tablet] = await Promise.all([
      shopAtHand(),
      device.tabletId ? findTablet(database, device.tabletId) : null,
    ]);
    const people = tablet ? (at?.people ?? []) : [];
    const self = actor.kind === 'person' ? actor.personId : null;
    return {
      zone: at?.shop.zone ?? 'UTC',
      tablet: tablet && { name: tablet.name },
      others: people
        .filter(({ id, hasPin }) => hasPin && id !== self)
        .map(({ id, name, role }) => ({ id, name, role })),
    };
  },
});
