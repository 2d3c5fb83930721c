import type { Actor } from '@/core/access';
import type { PersonId } from '@/core/record';
import { findTablet } from '@/db';
import { act, perform, readOwnSessions } from '@/server';
import { openTestShop, testDevice, usualPin, type TestShop } from '../../../test-support/open-test-shop';
import { codeOf, detailsOf } from '../../../test-support/told';
import type { Context } from '../context';
import { noDevice, type Device } from './device';
import { findSessionActor } from './find-session-actor';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('sign_ins')));
afterAll(() => shop.close());

const password = 'a-long-enough-word';
const second = 1000;
let later = 0;
/** Lets time pass for all that follows. */
const pass = (ms: number) => void (later += ms);
const now = () => new Date(Date.now() + later);
const on = (device: Partial<Device>, person = 'nobody'): Context =>
  shop.contextOf(person, { device: { ...noDevice, ...device }, now });
const idOf = (person: string) => (shop.people[person] as Extract<Actor, { kind: 'person' }>).personId;
const signIn = (device: Partial<Device>, person: string, word = password) =>
  act('sign-in', on(device), { email: `${person}@shop.example`, password: word });
const take = (person: string, pin: string, device: Partial<Device> = testDevice, by = 'ines') =>
  act('switch-person', on(device, by), { personId: idOf(person), pin });
const standsFor = (id: string, isForEntries = false) =>
  findSessionActor(shop.runtime.database, { id, now: now(), isForEntries });

describe('passwords that are tried', () => {
  test('by strangers are slowed, longer each time; the colleague comes in on a device that knows them', async () => {
    const stranger = { client: '203.0.113.9' };
    for (let i = 0; i < 6; i++) expect(await codeOf(signIn(stranger, 'bram', `guess ${i}`))).toBe('wrong-sign-in');
    expect((await detailsOf(signIn(stranger, 'bram', 'guess')))?.what).toMatch(/possible in 1[45] seconds/);
    // From anywhere else it is the same stranger; another person is not touched.
    expect(await codeOf(signIn({ client: '203.0.113.10' }, 'bram', 'guess'))).toBe('too-many-tries');
    expect(await codeOf(signIn(stranger, 'odile'))).toBe('done');
    const own = { id: 'device-1', knows: [idOf('bram')], client: '203.0.113.9' };
    expect(await codeOf(signIn(own, 'bram'))).toBe('done');
    pass(16 * second);
    expect(await codeOf(signIn(stranger, 'bram', 'guess'))).toBe('wrong-sign-in');
    expect((await detailsOf(signIn(stranger, 'bram', 'guess')))?.what).toMatch(/possible in (29|30) seconds/);
  });
  test('a device that only says that it knows somebody is a stranger to all others', async () => {
    const known = { id: 'device-2', knows: [idOf('marek')], client: '203.0.113.20' };
    for (let i = 0; i < 6; i++) await codeOf(signIn(known, 'wenna', `guess ${i}`));
    expect(await codeOf(signIn(known, 'wenna', 'guess'))).toBe('too-many-tries');
  });
  test('for many people from one address are slowed there, and nowhere else', async () => {
    const client = '203.0.113.30';
    for (let i = 0; i < 21; i++)
      await codeOf(act('sign-in', on({ client }), { email: `ghost-${i}@shop.example`, password: 'guess' }));
    expect(await codeOf(signIn({ client }, 'odile'))).toBe('too-many-tries');
    expect(await codeOf(signIn({ client: '203.0.113.31' }, 'odile'))).toBe('done');
  });
  test('at once are no more than in a row', async () => {
    const tries = await Promise.all(
      Array.from({ length: 30 }, (_, i) => codeOf(signIn({ client: '203.0.113.40' }, 'ines', `guess ${i}`))),
    );
    expect(tries.filter((code) => code === 'wrong-sign-in')).toHaveLength(6);
    expect(tries.filter((code) => code === 'too-many-tries')).toHaveLength(24);
  });
  test('right ones are never counted', async () => {
    for (let i = 0; i < 25; i++) expect(await codeOf(signIn({ client: '203.0.113.50' }, 'odile'))).toBe('done');
  });
});

describe('a take-over by PIN', () => {
  test('is possible on a tablet that is enrolled, and there only', async () => {
    expect(await codeOf(take('marek', usualPin, noDevice))).toBe('not-a-tablet');
    expect(await codeOf(take('marek', usualPin, { tabletId: 'of-another-shop' }))).toBe('not-a-tablet');
    expect(await codeOf(act('enrol-tablet', on(noDevice, 'ines'), { name: 'Bench 2' }))).toBe('not-allowed');
    const { tabletId } = await act('enrol-tablet', on(noDevice, 'wenna'), { name: 'Bench 2' });
    expect((await detailsOf(act('enrol-tablet', on(noDevice, 'wenna'), { name: 'bench 2' })))?.what).toMatch(/already/);
    expect(await take('marek', usualPin, { tabletId })).toMatchObject({ name: 'marek', role: 'inspector' });
  });
  test('parks the session before: it sends what was entered by then, and opens nothing', async () => {
    const { tabletId } = await act('enrol-tablet', on(noDevice, 'wenna'), { name: 'Bench 3' });
    const { sessionId } = await signIn({ tabletId }, 'odile');
    const taken = await take('marek', usualPin, { tabletId, sessionId }, 'odile');
    expect(await standsFor(sessionId)).toEqual({ kind: 'nobody' });
    expect(await standsFor(sessionId, true)).toMatchObject({ name: 'odile' });
    expect(await standsFor(taken.sessionId)).toMatchObject({ name: 'marek' });
    // Back at it, the one that was parked has ended.
    await take('odile', usualPin, { tabletId, sessionId: taken.sessionId }, 'marek');
    expect(await standsFor(sessionId, true)).toEqual({ kind: 'nobody' });
  });
  test('is never counted while it is right; wrong ones are slowed for that person on that tablet', async () => {
    const { tabletId } = await act('enrol-tablet', on(noDevice, 'wenna'), { name: 'Bench 4' });
    const here = { tabletId };
    for (let i = 0; i < 20; i++) expect(await codeOf(take('marek', usualPin, here))).toBe('done');
    for (let i = 0; i < 5; i++) expect(await codeOf(take('marek', '1357', here))).toBe('wrong-sign-in');
    expect((await detailsOf(take('marek', usualPin, here)))?.what).toMatch(/possible in (29|30) seconds/);
    // Neither another person there nor the same person at another tablet waits.
    expect(await codeOf(take('bram', usualPin, here))).toBe('done');
    expect(await codeOf(take('marek', usualPin))).toBe('done');
    pass(31 * second);
    expect(await codeOf(take('marek', usualPin, here))).toBe('done');
    expect(await codeOf(take('marek', '1357', here))).toBe('wrong-sign-in');
  });
  test('of one colleague after the other is slowed for the whole tablet, however many right ones lie between', async () => {
    const { tabletId } = await act('enrol-tablet', on(noDevice, 'wenna'), { name: 'Bench 5' });
    const codes: string[] = [];
    for (const person of ['marek', 'bram', 'odile', 'wenna', 'sunniva'])
      for (let i = 0; i < 3; i++) {
        codes.push(await codeOf(take(person, '1357', { tabletId })));
        await codeOf(take('ines', usualPin, { tabletId }));
      }
    expect(codes.filter((code) => code === 'wrong-sign-in')).toHaveLength(13);
    expect(codes.at(-1)).toBe('too-many-tries');
  });
  test('is told to the owner when it locks', async () => {
    const { audits } = await shop.act('sunniva', 'read-staff', {});
    const locks = audits.filter(({ kind }) => kind === 'locked').map(({ words }) => words);
    expect(locks).toContain('the PIN for marek was wrong, too often');
    expect(locks).toContain('the password for bram@shop.example was wrong, too often');
    const notices = await shop.act('sunniva', 'read-owner-notices', {});
    expect(notices.locks).toContain('the PIN for marek was wrong, too often');
    expect(await codeOf(shop.act('wenna', 'read-owner-notices', {}))).toBe('not-allowed');
  });
  test('is over on a tablet that was lost, and so is who was signed in there', async () => {
    const { tabletId } = await act('enrol-tablet', on(noDevice, 'wenna'), { name: 'Lost one' });
    const { sessionId } = await take('marek', usualPin, { tabletId });
    expect(await shop.act('wenna', 'end-tablet', { tabletId })).toEqual({ ended: 1 });
    expect(await standsFor(sessionId)).toEqual({ kind: 'nobody' });
    expect(await findTablet(shop.runtime.database, tabletId)).toBeNull();
    expect(await codeOf(take('marek', usualPin, { tabletId }))).toBe('not-a-tablet');
  });
});

describe('where one is signed in', () => {
  test('is listed for oneself, this one marked, and each can be ended; another’s only by the owner', async () => {
    const one = await signIn({ agent: 'Firefox on Linux', client: '192.0.2.1' }, 'bram');
    const two = await signIn({ agent: 'Safari on iPad', client: '192.0.2.2' }, 'bram');
    const { sessions } = await perform(readOwnSessions, on({ sessionId: two.sessionId }, 'bram'), {});
    expect(sessions.find(({ id }) => id === two.sessionId)).toMatchObject({ isThis: true, agent: 'Safari on iPad' });
    expect(sessions.find(({ id }) => id === one.sessionId)).toMatchObject({ isThis: false, client: '192.0.2.1' });
    expect(await codeOf(shop.act('ines', 'end-session', { sessionId: one.sessionId }))).toBe('not-found');
    expect(await shop.act('bram', 'end-session', { sessionId: one.sessionId })).toEqual({ ended: 1 });
    expect(await standsFor(one.sessionId)).toEqual({ kind: 'nobody' });
    expect(await shop.act('sunniva', 'end-session', { sessionId: two.sessionId })).toEqual({ ended: 1 });
    expect(await standsFor(two.sessionId)).toEqual({ kind: 'nobody' });
  });
  test('another password ends it everywhere but here', async () => {
    const here = await signIn({}, 'marek');
    const elsewhere = await signIn({}, 'marek');
    const own = on({ sessionId: here.sessionId }, 'marek');
    const done = await act('change-own-secret', own, { current: password, password: 'river-lamp-thistle' });
    expect(done.ended).toBeGreaterThan(0);
    expect(await standsFor(here.sessionId)).toMatchObject({ name: 'marek' });
    expect(await standsFor(elsewhere.sessionId)).toEqual({ kind: 'nobody' });
  });
});

describe('words that many people choose are refused', () => {
  const choose = (change: object) =>
    detailsOf(
      shop.act('sunniva', 'add-person', {
        ...{ name: 'Tamsin Quarrel', email: 'tamsin@shop.example', password, pin: '', role: 'technician', ...change },
      }),
    ).then((details) => details?.what ?? 'done');
  test.each(['qwertyuiop', 'PASSWORD123', 'Basketball!', '1q2w3e4r5t', 'dragon123456', 'Sunshine2024'])(
    'the password %s',
    async (word) => expect(await choose({ password: word })).toMatch(/Many people choose this password/),
  );
  test.each(['tamsin-2026', 'quarrel!!!!', 'puddlestone1'])('the password %s, with a name in it', async (word) =>
    expect(await choose({ password: word })).toMatch(/is tried first/),
  );
  test.each(['1111', '1234', '4321', '7890', '1212', '474747', '1984', '2011', '6969'])('the PIN %s', async (pin) =>
    expect(await choose({ pin })).toMatch(/Many people choose this PIN/),
  );
  test('and others are taken', async () => {
    expect(await choose({ pin: '7302' })).toBe('done');
  });
});

test('who leaves is out at once, on every device, and their planned work goes to whom it is handed to', async () => {
  const tag = await shop.play({ at: 'clean' });
  const wish = { tag, operation: 'teardown', resourceId: idOf('ines'), notBefore: null };
  await shop.act('wenna', 'wish-operation', wish);
  // Strangers have tried her password above: she comes in where she is known.
  const { sessionId } = await signIn({ id: 'device-9', knows: [idOf('ines')] }, 'ines');
  const leave = { personId: idOf('ines'), isActive: false };
  const to = (handTo: PersonId) => detailsOf(shop.act('sunniva', 'change-person', { ...leave, handTo }));
  expect((await to(idOf('ines')))?.what).toMatch(/somebody else who works here/);
  await shop.act('sunniva', 'change-person', { ...leave, handTo: idOf('odile') });
  expect(await standsFor(sessionId)).toEqual({ kind: 'nobody' });
  const [rows] = await shop.runtime.pool.promise().query('select resource_id from plan_wishes where tag = ?', [tag]);
  expect(rows).toEqual([{ resource_id: idOf('odile') }]);
  const { done } = await shop.act('sunniva', 'read-staff', {});
  expect(done.map(({ words }) => words)).toContain('Sunniva handed one piece of planned work of ines to odile.');
});
