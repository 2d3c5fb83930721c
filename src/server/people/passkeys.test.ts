import { openTestShop, testDevice, type TestShop } from '../../../test-support/open-test-shop';
import { passkeyDevice, type Lies } from '../../../test-support/passkey-device';
import { codeOf, detailsOf } from '../../../test-support/told';
import { act, letIn, perform } from '@/server';
import { readOwnSessions } from './own-sessions';

const origin = 'https://shop.example';
const password = 'a-long-enough-word';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop('passkeys');
});
afterAll(() => shop.close());

const as = (person: string) => shop.contextOf(person, { device: testDevice, origin });
const idOf = (person: string) => {
  const actor = shop.people[person];
  if (actor?.kind !== 'person') throw new Error(`nobody is called ${person}`);
  return actor.personId;
};
type Device = ReturnType<typeof passkeyDevice>;
const add = async (person: string, device: Device, lies?: Lies) => {
  const { options, token } = await act('begin-passkey', as(person), { current: password });
  return act('add-passkey', as(person), { token, name: 'Telephone', answer: device.make(options, lies) });
};
const signIn = async (person: string, device: Device, lies?: Lies) => {
  const { options, token } = await act('ask-passkey', as('nobody'), {});
  return act('sign-in-by-passkey', as('nobody'), { token, answer: device.prove(options, idOf(person), lies) });
};
const telephone = passkeyDevice(origin);

test('it is begun with the password only, for the name of this place, and asks the device for its person', async () => {
  expect(await codeOf(act('begin-passkey', as('ines'), { current: 'wrong-word-of-mine' }))).toBe('bad-input');
  const { options } = await act('begin-passkey', as('ines'), { current: password });
  expect(options).toMatchObject({
    rp: { id: 'shop.example', name: 'Kettlewick Pump Works' },
    user: { name: 'ines@shop.example' },
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  // What each Node can read, whichever runs: a later one knows more, whose signatures are longer than is taken.
  expect(options.pubKeyCredParams).toEqual([-8, -7, -257].map((alg) => ({ alg, type: 'public-key' })));
});

test('one that was made signs its person in, and nobody else, without address, password and code', async () => {
  await add('ines', telephone);
  expect(await signIn('ines', telephone)).toMatchObject({ personId: idOf('ines'), role: 'technician' });
  // The device says another person than the one whose key it is.
  expect(await codeOf(signIn('wenna', telephone))).toBe('wrong-passkey');
  expect(await codeOf(signIn('ines', passkeyDevice(origin)))).toBe('wrong-passkey');
  const { passkeys, sessions } = await perform(readOwnSessions, as('ines'), {});
  expect(passkeys).toMatchObject([{ name: 'Telephone', usedAt: expect.any(String) as string }]);
  expect(sessions.map(({ how }) => how)).toContain('passkey');
});

test.each<[string, Lies]>([
  ['a page of another name', { origin: 'https://shop.example.elsewhere.example' }],
  ['a key for another site', { site: 'elsewhere.example' }],
  ['a device that did not ask who is there', { isUnasked: true }],
])('%s makes no passkey and signs nobody in', async (_, lies) => {
  expect((await detailsOf(add('ines', passkeyDevice(origin), lies)))?.what).toMatch(/not one of this place/);
  expect(await codeOf(signIn('ines', telephone, lies))).toBe('wrong-passkey');
});

test('an answer is taken once, for what was asked, by whom it was asked', async () => {
  const asked = await act('ask-passkey', as('nobody'), {});
  const input = { token: asked.token, answer: telephone.prove(asked.options, idOf('ines')) };
  expect(await codeOf(act('sign-in-by-passkey', as('nobody'), input))).toBe('done');
  expect(await codeOf(act('sign-in-by-passkey', as('nobody'), input))).toBe('wrong-passkey');
  const other = await act('ask-passkey', as('nobody'), {});
  const swapped = { token: other.token, answer: telephone.prove(asked.options, idOf('ines')) };
  expect(await codeOf(act('sign-in-by-passkey', as('nobody'), swapped))).toBe('wrong-passkey');
  const forged = { token: 'Fe26.2*1*x', answer: telephone.prove(asked.options, idOf('ines')) };
  expect(await codeOf(act('sign-in-by-passkey', as('nobody'), forged))).toBe('wrong-passkey');
  const begun = await act('begin-passkey', as('ines'), { current: password });
  const answer = passkeyDevice(origin).make(begun.options);
  const kept = { token: begun.token, name: 'Mine now', answer };
  expect((await detailsOf(act('add-passkey', as('wenna'), kept)))?.what).toMatch(/Begin again/);
});

test('a signature that was changed, and a counter that goes back as a copy’s does, prove nobody', async () => {
  const asked = await act('ask-passkey', as('nobody'), {});
  const answer = telephone.prove(asked.options, idOf('ines'));
  const signature = Buffer.from(answer.response.signature, 'base64url');
  signature[signature.length - 1] = (signature.at(-1) ?? 0) ^ 1;
  const changed = { ...answer, response: { ...answer.response, signature: signature.toString('base64url') } };
  expect(await codeOf(act('sign-in-by-passkey', as('nobody'), { token: asked.token, answer: changed }))).toBe(
    'wrong-passkey',
  );
  telephone.setBack(0);
  expect(await codeOf(signIn('ines', telephone))).toBe('wrong-passkey');
  telephone.setBack(50);
  expect(await codeOf(signIn('ines', telephone))).toBe('done');
});

test('it stands for the second factor, too', async () => {
  const key = passkeyDevice(origin);
  await add('wenna', key);
  await shop.runtime.pool
    .promise()
    .query(
      "insert into second_factors (person_id, secret, started_at, confirmed_at, last_step, recovery) values (?, 'x', now(), now(), 0, '[]')",
      [idOf('wenna')],
    );
  const email = 'wenna@shop.example';
  expect(await codeOf(act('sign-in', as('nobody'), { email, password }))).toBe('second-factor-wanted');
  expect(await codeOf(signIn('wenna', key))).toBe('done');
});

test('one that was ended, and whoever left, are not let in; one device is kept once', async () => {
  expect((await detailsOf(add('ines', telephone)))?.what).toMatch(/kept already/);
  const [mine] = (await perform(readOwnSessions, as('ines'), {})).passkeys;
  // It is nobody else's to end.
  expect(await act('end-passkey', as('marek'), { passkeyId: mine?.id })).toEqual({ ended: 0 });
  expect(await act('end-passkey', as('ines'), { passkeyId: mine?.id })).toEqual({ ended: 1 });
  expect(await codeOf(signIn('ines', telephone))).toBe('wrong-passkey');
  const key = passkeyDevice(origin);
  await add('marek', key);
  await act('change-person', as('sunniva'), { personId: idOf('marek'), isActive: false });
  expect(await codeOf(signIn('marek', key))).toBe('wrong-passkey');
  const lost = passkeyDevice(origin);
  await add('bram', lost);
  expect(await act('drop-passkeys', as('sunniva'), { personId: idOf('bram') })).toEqual({ ended: 1 });
  expect(await codeOf(signIn('bram', lost))).toBe('wrong-passkey');
});

test('whoever is let in at the machine itself has no passkey any more', async () => {
  const key = passkeyDevice(origin);
  await add('odile', key);
  await letIn(as('nobody'), 'odile@shop.example');
  expect(await codeOf(signIn('odile', key))).toBe('wrong-passkey');
});

test('who tries on and on from one place is slowed; a right one is not counted', async () => {
  const client = '10.9.8.7';
  const from = shop.contextOf('nobody', { device: { ...testDevice, client }, origin });
  const key = passkeyDevice(origin);
  await add('ines', key);
  const knock = async (lies?: Lies) => {
    const { options, token } = await act('ask-passkey', from, {});
    return codeOf(act('sign-in-by-passkey', from, { token, answer: key.prove(options, idOf('ines'), lies) }));
  };
  for (let i = 0; i < 20; i++) expect(await knock({ isUnasked: true })).toBe('wrong-passkey');
  expect(await knock()).toBe('done');
  expect(await knock({ isUnasked: true })).toBe('wrong-passkey');
  expect(await knock()).toBe('too-many-tries');
});

test('what is no answer of a passkey is refused by name', async () => {
  const { token } = await act('ask-passkey', as('nobody'), {});
  const refused = await detailsOf(act('sign-in-by-passkey', as('nobody'), { token, answer: { id: 'not base64!' } }));
  expect(refused?.what).toMatch(/answer\.id: is not base64url/);
});
