import type { Actor } from '@/core/access';
import { addOutbox, findLease, listDueOutbox, openSession } from '@/db';
import { sendTo, urlOfDatabase } from '../../test-support/empty-database';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { findSessionActor } from './people/find-session-actor';
import { scheduleOf } from './schedule';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('schedule')));
afterAll(() => shop.close());

const own = () => shop.runtime.contextFor({ kind: 'service', name: 'Puddlestone' });

test('of several copies one takes the turns, and another when that one has gone', async () => {
  const [one, two] = ['process 1 on a', 'process 2 on b'].map((holder) => scheduleOf(own, holder));
  expect(await one?.()).toBe(true);
  expect(await two?.()).toBe(false);
  expect(await one?.()).toBe(true);
  expect((await findLease(shop.runtime.database, 'schedule'))?.holder).toBe('process 1 on a');
  // It did not renew its lease in time.
  await sendTo(urlOfDatabase('schedule'), 'update leases set until = timestampadd(second, -1, utc_timestamp(3))');
  expect(await two?.()).toBe(true);
  expect(await one?.()).toBe(false);
});

test('at once one of them does what is due', async () => {
  await sendTo(urlOfDatabase('schedule'), 'delete from leases');
  const { database } = shop.runtime;
  const at = new Date(Date.now() - 1000);
  await addOutbox(database, { id: own().newId(), item: { kind: 'place-order', number: 'PO-09999' }, at });
  expect(await listDueOutbox(database, new Date(), 10)).toHaveLength(1);
  const turns = await Promise.all(['a', 'b', 'c', 'd'].map((holder) => scheduleOf(own, holder)()));
  expect(turns.filter(Boolean)).toHaveLength(1);
  expect(await listDueOutbox(database, new Date(), 10)).toHaveLength(0);
});

test('sign-ins that nobody used for a week end, those in use do not; tries of long ago are forgotten', async () => {
  await sendTo(urlOfDatabase('schedule'), 'delete from leases');
  const { database } = shop.runtime;
  const ago = (days: number) => new Date(Date.now() - days * 86_400_000);
  const { personId } = shop.people.ines as Extract<Actor, { kind: 'person' }>;
  const session = async (id: string, startedAt: Date, seenAt: Date, parkedAt: Date | null = null) =>
    openSession(database, { id, personId, startedAt, seenAt, parkedAt });
  await session('unused', ago(20), ago(8));
  await session('in-use', ago(20), ago(1));
  await session('parked', ago(3), ago(3), ago(3));
  await sendTo(
    urlOfDatabase('schedule'),
    "insert into tries (`key`, failures, last_at) values ('password/old/strangers', 9, '2026-01-01'), ('pin/new', 1, utc_timestamp())",
  );
  await scheduleOf(own, 'a')();
  const [left] = await shop.runtime.pool.promise().query('select `key` from tries');
  expect(left).toEqual([{ key: 'pin/new' }]);
  const standsFor = async (id: string) =>
    (await findSessionActor(database, { id, now: new Date(), isForEntries: true })).kind;
  expect(await Promise.all(['unused', 'in-use', 'parked'].map(standsFor))).toEqual(['nobody', 'person', 'nobody']);
});
