import { present } from '@/core/present';
import { currentQuote } from '@/core/record';
import { rightPacking } from '../../demo/right-packing';
import { openTestShop, plainId, testIntake, type TestShop } from '../../test-support/open-test-shop';
import { codeOf } from '../../test-support/told';
import { carryOutDue, openCustomerLink, perform, readCustomerPage } from '.';

/** Units that came together, pumps that are not repaired, and what the owner settles: kept in the database. */
let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('together')));
afterAll(() => shop.close());

const loaded = async (tag: string) => present(await shop.load(tag));
const mails = async () => {
  await carryOutDue(shop.contextOf('sunniva'), 400);
  const { mails: all } = (await shop.act('wenna', 'read-outbox', {})) as {
    mails: readonly { to: string; subject: string; body: string }[];
  };
  return all;
};
let serials = 0;
const found = (text: string) => shop.act('wenna', 'find-customers', { text });
const received = (change: object = {}) =>
  shop.act('wenna', 'receive-pump', {
    ...{
      customer: 'Larkspur Trout Hatchery',
      contact: { name: 'Petra Vell', email: 'petra@trout.example', phone: '' },
    },
    pump: { maker: 'Quillmere', model: 'QB 50-160', serial: `TG-${++serials}`, size: '', nameplate: {} },
    ...{ familyId: plainId, promisedOn: '2099-01-10', intake: testIntake },
    ...change,
  });
const terms = { deliveryNote: 'N-7', sharesPromise: true, sharesQuote: true, sharesDelivery: true };

describe('a lot', () => {
  test('numbers its units, takes over their promise, and is of one owner', async () => {
    const first = await received({ lot: terms });
    const { lot, lotTerms } = await loaded(first.tag);
    expect([lot?.unit, lotTerms]).toEqual([1, terms]);
    const join = { join: present(lot).number };
    const second = await received({ lot: join, promisedOn: '2099-03-01' });
    const record = await loaded(second.tag);
    expect([record.lot?.unit, record.promisedOn]).toEqual([2, '2099-01-10']);
    expect(record.lotMates.map(({ tag, unit }) => [tag, unit])).toEqual([[first.tag, 1]]);
    expect(await codeOf(received({ lot: join, customer: 'Harrowmere Ice Rink' }))).toBe('bad-input');
    expect(await codeOf(received({ lot: { join: 'L-9999' } }))).toBe('bad-input');
    // What was refused took no tag into the lot.
    expect((await loaded(first.tag)).lotMates).toHaveLength(1);
    const start = await shop.act('wenna', 'read-receiving', { lot: join.join });
    expect(start.lot).toMatchObject({ units: 2, customer: 'Larkspur Trout Hatchery', promisedOn: '2099-01-10' });
  });
  test('promised together is moved together; the customer gets one mail', async () => {
    const first = await received({ lot: terms });
    const number = present((await loaded(first.tag)).lot).number;
    const second = await received({ lot: { join: number } });
    const move = { tag: first.tag, from: '2099-01-10', to: '2099-02-02', reason: 'the cap is made anew', tell: true };
    await shop.act('wenna', 'move-promise', move);
    for (const { tag } of [first, second]) {
      const record = await loaded(tag);
      expect([record.promisedOn, record.promises[0]?.reason]).toEqual(['2099-02-02', 'the cap is made anew']);
    }
    const told = (await mails()).filter(({ subject }) => subject.includes('2 February'));
    expect(told.map(({ subject }) => subject.includes(first.tag))).toEqual([true]);
  });
  test('shares otherwise from now on, with a line in the record of each unit, and none for what is closed', async () => {
    const first = await received({ lot: terms });
    const number = present((await loaded(first.tag)).lot).number;
    const second = await received({ lot: { join: number } });
    const apart = { deliveryNote: 'N-8', sharesPromise: false, sharesQuote: false, sharesDelivery: true };
    const asked = { tag: second.tag, terms: apart, reason: 'the second waits for its owner' };
    expect(await codeOf(shop.act('ines', 'correct-lot', asked))).toBe('not-allowed');
    await shop.act('wenna', 'correct-lot', asked);
    for (const { tag } of [first, second]) {
      const record = await loaded(tag);
      expect(record.lotTerms).toEqual(apart);
      expect(record.corrections).toMatchObject([
        {
          ...{ what: 'lot', from: 'one promise, quoted together, delivered together, note N-7' },
          ...{ to: 'delivered together, note N-8', reason: asked.reason, personName: 'wenna' },
        },
      ]);
    }
    // What was promised together goes on apart.
    const move = { tag: first.tag, from: '2099-01-10', to: '2099-02-03', reason: 'the ring is late', tell: false };
    await shop.act('wenna', 'move-promise', move);
    expect((await loaded(second.tag)).promisedOn).toBe('2099-01-10');
    expect(await codeOf(shop.act('wenna', 'correct-lot', asked))).toBe('bad-input');
    const alone = await received();
    expect(await codeOf(shop.act('wenna', 'correct-lot', { ...asked, tag: alone.tag }))).toBe('wrong-state');
  });
  test('quoted together goes in one mail whose page leads to every unit, when each has its draft', async () => {
    const early = await shop.play({ at: 'quote', lot: terms });
    await shop.play({ at: 'inspect', lot: { join: present((await loaded(early)).lot).number } });
    expect(await codeOf(shop.act('wenna', 'send-quote', { tag: early }))).toBe('gate-shut');
    const one = await shop.play({ at: 'quote', lot: terms });
    const two = await shop.play({ at: 'quote', lot: { join: present((await loaded(one)).lot).number } });
    await shop.act('wenna', 'send-quote', { tag: one });
    expect([(await loaded(one)).station, (await loaded(two)).station]).toEqual(['approve', 'approve']);
    const sent = (await mails()).filter(({ subject }) => subject.startsWith('Quote') && /P-/.test(subject));
    const mine = present(sent.find(({ subject }) => subject.includes(one)));
    expect(sent.some(({ subject }) => subject.includes(two))).toBe(false);
    const token = present(/customer\/([0-9a-f]{64})/.exec(mine.body)?.[1]);
    const pageOf = async (by: string) => {
      const actor = await openCustomerLink(shop.runtime.database, by, new Date());
      return perform(readCustomerPage, shop.contextOf('x', { actor }), { token: by });
    };
    const page = await pageOf(token);
    expect([page.tag, page.others.map(({ tag }) => tag)]).toEqual([one, [two]]);
    const along = present(present(page.others[0]).token);
    expect((await pageOf(along)).tag).toBe(two);
    expect(along).not.toBe(token);
    // The other way leads nowhere: a link is not reckoned from the one that follows from it.
    expect((await pageOf(along)).others[0]?.token).toBeNull();
  });
  test('delivered together waits for every unit, and closes them with one signature', async () => {
    const one = await shop.play({ at: 'return', lot: { ...terms, sharesQuote: false } });
    const { lot } = await loaded(one);
    const two = await shop.play({ at: 'return', lot: { join: present(lot).number } });
    const ready = async (tag: string) => {
      await shop.act('odile', 'pack', { tag, basedOn: 0, packing: rightPacking(await loaded(tag)) });
      await shop.act('wenna', 'release-pump', { tag });
    };
    await ready(one);
    const day = present((await loaded(one)).returned).releasedAt.slice(0, 10);
    const delivery = { tag: one, deliveredTo: 'the stores', deliveredOn: day, signature: 'M1 1L9 9' };
    expect(await codeOf(shop.act('wenna', 'deliver-pump', delivery))).toBe('gate-shut');
    await ready(two);
    await shop.act('wenna', 'deliver-pump', delivery);
    for (const tag of [one, two]) {
      const { closedAt, returned } = await loaded(tag);
      expect([closedAt !== null, returned?.signature]).toEqual([true, 'M1 1L9 9']);
      expect((await shop.act('wenna', 'read-events', { tag })).difference).toBeNull();
    }
    const told = (await mails()).filter(({ subject }) => subject.endsWith('was delivered'));
    expect(told.length).toBeGreaterThanOrEqual(2);
    expect(told[0]?.body).toMatch(/Its warranty runs until .+:\n- parts bought new/);
  });
});

test('a pump of the last visit comes back within its warranty: judged ours, its quote comes to nothing', async () => {
  const serial = 'TG-W1';
  const pump = { maker: 'Quillmere', model: 'QB 50-160', serial, size: '50-160' };
  const before = await shop.play({ at: 'closed', pump });
  const tag = await shop.play({ at: 'quote', pump, part: 'came back' });
  const claim = present((await loaded(tag)).earlierVisits[0]);
  expect([claim.tag, claim.outcome]).toEqual([before, 'repaired']);
  expect(present(claim.warrantyUntil) > (await loaded(tag)).openedAt.slice(0, 10)).toBe(true);
  await shop.act('wenna', 'judge-warranty', {
    ...{ tag, basedOn: 0 },
    warranty: { earlierTag: before, judgement: 'ours', sharePct: 100, reason: 'our seal was set too long' },
  });
  expect(currentQuote(await loaded(tag))).toMatchObject({ discountPct: 100 });
  const report = present(claim.reportNumber);
  const file = (await shop.act('wenna', 'read-report', { number: report, revision: 'latest', as: 'json' })) as {
    bytes: Buffer;
  };
  expect(JSON.parse(file.bytes.toString())).toMatchObject({ number: report });
});

test('two customers that are one: every pump of the first is the other’s, closed ones too, with a trace on each', async () => {
  const one = await received({ customer: 'Otterford Saw Mill' });
  const closed = await shop.play({ at: 'closed' });
  const owner = (await loaded(closed)).customer.name;
  const merge = { from: owner, into: 'Otterford Saw Mill', reason: 'same yard, they rang' };
  expect(await codeOf(shop.act('ines', 'merge-customers', merge))).toBe('not-allowed');
  expect(await codeOf(shop.act('wenna', 'merge-customers', { ...merge, into: 'Nobody at all' }))).toBe('bad-input');
  const { moved } = await shop.act('wenna', 'merge-customers', merge);
  expect(moved).toBeGreaterThan(0);
  const record = await loaded(closed);
  expect(record.customer.id).toBe((await loaded(one.tag)).customer.id);
  expect(record.corrections.at(-1)).toMatchObject({ what: 'owner', from: owner, reason: 'same yard, they rang' });
  expect(record.contact).not.toBeNull();
  expect((await shop.act('wenna', 'read-events', { tag: closed })).difference).toBeNull();
  // Whoever types the old name receives for the one that they are; the list offers it no more.
  const next = await received({ customer: owner });
  expect((await loaded(next.tag)).customer.name).toBe('Otterford Saw Mill');
  expect((await found(owner)).customers).toEqual([]);
  expect(await codeOf(shop.act('wenna', 'merge-customers', merge))).toBe('bad-input');
  // A closed job's owner is put right by nobody else.
  const correction = { tag: closed, customer: 'Somebody Else', reason: 'x' };
  expect(await codeOf(shop.act('wenna', 'correct-owner', correction))).toBe('wrong-state');
});

test('a customer is found by a part of the name, those that begin with it first, or by a slip of it', async () => {
  await received({ customer: 'Zillbrook Weavers' });
  await received({ customer: 'Upper Zillbrook Mill' });
  const named = async (text: string) => (await found(text)).customers.map(({ name }) => name);
  expect(await named('zillbrook')).toEqual(['Zillbrook Weavers', 'Upper Zillbrook Mill']);
  expect(await named('brook we')).toEqual(['Zillbrook Weavers']);
  expect((await found('Zilbrook Wevers')).twins).toEqual(['Zillbrook Weavers']);
  expect(await found('100%_')).toEqual({ customers: [], twins: [] });
  expect(await found('')).toEqual({ customers: [], twins: [] });
  for (let i = 0; i < 12; i++) await received({ customer: `Zillbrook Yard ${i}` });
  expect(await named('zillbrook')).toHaveLength(12);
  expect(await named('zillbrook yard 11')).toEqual(['Zillbrook Yard 11']);
});

test('a limit that is agreed for all pumps of a customer comes with the next one', async () => {
  const one = await received({ customer: 'Pellow Dairy' });
  const agreed = { tag: one.tag, limitMinor: 30000, saidBy: 'Hale Pellow', forAll: true, basedOn: 0 };
  await shop.act('wenna', 'agree-limit', agreed);
  const next = await received({ customer: 'Pellow Dairy' });
  expect((await loaded(next.tag)).agreement).toMatchObject({
    ...{ limitMinor: 30000, saidBy: 'Hale Pellow, for all their pumps', personName: 'wenna' },
  });
  expect((await shop.act('wenna', 'read-events', { tag: next.tag })).difference).toBeNull();
});

test('what the owner settles holds for the next quote and for pumps that come in; nobody else settles it', async () => {
  const change = { reminderAfterDays: 3, labourMinorPerHour: 7100, policies: { 'soft parts': 'by condition' } };
  expect(await codeOf(shop.act('wenna', 'change-settings', change))).toBe('not-allowed');
  const older = await received();
  expect(await shop.act('sunniva', 'change-settings', change)).toEqual({
    changed: ['labourMinorPerHour', 'reminderAfterDays', 'policies'],
  });
  expect(await codeOf(shop.act('sunniva', 'change-settings', { policies: { 'soft parts': 'by the moon' } }))).toBe(
    'bad-input',
  );
  const newer = await received();
  const soft = async (tag: string) =>
    (await loaded(tag)).sheets.filter(({ kind, key }) => kind === 'policy' && key === 'soft parts').length;
  expect([await soft(older.tag), await soft(newer.tag)]).toEqual([0, 1]);
  const { shop: shown } = await shop.act('wenna', 'read-job', { tag: newer.tag });
  expect([shown.reminderAfterDays, shown.labourMinorPerHour]).toEqual([3, 7100]);
  await shop.act('sunniva', 'change-settings', { policies: {} });
});
