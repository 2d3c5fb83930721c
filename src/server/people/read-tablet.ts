import * as z from 'zod';
import { findTablet } from '@/db';
import { defineUseCase } from '../use-case';

/** The tablet of the bench that this device is; null for none. */
export const readTablet = defineUseCase({
  verb: 'read-tablet',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ database, device }) {
    const tablet = device.tabletId ? await findTablet(database, device.tabletId) : null;
    return tablet && { name: tablet.name };
  },
});
