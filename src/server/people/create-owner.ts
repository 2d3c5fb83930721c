import type { PersonId } from '@/core/record';
import { DomainError } from '@/core/errors';
import { addPerson as addPersonRow, countPeople, createShop, openSession, readShop } from '@/db';
import { forVerb, inTransaction } from '../use-case';
import { refuseCommon } from './common-words';
import { hashSecret } from './passwords';

export const standardSettings = {
  labourMinorPerHour: 6800,
  machiningMinorPerHour: 8400,
  testMinor: 24000,
  freightMinor: 9500,
  partsMarkupPct: 18,
  taxPct: 20,
  taxes: [],
  warrantyMonths: 12,
  quoteValidDays: 30,
  wageMinorPerHour: null,
  reminderAfterDays: 7,
  language: 'en' as const,
  telephone: '',
  address: '',
  paperSize: 'A4' as const,
  letters: {},
  policies: {},
  basis: null,
  lengthDisplay: 'metric' as const,
};

/** First visit to an empty shop: makes the shop and its owner. Refused as soon as anybody exists. */
export const createOwner = forVerb(
  'create-owner',
  async (context, { name, email, password, pin, shopName, place, zone, currency }) => {
    await refuseCommon({ password, pin, name, email });
    const [passwordHash, pinHash] = await Promise.all([hashSecret(password), pin ? hashSecret(pin) : null]);
    return inTransaction(context, async (connection) => {
      if ((await countPeople(connection)) > 0)
        throw new DomainError('not-allowed', { what: 'This shop already has its owner.' });
      if (!(await readShop(connection)))
        await createShop(connection, {
          name: shopName,
          place,
          zone,
          currency,
          settings: standardSettings,
          firstTag: 1,
        });
      const personId = context.newId<PersonId>();
      await addPersonRow(connection, {
        id: personId,
        name,
        email,
        role: 'owner',
        passwordHash,
        pinHash,
        createdAt: context.now(),
      });
      const sessionId = context.newId();
      const { client, agent } = context.device;
      await openSession(connection, { id: sessionId, personId, startedAt: context.now(), client, agent });
      return { sessionId, personId, name, role: 'owner' as const };
    });
  },
);
