import type { CommandOf } from '@/contract';
import { receive } from '@/core/change';
import { searchTextOf, writeTag } from '@/core/lifecycle';
import { asId, type JobHead, type Tag } from '@/core/record';
import {
  addContact,
  addCustomer,
  addPump,
  findContact,
  findCustomerByName,
  findPumpBySerial,
  loadVisitsOfPump,
  persistOpening,
  takeNumber,
  type Connection,
} from '@/db';
import { moment, signatureOf } from './change-job';
import type { Context } from './context';
import { chosenFamily, keepFamily } from './families';
import { sha256 } from './fingerprint';
import { forVerb, inTransaction } from './use-case';

type Command = CommandOf<'receive-pump'>;

async function ensureCustomer(
  context: Context,
  connection: Connection,
  { customer: name, contact }: Command,
): Promise<Pick<JobHead, 'customer' | 'contact'>> {
  const found = await findCustomerByName(connection, name);
  const customer = { id: found?.id ?? context.newId(), name: found?.name ?? name };
  if (!found) await addCustomer(connection, { ...customer, createdAt: context.now() });
  if (!contact) return { customer, contact: null };
  const known = await findContact(connection, customer.id, contact.email);
  if (known) return { customer, contact: { id: known.id, name: known.name, email: known.email, phone: known.phone } };
  const id = context.newId();
  await addContact(connection, { id, customerId: customer.id, ...contact });
  return { customer, contact: { id, ...contact } };
}

async function ensurePump(
  context: Context,
  connection: Connection,
  { pump, familyId }: Command,
): Promise<JobHead['pump']> {
  const maker = pump.maker.toLowerCase();
  const same = (await findPumpBySerial(connection, pump.serial)).find((one) => one.maker.toLowerCase() === maker);
  if (same) return { id: same.id, maker: same.maker, model: same.model, serial: same.serial, size: same.size };
  const id = context.newId();
  await addPump(connection, { id, ...pump, familyId, createdAt: context.now() });
  const { maker: name, model, serial, size } = pump;
  return { id, maker: name, model, serial, size };
}

/** Takes a failed pump in: owner and pump new or known, then the job with its tag, intake and first event. */
export const receivePump = forVerb('receive-pump', async (context, command) => {
  const family = await chosenFamily(context.database, command);
  return inTransaction(context, async (connection) => {
    const tag = asId<Tag>(writeTag(await takeNumber(connection, 'nextTag')));
    const people = await ensureCustomer(context, connection, command);
    const pump = await ensurePump(context, connection, command);
    await keepFamily(connection, family);
    const earlierVisits = await loadVisitsOfPump(connection, pump.id);
    const facts = { jobId: context.newId<JobHead['id']>(), tag, family, earlierVisits, pump, ...people };
    const { who: madeAt, now } = moment(context);
    const given = { who: signatureOf(context, madeAt), now, sha256, facts };
    const decision = receive.openJob(given, command);
    const searchText = searchTextOf(decision.after, family.title);
    await persistOpening(connection, decision, { searchText, newId: context.newId });
    return decision.result;
  });
});
