import * as z from 'zod';
import { piecesOfName, spellingTwins } from '@/core/record';
import { findCustomersBy, listNamesWith } from '@/db';
import { defineUseCase } from '../use-case';

/** Customers that are shown at once; more of the name leaves fewer, and a whole name comes first. */
const mostShown = 12;
/** Letters from which on a name may be a slip of another. */
const leastForTwins = 3;

/** Customers by a part of their name, however many the shop has, and those who may be meant by what was typed. */
export const findCustomers = defineUseCase({
  verb: 'find-customers',
  audience: ['coordinator', 'technician'],
  input: z.strictObject({ text: z.string().trim().max(200) }),
  async run({ database }, { text }) {
    if (!text) return { customers: [], twins: [] };
    const pieces = text.length < leastForTwins ? [] : piecesOfName(text);
    const [found, near] = await Promise.all([
      findCustomersBy(database, { text, limit: mostShown }),
      listNamesWith(database, pieces),
    ]);
    return {
      customers: found.flatMap((rows) =>
        rows.map(({ id, name, contactName, email, phone }) => ({ id, name, contactName, email, phone })),
      ),
      twins: spellingTwins(text, near).slice(0, 3),
    };
  },
});
