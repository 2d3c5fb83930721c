import { present } from '@/core/present';
import type { JobId } from '@/core/record';
import { openTestShop, testReceiving, type TestShop } from '../../test-support/open-test-shop';
import { verifyOne } from './verify';
import { listEvents, listEventsAfter, listEventsOf, listHeads, packClosed } from '@/db';

let shop: TestShop;
let tag = '';
let id: JobId;
let otherId: JobId;
beforeAll(async () => {
  shop = await openTestShop('chapters');
  tag = await shop.play({ at: 'closed' });
  const other = await shop.play({ at: 'closed' });
  [id, otherId] = [present(await shop.load(tag)).id, present(await shop.load(other)).id];
});
afterAll(() => shop.close());

const database = () => shop.runtime.database;
const query = async (statement: string, values: readonly unknown[] = []) => {
  const [rows] = await shop.runtime.pool.promise().query(statement, [...values]);
  return rows as Readonly<Record<string, unknown>>[];
};
const singly = async (job: JobId) =>
  Number((await query('select count(*) as n from events where job_id = ?', [job]))[0]?.n);
const soon = () => new Date(Date.now() + 60_000);
/** What is read of events, all the ways that they are read. */
const asRead = async () => ({
  all: await listEvents(database(), id),
  last: await listEventsAfter(database(), id, present(await shop.load(tag)).version - 3),
  heads: (await listHeads(database(), [id, otherId])).filter(({ jobId }) => jobId === id),
  of: (await listEventsOf(database(), present(await query('select id from people order by name'))[0]?.id as never))
    .length,
});

test('what was closed lately is left as it is', async () => {
  expect(await packClosed(database(), new Date(Date.now() - 3_600_000), 10)).toBe(0);
  expect(await singly(id)).toBe(present(await shop.load(tag)).version);
});

test('packed events are the same to whoever reads them, and take a fifth of the room or less', async () => {
  const [before, rows] = [
    await asRead(),
    await query('select sum(length(data)) as n from events where job_id = ?', [id]),
  ];
  expect(before.all.length).toBeGreaterThan(60);
  expect(before.last).toHaveLength(3);
  expect(before.heads.map(({ station }) => station)).toContain('rebuild');
  expect(await packClosed(database(), soon(), 1)).toBe(1);
  expect(await packClosed(database(), soon(), 10)).toBe(1);
  expect(await packClosed(database(), soon(), 10)).toBe(0);
  expect([await singly(id), await singly(otherId)]).toEqual([0, 0]);
  expect(await asRead()).toEqual(before);
  expect(await verifyOne(database(), tag)).toBeNull();
  const [packed] = await query('select length(packed) as n from event_chapters where job_id = ?', [id]);
  expect(Number(packed?.n)).toBeLessThan(Number(rows[0]?.n) / 5);
});

test('what comes after is kept beside, and packed with the rest later', async () => {
  const { version, customer } = present(await shop.load(tag));
  await shop.act('wenna', 'receive-pump', { ...testReceiving('CH-1'), customer: 'Otterford Saw Mill' });
  const merge = { from: customer.name, into: 'Otterford Saw Mill', reason: 'same yard' };
  await shop.act('wenna', 'merge-customers', merge);
  const events = await listEvents(database(), id);
  expect(events.map(({ seq }) => seq)).toEqual(Array.from({ length: version + 1 }, (_, i) => i + 1));
  expect(await singly(id)).toBe(1);
  expect((await listEventsAfter(database(), id, version - 1)).map(({ seq }) => seq)).toEqual([version, version + 1]);
  expect(await verifyOne(database(), tag)).toBeNull();
  await packClosed(database(), soon(), 10);
  expect(await singly(id)).toBe(0);
  expect(await listEvents(database(), id)).toEqual(events);
});

test('what is there twice, because it was packed between two reads, is read once', async () => {
  const before = await asRead();
  const events = await listEvents(database(), id);
  for (const { seq, kind, personName, at, data, previousHash, hash } of events.slice(-4))
    await query(
      `insert into events (job_id, seq, kind, person_name, at, data, previous_hash, hash)
       values (?, ?, ?, ?, ?, ?, ?, ?)`,
      [id, seq, kind, personName, new Date(at), data, previousHash, hash],
    );
  expect(await asRead()).toEqual(before);
  expect(await verifyOne(database(), tag)).toBeNull();
  await packClosed(database(), soon(), 10);
  expect([await singly(id), await listEvents(database(), id)]).toEqual([0, events]);
});

test('bytes that were changed are found, as an event that is missing is; nothing more is packed upon them', async () => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  await query('update event_chapters set packed = substr(packed, 1, length(packed) - 40) where job_id = ?', [id]);
  expect(await verifyOne(database(), tag)).toMatchObject({ seq: 1 });
  const [chapter] = await query('select packed from event_chapters where job_id = ?', [otherId]);
  await query('update event_chapters set packed = ? where job_id = ?', [chapter?.packed, id]);
  expect(await verifyOne(database(), tag)).not.toBeNull();
});

test('events with a gap stay as they are, for whoever looks where it is', async () => {
  const third = await shop.play({ at: 'closed' });
  const gone = present(await shop.load(third)).id;
  await query('delete from events where job_id = ? and seq = 3', [gone]);
  const left = await singly(gone);
  await packClosed(database(), soon(), 10);
  expect(await singly(gone)).toBe(left);
  expect(await verifyOne(database(), third)).toMatchObject({ seq: 3, what: 'an event is missing' });
});
