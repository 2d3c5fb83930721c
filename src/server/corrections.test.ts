import { present } from '@/core/present';
import { openTestShop, testReceiving, type TestShop } from '../../test-support/open-test-shop';
import { codeOf, detailsOf } from '../../test-support/told';
import { carryOutDue } from '.';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('corrections')));
afterAll(() => shop.close());

test('a pump that is in the house is not taken in again: said by its tag, however it is written, and of two at once', async () => {
  const first = await shop.play({ at: 'receive', part: 'undeclared' });
  const { serial, maker } = present(await shop.load(first)).pump;
  const asked = testReceiving(serial);
  const refused = await detailsOf(shop.act('wenna', 'receive-pump', asked));
  expect(refused).toMatchObject({ issues: [{ path: 'pump.serial' }] });
  expect(present(refused).what).toContain(`is in the house as ${first}`);
  const small = { ...asked, pump: { ...asked.pump, serial: serial.toLowerCase(), maker: maker.toUpperCase() } };
  expect(await codeOf(shop.act('wenna', 'receive-pump', small))).toBe('wrong-state');
  const other = { ...asked, pump: { ...asked.pump, serial: `${serial}-B` } };
  const twice = await Promise.all([1, 2, 3].map(() => codeOf(shop.act('wenna', 'receive-pump', other))));
  expect(twice.toSorted()).toEqual(['done', 'wrong-state', 'wrong-state']);
});

test('a promise is moved with its reason, the customer gets one mail, and of two who move it one is told', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const from = present(await shop.load(tag)).promisedOn;
  const asked = { tag, from, to: '2027-02-01', reason: 'the shaft comes later', tell: true };
  const twice = await Promise.all([1, 2].map(() => codeOf(shop.act('wenna', 'move-promise', asked))));
  expect(twice.toSorted()).toEqual(['changed-meanwhile', 'done']);
  expect(await codeOf(shop.act('ines', 'move-promise', { ...asked, from: '2027-02-01', to: '2027-02-02' }))).toBe(
    'not-allowed',
  );
  const { promisedOn, promises, contact } = present(await shop.load(tag));
  expect(promisedOn).toBe('2027-02-01');
  expect(promises).toMatchObject([{ number: 1, from, to: '2027-02-01', toldTo: contact?.email }]);
  await carryOutDue(shop.contextOf('sunniva'), 200);
  const { mails } = (await shop.act('wenna', 'read-outbox', {})) as { mails: { subject: string; body: string }[] };
  const sent = mails.filter(({ subject }) => subject.includes(tag));
  expect(sent).toHaveLength(1);
  expect(present(sent[0]).subject).toBe(`Your pump ${tag}: 1 February instead of 15 January`);
  expect(present(sent[0]).body).toContain('Why: the shaft comes later');
  const { events, difference } = await shop.act('wenna', 'read-events', { tag });
  expect(difference).toBeNull();
  expect(present(events.at(-1)).lines.join(' ')).toContain('promised on 2027-01-15 → 2027-02-01');
});
