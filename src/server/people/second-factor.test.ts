import { Secret, TOTP } from 'otpauth';
import { present } from '@/core/present';
import { openTestShop, testDevice, type TestShop } from '../../../test-support/open-test-shop';
import { codeOf, detailsOf } from '../../../test-support/told';
import { act, letIn } from '@/server';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop('second_factor');
});
afterAll(() => shop.close());

const password = 'a-long-enough-word';
let later = 0;
const now = () => new Date(Date.now() + later);
const as = (person: string) => shop.contextOf(person, { device: testDevice, now });
const email = 'wenna@shop.example';
const signIn = (code?: string, word = password) =>
  act('sign-in', as('nobody'), { email, password: word, ...(code !== undefined && { code }) });
/** What the app shows: reckoned by the package that apps are tested against, from the secret alone. */
const shown = (secret: string, steps = 0) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: now().getTime() + steps * 30_000 });
let secret: string;
let recovery: readonly string[];

test('the code is the one of RFC 6238', () => {
  // Appendix B: the secret “12345678901234567890” at 59 s gives 94287082; its last six digits.
  const totp = new TOTP({ secret: Secret.fromLatin1('12345678901234567890') });
  expect(totp.generate({ timestamp: 59_000 })).toBe('287082');
});

test('it is begun with the password, and does not hold before a first code was right', async () => {
  expect(await codeOf(act('begin-second-factor', as('wenna'), { current: 'wrong-one' }))).toBe('bad-input');
  const begun = await act('begin-second-factor', as('wenna'), { current: password });
  ({ secret } = begun);
  expect(begun.address).toMatch(/^otpauth:\/\/totp\/Kettlewick%20Pump%20Works:wenna%40shop\.example\?/);
  expect(begun.picture).toMatch(/^<svg /);
  expect(await codeOf(signIn())).toBe('done');
  const wrong = shown(secret) === '111111' ? '222222' : '111111';
  expect((await detailsOf(act('confirm-second-factor', as('wenna'), { code: wrong })))?.what).toMatch(/not the one/);
  ({ recovery } = await act('confirm-second-factor', as('wenna'), { code: shown(secret) }));
  expect(new Set(recovery).size).toBe(10);
  expect((await detailsOf(act('begin-second-factor', as('wenna'), { current: password })))?.what).toMatch(
    /holds already/,
  );
  // Kept sealed and hashed only.
  const [rows] = await shop.runtime.pool.promise().query('select secret, recovery from second_factors');
  expect(JSON.stringify(rows)).not.toContain(secret);
  for (const word of recovery) expect(JSON.stringify(rows)).not.toContain(word);
});

test('then the password alone is asked for a code, a wrong one is a wrong try, a right one is taken once', async () => {
  expect(await codeOf(signIn())).toBe('second-factor-wanted');
  later += 60_000;
  const code = shown(secret);
  expect(await codeOf(signIn('000000', password))).toBe('wrong-sign-in');
  expect(await codeOf(signIn(code, 'wrong-password'))).toBe('wrong-sign-in');
  expect(await codeOf(signIn(code))).toBe('done');
  expect(await codeOf(signIn(code))).toBe('wrong-sign-in');
  // A clock that is half a minute ahead is followed; one of five minutes is not.
  later += 60_000;
  expect(await codeOf(signIn(shown(secret, 10)))).toBe('wrong-sign-in');
  expect(await codeOf(signIn(shown(secret, 1)))).toBe('done');
});

test('a word for a lost telephone is taken once, however it is typed', async () => {
  const word = present(recovery[3]);
  expect(await codeOf(signIn(word.toUpperCase().replace('-', ' ')))).toBe('done');
  expect(await codeOf(signIn(word))).toBe('wrong-sign-in');
  expect(await codeOf(signIn(present(recovery[4])))).toBe('done');
});

test('codes are not guessed: wrong ones are slowed as passwords are', async () => {
  later += 86_400_000;
  const codes: string[] = [];
  for (let i = 0; i < 8; i++) codes.push(await codeOf(signIn(String(100_000 + i))));
  expect(codes.filter((code) => code === 'wrong-sign-in')).toHaveLength(6);
  expect(codes.slice(6)).toEqual(['too-many-tries', 'too-many-tries']);
});

test('the owner sees who has one and ends it for whoever lost both; its person ends it with the password', async () => {
  const { staff } = await shop.act('sunniva', 'read-staff', {});
  const wenna = present(staff.find((one) => one.name === 'wenna'));
  expect(staff.filter((one) => one.hasSecondFactor).map((one) => one.name)).toEqual(['wenna']);
  expect(await shop.act('sunniva', 'drop-second-factor', { personId: wenna.id })).toEqual({ ended: 1 });
  later += 86_400_000;
  expect(await codeOf(signIn())).toBe('done');
  await act('begin-second-factor', as('wenna'), { current: password });
  expect(await act('end-second-factor', as('wenna'), { current: password })).toEqual({ ended: 1 });
  expect(await codeOf(act('confirm-second-factor', as('wenna'), { code: '123456' }))).toBe('wrong-state');
});

test('the only owner without password and telephone is let in at the machine itself, and nobody else is changed', async () => {
  const owner = 'sunniva@shop.example';
  const begun = await act('begin-second-factor', as('sunniva'), { current: password });
  await act('confirm-second-factor', as('sunniva'), { code: shown(begun.secret) });
  expect((await detailsOf(letIn(as('nobody'), 'ghost@shop.example')))?.what).toMatch(/Nobody has the address/);
  const given = await letIn(as('nobody'), owner);
  expect(given.password).toMatch(/^[a-z]+(-[a-z]+){4}$/);
  const sign = (word: string) => codeOf(act('sign-in', as('nobody'), { email: owner, password: word }));
  expect(await sign(password)).toBe('wrong-sign-in');
  expect(await sign(given.password)).toBe('done');
});
