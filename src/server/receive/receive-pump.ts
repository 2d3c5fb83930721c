import * as z from 'zod';
import { canonical, chainEvent, standingOf, writeTag } from '@/core/lifecycle';
import type { Intake } from '@/core/record';
import {
  addContact,
  addCustomer,
  addJob,
  addPump,
  appendEvent,
  findContact,
  findCustomerByName,
  findPumpBySerial,
  loadJobRecord,
  saveStanding,
  takeNumber,
  type Connection,
} from '@/db';
import { whoOf } from '../change-job';
import type { Context } from '../context';
import { chosenFamily, constructionInput, keepFamily } from '../families';
import { sha256 } from '../fingerprint';
import { dayField, defineUseCase, optionalText, sentence } from '../use-case';
import { searchTextOf } from './search-text';

const amount = (max: number) => z.number('type a number').gt(0, 'must be more than 0').max(max, `at most ${max}`);
export const dutyInput = z.strictObject({
  flowM3h: amount(100000),
  headM: amount(5000),
  powerKw: amount(20000).optional(),
  efficiencyPct: amount(100).optional(),
  speedRpm: amount(60000),
});
export const intakeInput = z.strictObject({
  equipmentNumber: optionalText(100),
  duty: dutyInput.nullable(),
  liquid: optionalText(200),
  cleaning: z.enum(['none', 'declaration', 'sheet']),
  cleaningReference: optionalText(200),
  whyOut: optionalText(1000),
  runningHours: z.number('type a number of hours').min(0).max(1e6).nullable(),
  cameWith: z.array(sentence(200)).max(40),
  shims: z.array(z.strictObject({ foot: sentence(60), thicknesses: sentence(200) })).max(12),
  hazards: optionalText(1000),
  shippingDamage: optionalText(1000),
  elastomer: optionalText(20),
});

const input = z.strictObject({
  customer: sentence(150),
  contact: z
    .strictObject({
      name: sentence(150),
      email: z.string().trim().email('is not a mail address').max(191),
      phone: optionalText(40),
    })
    .nullable(),
  pump: z.strictObject({
    maker: sentence(100),
    model: sentence(100),
    serial: sentence(100),
    size: optionalText(60),
    nameplate: z.record(z.string().max(60), z.string().max(200)).default({}),
  }),
  ...constructionInput,
  promisedOn: dayField,
  intake: intakeInput,
});
type Input = z.infer<typeof input>;

async function ensureCustomer(context: Context, connection: Connection, { customer, contact }: Input) {
  const found = await findCustomerByName(connection, customer);
  const customerId = found?.id ?? context.newId();
  if (!found) await addCustomer(connection, { id: customerId, name: customer, createdAt: context.now() });
  if (!contact) return { customerId, contactId: null };
  const known = await findContact(connection, customerId, contact.email);
  const contactId = known?.id ?? context.newId();
  if (!known) await addContact(connection, { id: contactId, customerId, ...contact });
  return { customerId, contactId };
}

async function ensurePump(context: Context, connection: Connection, { pump, familyId }: Input) {
  const same = (await findPumpBySerial(connection, pump.serial)).find(
    (one) => one.maker.toLowerCase() === pump.maker.toLowerCase(),
  );
  if (same) return same.id;
  const id = context.newId();
  await addPump(connection, { id, ...pump, familyId, createdAt: context.now() });
  return id;
}

/** Takes a failed pump in: owner and pump new or known, the job with its tag, the intake, the first event. */
export const receivePump = defineUseCase({
  verb: 'receive-pump',
  audience: ['coordinator', 'technician'],
  input,
  async run(context, given) {
    const family = await chosenFamily(context.database, given);
    return context.database.transaction(async (connection) => {
      const tag = writeTag(await takeNumber(connection, 'nextTag'));
      const { customerId, contactId } = await ensureCustomer(context, connection, given);
      const pumpId = await ensurePump(context, connection, given);
      await keepFamily(connection, family);
      const id = context.newId();
      const now = context.now();
      const intake: Omit<Intake, 'version'> = { ...given.intake, duty: given.intake.duty, isolation: null };
      const searchText = searchTextOf({
        tag,
        customer: given.customer,
        pump: given.pump,
        intake: given.intake,
        familyTitle: family.title,
      });
      await addJob(
        connection,
        {
          id,
          tag,
          pumpId,
          customerId,
          contactId,
          familyId: family.id,
          familyVersion: family.version,
          station: 'receive',
          holder: 'U',
          holderSince: now,
          promisedOn: given.promisedOn,
          searchText,
          openedAt: now,
        },
        intake,
      );
      const record = (await loadJobRecord(connection, tag))!;
      await saveStanding(connection, id, {
        station: 'receive',
        holder: 'U',
        holderSince: now,
        hold: null,
        outcome: 'open',
        standing: standingOf(record, family),
        closedAt: null,
      });
      const who = whoOf(context);
      const event = chainEvent(
        {
          seq: 1,
          kind: 'receive-pump',
          personName: who.personName,
          at: now.toISOString(),
          data: canonical({ tag, customer: given.customer, pump: given.pump, intake: given.intake }),
          previousHash: '',
        },
        sha256,
      );
      await appendEvent(connection, id, { ...event, personId: who.personId });
      return { tag, earlierVisits: record.earlierVisits.length };
    });
  },
});
