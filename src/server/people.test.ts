import { openTestShop, usualPin, type TestShop } from '../../test-support/open-test-shop';
import type { CommandOf, Verb } from '@/contract';
import type { Actor } from '@/core/access';
import { present } from '@/core/present';
import { act } from '@/server';
import type { PersonId } from '@/core/record';
import { codeOf, detailsOf } from '../../test-support/told';
import { closeSession, findSessionActor } from './people/find-session-actor';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('people')));
afterAll(() => shop.close());
const password = 'a-long-enough-word';
const sessionActor = (id: string | undefined) => findSessionActor(shop.runtime.database, { id, now: new Date() });

test('the right word opens a session that stands for the person until it is closed', async () => {
  const { sessionId } = await shop.act('nobody', 'sign-in', { email: 'WENNA@shop.example ', password });
  expect(await sessionActor(sessionId)).toMatchObject({
    kind: 'person',
    name: 'wenna',
    role: 'coordinator',
  });
  await closeSession(shop.runtime.database, sessionId, new Date());
  expect(await sessionActor(sessionId)).toEqual({ kind: 'nobody' });
  expect(await sessionActor(undefined)).toEqual({ kind: 'nobody' });
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
test('a bench tablet changes person by PIN', async () => {
  const marek = shop.people.marek as { personId: string };
  const { sessionId } = await shop.act('ines', 'switch-person', { personId: marek.personId, pin: usualPin });
  expect(await sessionActor(sessionId)).toMatchObject({ name: 'marek' });
  expect(await codeOf(shop.act('ines', 'switch-person', { personId: marek.personId, pin: '9999' }))).toBe(
    'wrong-sign-in',
  );
  expect(await codeOf(shop.act('nobody', 'switch-person', { personId: marek.personId, pin: usualPin }))).toBe(
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

describe('who leaves, changes, or lost a word', () => {
  const actAs = <V extends Verb>(who: Actor, verb: V, input: CommandOf<V>) =>
    act(verb, shop.runtime.contextFor(who), input);
  const idOf = async (name: string) => {
    const { staff } = await shop.act('sunniva', 'read-staff', {});
    return present(staff.find((one) => one.name === name)).id;
  };
  const doneBy = async (of: PersonId | null = null) => {
    const { done } = await shop.act('sunniva', 'read-staff', { of });
    return done.map(({ tag, words }) => `${tag ?? 'beside'}: ${words}`);
  };
  const letIn = async (name: string, more: object = {}) => {
    const email = `${name}@shop.example`;
    const sent = { ...{ name, email, password, pin: '', role: 'technician' as const }, ...more };
    const { personId } = await shop.act('sunniva', 'add-person', sent);
    return { personId, email };
  };
  const devicesOf = async (id: PersonId) =>
    present((await shop.act('sunniva', 'read-staff', {})).staff.find((one) => one.id === id)).devices;

  test('who left is signed out everywhere and signs in no more, until they are let in again', async () => {
    const { personId, email } = await letIn('tamsin');
    const { sessionId } = await shop.act('nobody', 'sign-in', { email, password });
    await shop.act('nobody', 'sign-in', { email, password });
    expect(await devicesOf(personId)).toBe(2);
    expect(await shop.act('sunniva', 'change-person', { personId, isActive: false })).toEqual({ changed: 1 });
    expect(await sessionActor(sessionId)).toEqual({ kind: 'nobody' });
    expect(await devicesOf(personId)).toBe(0);
    expect(await codeOf(shop.act('nobody', 'sign-in', { email, password }))).toBe('wrong-sign-in');
    await shop.act('sunniva', 'change-person', { personId, isActive: true });
    expect(await shop.act('nobody', 'sign-in', { email, password })).toMatchObject({ name: 'tamsin' });
    expect((await doneBy()).slice(0, 3)).toEqual([
      'beside: Sunniva let tamsin in again.',
      'beside: Sunniva wrote down that tamsin left.',
      'beside: Sunniva let in tamsin as technician.',
    ]);
  });
  test('a name, an address and a role are changed with what they were; a device that is signed in has the new role', async () => {
    const { personId, email } = await letIn('jory');
    const { sessionId } = await shop.act('nobody', 'sign-in', { email, password });
    const change = { personId, name: 'Jory Penn', email: 'penn@shop.example', role: 'inspector' as const };
    expect(await shop.act('sunniva', 'change-person', change)).toEqual({ changed: 3 });
    expect(await shop.act('sunniva', 'change-person', change)).toEqual({ changed: 0 });
    expect(await sessionActor(sessionId)).toMatchObject({
      ...{ name: 'Jory Penn', role: 'inspector' },
    });
    expect((await doneBy())[0]).toMatch(/made jory inspector instead of technician|named jory Jory Penn|address/);
  });
  test('the last owner stays owner, nobody takes their own role, and an address belongs to one', async () => {
    const owner = await idOf('Sunniva');
    const said = async (sent: object) => (await detailsOf(shop.act('sunniva', 'change-person', sent)))?.what;
    expect(await said({ personId: owner, role: 'technician' })).toMatch(/another owner does that/);
    expect(await said({ personId: owner, isActive: false })).toMatch(/another owner does that/);
    const { personId } = await letIn('vesna', { role: 'owner' });
    const other = { kind: 'person', personId, name: 'vesna', role: 'owner' } as const;
    await actAs(other, 'change-person', { personId: owner, role: 'coordinator' });
    expect((await detailsOf(actAs(other, 'change-person', { personId, role: 'parts' })))?.what).toMatch(
      /another owner/,
    );
    await actAs(other, 'change-person', { personId: owner, role: 'owner' });
    expect(await said({ personId, email: 'sunniva@shop.example' })).toMatch(/already belongs to somebody/);
    expect(await said({ personId: 'nobody-at-all', name: 'x' })).toMatch(/nobody like that/);
  });
  test('another password ends what was signed in with the old one; another PIN does not', async () => {
    const { personId, email } = await letIn('silas');
    await shop.act('nobody', 'sign-in', { email, password });
    expect(await shop.act('sunniva', 'reset-secret', { personId, pin: '7406' })).toEqual({ ended: 0 });
    expect(await shop.act('ines', 'switch-person', { personId, pin: '7406' })).toMatchObject({ name: 'silas' });
    expect(await shop.act('sunniva', 'reset-secret', { personId, password: 'quite-another-word' })).toEqual({
      // By taking over there, the sign-in by password on the same tablet had ended.
      ended: 1,
    });
    expect(await codeOf(shop.act('nobody', 'sign-in', { email, password }))).toBe('wrong-sign-in');
    await shop.act('nobody', 'sign-in', { email, password: 'quite-another-word' });
    expect(await shop.act('sunniva', 'end-sessions', { personId })).toEqual({ ended: 1 });
    await shop.act('sunniva', 'reset-secret', { personId, pin: '' });
    expect(await codeOf(shop.act('ines', 'switch-person', { personId, pin: '7406' }))).not.toBe('done');
    expect((await doneBy())[0]).toBe('beside: Sunniva took the PIN of silas away.');
    expect((await detailsOf(shop.act('sunniva', 'reset-secret', { personId })))?.what).toMatch(/another password/);
  });
  test('one’s own word is changed by whoever knows it; a wrong one leaves it', async () => {
    const { personId, email } = await letIn('linnea');
    const self = { kind: 'person', personId, name: 'linnea', role: 'technician' } as const;
    const wrong = { current: 'not-this-one', password: 'chosen-by-myself' };
    expect((await detailsOf(actAs(self, 'change-own-secret', wrong)))?.what).toMatch(/stays as it is/);
    await actAs(self, 'change-own-secret', { current: password, password: 'chosen-by-myself', pin: '9406' });
    expect(await shop.act('nobody', 'sign-in', { email, password: 'chosen-by-myself' })).toMatchObject({
      name: 'linnea',
    });
    expect(await shop.act('ines', 'switch-person', { personId, pin: '9406' })).toMatchObject({ name: 'linnea' });
  });
  test('what somebody did on jobs is found by their name, and rates say what they were', async () => {
    const tag = await shop.play({ at: 'clean' });
    const done = await doneBy(await idOf('ines'));
    expect(done.some((words) => words.startsWith(`${tag}: ines `))).toBe(true);
    // What was answered step by step runs together.
    expect(done.some((words, i) => words === done[i + 1])).toBe(false);
    expect(done.every((words) => words.includes('ines '))).toBe(true);
    await shop.act('sunniva', 'change-settings', { labourMinorPerHour: 7250, taxPct: 20 });
    expect((await doneBy())[0]).toBe('beside: Sunniva settled labour, an hour: 72.50 (was 68.00).');
  });
});
