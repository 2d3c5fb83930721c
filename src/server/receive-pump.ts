import type { CommandOf } from '@/contract';
import { receive } from '@/core/change';
import { searchTextOf, writeTag } from '@/core/lifecycle';
import { asId, type JobHead, type Tag } from '@/core/record';
import {
  addContact,
  addCustomer,
  addPump,
  customerLimit,
  findContact,
  findCustomerByName,
  findPumpBySerial,
  loadVisitsOfPump,
  persistOpening,
  readShop,
  takeNumber,
  sha256,
  type Connection,
} from '@/db';
import { moment, signatureOf } from './change-job';
import type { Context } from './context';
import { chosenFamily, keepFamily } from './families';
import { lotFor } from './lots';
import { forVerb, inTransaction } from './use-case';

type Command = CommandOf<'receive-pump'>;

/** A customer by their name, known or new. */
export async function ensureCustomer(
  context: Context,
  connection: Connection,
  name: string,
): Promise<JobHead['customer']> {
  const found = await findCustomerByName(connection, name);
  const customer = { id: found?.id ?? context.newId(), name: found?.name ?? name };
  if (!found) await addCustomer(connection, { ...customer, createdAt: context.now() });
  return customer;
}

/** A contact of a customer as it is said, known or new: a row once written stays as it is, for others stand on it. */
export async function ensureContact(
  context: Context,
  connection: Connection,
  { customerId, ...contact }: { readonly customerId: string } & Omit<NonNullable<JobHead['contact']>, 'id'>,
): Promise<NonNullable<JobHead['contact']>> {
  const known = await findContact(connection, customerId, contact);
  if (known) return { id: known.id, name: known.name, email: known.email, phone: known.phone };
  const id = context.newId();
  await addContact(connection, { id, customerId, ...contact });
  return { id, ...contact };
}

/** A pump as its plate says, known or new. */
export async function ensurePump(
  context: Context,
  connection: Connection,
  { pump, familyId }: { readonly pump: Omit<Command['pump'], 'nameplate'>; readonly familyId: string },
): Promise<JobHead['pump']> {
  const { maker, model, serial, size } = pump;
  // As the database compares them: neither case nor accents make another plate.
  const reads = (one: string, other: string) => one.localeCompare(other, 'en', { sensitivity: 'base' }) === 0;
  const isSame = (one: typeof pump) =>
    (['maker', 'model', 'serial', 'size'] as const).every((field) => reads(one[field], pump[field]));
  const same = (await findPumpBySerial(connection, serial)).find(isSame);
  if (same) return { id: same.id, maker: same.maker, model: same.model, serial: same.serial, size: same.size };
  const id = context.newId();
  const row = { id, maker, model, serial, size, nameplate: {}, familyId, createdAt: context.now() };
  await addPump(connection, { ...row, ...pump });
  return { id, maker, model, serial, size };
}

async function peopleOf(
  context: Context,
  connection: Connection,
  { customer: name, contact }: Command,
): Promise<Pick<JobHead, 'customer' | 'contact'>> {
  const customer = await ensureCustomer(context, connection, name);
  if (!contact) return { customer, contact: null };
  return { customer, contact: await ensureContact(context, connection, { customerId: customer.id, ...contact }) };
}

/** Takes a failed pump in: owner and pump new or known, then the job with its tag, intake and first event. */
export const receivePump = forVerb('receive-pump', async (context, command) => {
  const family = await chosenFamily(context.database, command);
  return inTransaction(context, async (connection) => {
    const tag = asId<Tag>(writeTag(await takeNumber(connection, 'nextTag')));
    const people = await peopleOf(context, connection, command);
    const pump = await ensurePump(context, connection, command);
    const { lot, promisedOn } = await lotFor(context, connection, { lot: command.lot, customer: people.customer });
    await keepFamily(connection, family);
    const earlierVisits = await loadVisitsOfPump(connection, pump.id);
    const shop = await readShop(connection);
    const [zone, policies] = [shop?.zone ?? 'UTC', shop?.settings.policies ?? {}];
    const facts = {
      jobId: context.newId<JobHead['id']>(),
      tag,
      family,
      earlierVisits,
      pump,
      zone,
      lot,
      policies,
      agreed: await customerLimit(connection, people.customer.id),
      ...people,
    };
    const { who: madeAt, now } = moment(context);
    const given = { who: signatureOf(context, madeAt), now, sha256, facts };
    const decision = receive.openJob(given, { ...command, promisedOn: promisedOn ?? command.promisedOn });
    const searchText = searchTextOf(decision.after, family.title);
    await persistOpening(connection, decision, { searchText, newId: context.newId });
    return decision.result;
  });
});
