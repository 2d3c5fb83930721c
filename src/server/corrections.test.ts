import { sayDay } from '@/core/lifecycle';
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
  // With the year where it is not this one.
  const said = (day: string) => sayDay(day, new Date().toISOString());
  expect(present(sent[0]).subject).toBe(`Your pump ${tag}: ${said('2027-02-01')} instead of ${said('2027-01-15')}`);
  expect(present(sent[0]).body).toContain('Why: the shaft comes later');
  const { events, difference } = await shop.act('wenna', 'read-events', { tag });
  expect(difference).toBeNull();
  expect(present(events.at(-1)).lines.join(' ')).toContain('promised on 2027-01-15 → 2027-02-01');
});

test('of two who put two plates right to one serial number at once one wins; the other is told, and then why', async () => {
  const tags = [
    await shop.play({ at: 'receive', part: 'undeclared' }),
    await shop.play({ at: 'receive', part: 'undeclared' }),
  ];
  const { maker, model, size } = present(await shop.load(present(tags[0]))).pump;
  const pump = { maker, model, size, serial: 'ONE-PLATE-77' };
  const asked = tags.map((tag) => ({ tag, pump, reason: 'the plate was read from the other one' }));
  const twice = await Promise.all(asked.map((one) => codeOf(shop.act('wenna', 'correct-nameplate', one))));
  expect(twice.filter((code) => code === 'done')).toHaveLength(1);
  const loser = present(asked[twice.findIndex((code) => code !== 'done')]);
  expect(await codeOf(shop.act('wenna', 'correct-nameplate', loser))).toBe('wrong-state');
});

describe('what was written down wrongly is put right', () => {
  const reason = 'read from the wrong papers';
  const loaded = async (tag: string) => present(await shop.load(tag));

  test('owner, contact, plate and equipment number; what it was stays, and the events give the record', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const before = await loaded(tag);
    await shop.act('wenna', 'correct-owner', { tag, customer: 'Fernhollow Dairy', reason });
    const contact = { name: 'Rowan Teague', email: 'rowan@fernhollow.example', phone: '' };
    await shop.act('wenna', 'correct-contact', { tag, contact, reason });
    const { maker, model, size, serial } = before.pump;
    const plate = { maker, model: `${model} B`, serial: `${serial}-7`, size };
    await shop.act('ines', 'correct-nameplate', { tag, pump: plate, reason });
    await shop.act('ines', 'correct-equipment-number', { tag, equipmentNumber: 'D-4', reason });
    const after = await loaded(tag);
    expect(after.customer.name).toBe('Fernhollow Dairy');
    expect(after.contact).toMatchObject(contact);
    expect(after.pump).toMatchObject(plate);
    expect(after.intake.equipmentNumber).toBe('D-4');
    expect(after.corrections.map(({ what, from, reason: why }) => [what, from, why])).toEqual([
      ['owner', before.customer.name, reason],
      ['contact', 'nobody', reason],
      ['nameplate', `${maker} ${model}, serial ${serial}${size && `, size ${size}`}`, reason],
      ['equipment number', before.intake.equipmentNumber, reason],
    ]);
    const { difference } = await shop.act('wenna', 'read-events', { tag });
    expect(difference).toBeNull();
    // It is found by what it is now.
    const { strips } = (await shop.act('wenna', 'find-jobs', { text: 'Fernhollow' })) as { strips: { tag: string }[] };
    expect(strips.map((one) => one.tag)).toContain(tag);
  });

  test('an earlier visit keeps what was written down then, and is found by the number as it is compared', async () => {
    const first = await shop.play({ at: 'closed' });
    const { serial, maker, model } = (await loaded(first)).pump;
    const spaced = `${serial.slice(0, 3)} ${serial.slice(3).toLowerCase()}`;
    const asked = testReceiving(spaced);
    const again = { ...asked, pump: { ...asked.pump, maker, model } };
    const { tag, earlierVisits } = await shop.act('wenna', 'receive-pump', again);
    expect(earlierVisits).toBe(1);
    const plate = { maker, model: 'another model', serial: spaced, size: '' };
    await shop.act('wenna', 'correct-nameplate', { tag, pump: plate, reason });
    expect((await loaded(first)).pump.model).toBe(model);
    expect((await loaded(tag)).earlierVisits.map((visit) => visit.tag)).toEqual([first]);
    expect((await shop.act('wenna', 'read-events', { tag: first })).difference).toBeNull();
  });

  test('to a pump that is in the house it is refused by its tag; what stands there already is nothing to put right', async () => {
    const [one, other] = [
      await shop.play({ at: 'receive', part: 'undeclared' }),
      await shop.play({ at: 'receive', part: 'undeclared' }),
    ];
    const { id: _id, ...taken } = (await loaded(other)).pump;
    const refused = await detailsOf(shop.act('wenna', 'correct-nameplate', { tag: one, pump: taken, reason }));
    expect(present(refused).what).toContain(`is in the house as ${other}`);
    const { customer } = await loaded(one);
    const same = await detailsOf(shop.act('wenna', 'correct-owner', { tag: one, customer: customer.name, reason }));
    expect(present(same).what).toContain('there is nothing to put right');
    expect(await codeOf(shop.act('ines', 'correct-owner', { tag: one, customer: 'x', reason }))).toBe('not-allowed');
    expect(await codeOf(shop.act('wenna', 'correct-owner', { tag: one, customer: 'x', reason: ' ' }))).toBe(
      'bad-input',
    );
  });

  test('names that differ by an accent are two customers, by a capital one', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const idOf = async (customer: string) => {
      await shop.act('wenna', 'correct-owner', { tag, customer, reason });
      return (await loaded(tag)).customer.id;
    };
    const [plain, accented] = [await idOf('Cafe Sillwater'), await idOf('Café Sillwater')];
    expect(accented).not.toBe(plain);
    expect(await idOf('CAFE SILLWATER')).toBe(plain);
  });

  test('a past promise is refused when a pump comes in', async () => {
    const asked = testReceiving('QB-PAST-1');
    const refused = await detailsOf(shop.act('wenna', 'receive-pump', { ...asked, promisedOn: '2020-01-01' }));
    expect(refused).toMatchObject({ issues: [{ path: 'promisedOn' }] });
  });
});
