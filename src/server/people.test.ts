import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { codeOf } from '../../test-support/told';
import { closeSession, findSessionActor } from './people/find-session-actor';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('people')));
afterAll(() => shop.close());
const password = 'a-long-enough-word';

test('the right word opens a session that stands for the person until it is closed', async () => {
  const { sessionId } = await shop.act('nobody', 'sign-in', { email: 'WENNA@shop.example ', password });
  expect(await findSessionActor(shop.runtime.database, sessionId)).toMatchObject({
    kind: 'person',
    name: 'wenna',
    role: 'coordinator',
  });
  await closeSession(shop.runtime.database, sessionId, new Date());
  expect(await findSessionActor(shop.runtime.database, sessionId)).toEqual({ kind: 'nobody' });
  expect(await findSessionActor(shop.runtime.database, undefined)).toEqual({ kind: 'nobody' });
});
test('a wrong word and an unknown address answer alike', async () => {
  expect(await codeOf(shop.act('nobody', 'sign-in', { email: 'ines@shop.example', password: 'wrong' }))).toBe(
    'wrong-sign-in',
  );
  expect(await codeOf(shop.act('nobody', 'sign-in', { email: 'ghost@shop.example', password: 'wrong' }))).toBe(
    'wrong-sign-in',
  );
});
test('passwords and PINs are kept as argon2 hashes only', async () => {
  const [rows] = await shop.runtime.pool.promise().query('select password_hash, pin_hash from people');
  for (const row of rows as { password_hash: string; pin_hash: string }[]) {
    expect(row.password_hash).toMatch(/^\$argon2id\$/);
    expect(row.pin_hash).toMatch(/^\$argon2id\$/);
  }
});
test('too many tries at one address are stopped, another address is not', async () => {
  const tries: string[] = [];
  for (let i = 0; i < 14; i++)
    tries.push(await codeOf(shop.act('nobody', 'sign-in', { email: 'bram@shop.example', password: `guess ${i}` })));
  expect(tries.slice(0, 12)).toEqual(Array(12).fill('wrong-sign-in'));
  expect(tries.slice(12)).toEqual(['too-many-tries', 'too-many-tries']);
  expect(await codeOf(shop.act('nobody', 'sign-in', { email: 'bram@shop.example', password }))).toBe('too-many-tries');
  expect(await codeOf(shop.act('nobody', 'sign-in', { email: 'odile@shop.example', password }))).toBe('done');
});
test('a right PIN is never stopped for how often it is given; wrong ones in a row are, and a right one clears them', async () => {
  const { personId } = shop.people.wenna as { personId: string };
  const give = (pin: string) => codeOf(shop.act('ines', 'switch-person', { personId, pin }));
  for (let i = 0; i < 10; i++) expect(await give('2002')).toBe('done');
  for (let i = 0; i < 7; i++) expect(await give('9999')).toBe('wrong-sign-in');
  expect(await give('2002')).toBe('done');
  for (let i = 0; i < 8; i++) expect(await give('9999')).toBe('wrong-sign-in');
  expect(await give('2002')).toBe('too-many-tries');
});
test('a bench tablet changes person by PIN', async () => {
  const marek = shop.people.marek as { personId: string };
  const { sessionId } = await shop.act('ines', 'switch-person', { personId: marek.personId, pin: '2002' });
  expect(await findSessionActor(shop.runtime.database, sessionId)).toMatchObject({ name: 'marek' });
  expect(await codeOf(shop.act('ines', 'switch-person', { personId: marek.personId, pin: '9999' }))).toBe(
    'wrong-sign-in',
  );
  expect(await codeOf(shop.act('nobody', 'switch-person', { personId: marek.personId, pin: '2002' }))).toBe(
    'not-signed-in',
  );
});
test('a second owner cannot be made by a first visit, nor two people with one address', async () => {
  const visit = {
    name: 'x',
    email: 'x@shop.example',
    password,
    pin: '',
    shopName: 's',
    place: '',
    zone: 'UTC',
    currency: 'EUR',
  };
  expect(await codeOf(shop.act('nobody', 'create-owner', visit))).toBe('not-allowed');
  expect(
    await codeOf(
      shop.act('sunniva', 'add-person', {
        name: 'x',
        email: 'ines@shop.example',
        password,
        pin: '',
        role: 'technician',
      }),
    ),
  ).toBe('bad-input');
  expect(
    await codeOf(
      shop.act('sunniva', 'add-person', {
        name: 'x',
        email: 'y@shop.example',
        password: 'short',
        pin: '12',
        role: 'technician',
      }),
    ),
  ).toBe('bad-input');
});
