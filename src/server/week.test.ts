import { parse } from 'csv-parse/sync';
import { dayInZone } from '@/core/lifecycle';
import { addDays } from '@/core/planning';
import { present } from '@/core/present';
import { approvedNet } from '@/core/quoting';
import { openTestShop, plainFile, type TestShop } from '../../test-support/open-test-shop';
import { perform, readOwnPumps } from '.';
import { codeOf } from '../../test-support/told';
import { listNames } from './exports/list-csv';

/** The coordinator's week and the lists as files, against the database. */
let shop: TestShop;
let asked: string;
let built: string;
let torn: string;
beforeAll(async () => {
  shop = await openTestShop('week');
  asked = await shop.play({ at: 'approve' });
  built = await shop.play({ at: 'parts' });
  torn = await shop.play({ at: 'teardown' });
});
afterAll(() => shop.close());

const recordsOf = (text: string) => parse<Record<string, string>>(text, { columns: true });
const query = (text: string, ...values: readonly string[]) => shop.runtime.pool.promise().query(text, [...values]);
const week = () => shop.act('wenna', 'read-week', {});
/** By the calendar of the shop, whose day begins before that of Greenwich. */
const daysFromNow = (days: number) => addDays(dayInZone(new Date().toISOString(), 'Europe/Vienna'), days);

describe('the week', () => {
  test('an answer that is awaited has its age and its next reminder, until it is reminded of', async () => {
    const record = present(await shop.load(asked));
    const quote = present(record.quotes.at(-1));
    // The shop reminds after seven days.
    await query('update quotes set sent_at = ? where id = ?', `${daysFromNow(-8)} 08:00:00`, quote.id);
    const one = present((await week()).answers.find(({ tag }) => tag === asked));
    expect(one).toMatchObject({ days: 8, reminded: 0, isDue: true, isExpired: false, customer: record.customer.name });
    expect(one.nextReminderOn).toBe(daysFromNow(-1));
    await shop.act('wenna', 'send-reminder', { tag: asked, quoteId: quote.id, words: 'Have you seen it?' });
    const reminded = present((await week()).answers.find(({ tag }) => tag === asked));
    expect(reminded).toMatchObject({ days: 8, reminded: 1, isDue: false, nextReminderOn: daysFromNow(7) });
    expect((await week()).answers.some(({ tag }) => tag === built)).toBe(false);
  });
  test('what is promised for the week goes out, with its day in the plan; a promise that moves stands with its reason', async () => {
    const { promisedOn } = present(await shop.load(built));
    expect((await week()).goingOut.some(({ tag }) => tag === built)).toBe(false);
    const to = daysFromNow(5);
    await shop.act('wenna', 'move-promise', {
      tag: built,
      from: promisedOn,
      to,
      reason: 'the ferry waits',
      tell: false,
    });
    await shop.act('wenna', 'read-plan', {});
    const shown = await week();
    const out = present(shown.goingOut.find(({ tag }) => tag === built));
    expect(out.promisedOn).toBe(to);
    expect(out.plannedOn).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect(shown.moves).toMatchObject([{ tag: built, from: promisedOn, to, reason: 'the ferry waits', toldTo: null }]);
  });
  test('orders that are due come in', async () => {
    await shop.act('bram', 'order-parts', { tag: built, atRisk: null });
    const number = present(present(await shop.load(built)).orders[0]).number;
    const dueIn = (days: number) =>
      query('update shop_order_lines set due_on = ? where order_number = ?', daysFromNow(days), number);
    await dueIn(9);
    expect((await week()).comingIn).toEqual([]);
    await dueIn(3);
    expect((await week()).comingIn).toMatchObject([{ number, dueOn: daysFromNow(3) }]);
  });
});

describe('lists as files', () => {
  const read = async (name: string, who = 'wenna') => (await shop.act(who, 'read-list-csv', { name })).bytes.toString();
  test.each(listNames)('%s has its heads, and a row a line', async (name) => {
    const text = await read(name);
    const [heads, ...rows] = parse(text);
    expect(present(heads).length).toBeGreaterThan(1);
    expect(new Set(heads).size).toBe(present(heads).length);
    for (const row of rows) expect(row).toHaveLength(present(heads).length);
  });
  test('the floor has every pump with its range; the people have no secret', async () => {
    const rows = recordsOf(await read('floor'));
    expect(rows.map(({ tag }) => tag).toSorted()).toEqual([asked, built, torn].toSorted());
    for (const { early, late, onHold } of rows) {
      expect(present(early) <= present(late)).toBe(true);
      expect(onHold).toBe('no');
    }
    expect(await read('people')).not.toMatch(/argon|hash/i);
  });
  test('hours worked are of all jobs and people, and not for every eye', async () => {
    const { personId } = shop.signerOf('ines');
    const more = { station: 'rebuild', day: daysFromNow(-1), minutes: 90, reason: 'with the crane' };
    await shop.act('odile', 'add-worked', { ...more, tag: built, personId });
    const rows = recordsOf(await read('hours'));
    expect(rows).toMatchObject([{ tag: built, station: 'rebuild', personName: 'ines', minutes: '90.0' }]);
    for (const { tag, station, personName, minutes } of rows) {
      expect([tag, station, personName].every(Boolean)).toBe(true);
      expect(Number(minutes)).toBeGreaterThanOrEqual(0);
    }
    expect(await codeOf(read('hours', 'ines'))).toBe('not-allowed');
    expect(recordsOf(await read('families')).map(({ id }) => id)).toContain('F9');
    expect(recordsOf(await read('orders')).every(({ number, lines }) => number && lines)).toBe(true);
  });
  test('no column is empty by a wrong name: where the list has rows every head has a value somewhere, or may be without', async () => {
    const mayBeEmpty = ['toldTo', 'liquid', 'asks', 'detail', 'limit', 'limitWords', 'keptPct', 'plannedOn', 'beside'];
    const optional = [
      ...mayBeEmpty,
      'dueOn',
      'neededBy',
      'elastomer',
      'attachmentName',
      'email',
      'phone',
      'contactName',
    ];
    const more = ['uncertainty', 'rangeLow', 'rangeHigh', 'pct'];
    for (const name of [
      'floor',
      'answers',
      'going-out',
      'coming-in',
      'moved-promises',
      'parts-desk',
      'day',
      'weeks',
      'outbox',
      'people',
      'instruments',
      'customers',
    ]) {
      const rows = recordsOf(await read(name));
      expect([name, rows.length > 0]).toEqual([name, true]);
      const heads = Object.keys(present(rows[0])).filter((head) => ![...optional, ...more].includes(head));
      const empty = heads.filter((head) => rows.every((row) => row[head] === ''));
      expect([name, empty]).toEqual([name, []]);
    }
  });
  test('what a spreadsheet would reckon with stays a text', async () => {
    await shop.act('wenna', 'hold-job', { tag: built, reason: '=1+1', until: daysFromNow(30), holder: 'C' });
    expect(await read('floor')).toContain("'=1+1");
  });
  test('whoever may not read a list does not get it as a file; a list that is none is refused', async () => {
    expect(await codeOf(read('answers', 'ines'))).toBe('not-allowed');
    expect(await codeOf(read('passwords'))).toBe('bad-input');
  });
});

describe('memory', () => {
  test('a pump is found by the tag of any of its visits; nobody’s tag is refused', async () => {
    const record = present(await shop.load(built));
    const pump = await shop.act('ines', 'read-pump', { tag: built });
    expect(pump).toMatchObject({ serial: record.pump.serial, hereAs: built, olderVisits: 0 });
    expect(pump.visits.map(({ tag }) => tag)).toEqual([built]);
    expect(pump.points.length).toBeGreaterThan(3);
    expect(await codeOf(shop.act('ines', 'read-pump', { tag: 'P-9999' }))).toBe('not-found');
  });
  test('what of a pump lies on the shelf stands on its page, and on its owner’s', async () => {
    const { customer } = present(await shop.load(built));
    expect((await shop.act('ines', 'read-pump', { tag: built })).spares).toEqual([]);
    const part = present(plainFile.written.parts.find(({ ref }) => ref === 'front-ring'));
    const lying = { number: part.number, elastomer: '', bin: 'B-7', counted: 3, reason: 'counted' };
    await shop.act('bram', 'count-stock', { ...lying, title: part.name, unitCostMinor: 8800, basedOn: 0 });
    const spare = { ...{ name: part.name, number: part.number, elastomer: '' }, quantity: 3, bin: 'B-7', needs: 1 };
    expect((await shop.act('ines', 'read-pump', { tag: built })).spares).toEqual([spare]);
    const { pumps } = await shop.act('ines', 'read-customer', { id: customer.id });
    expect(pumps.map(({ spares }) => spares)).toEqual([[spare], [spare], [spare]]);
  });
  test('a customer has every pump of theirs, each once with its visits, and whom to ask', async () => {
    const { customer, contact } = present(await shop.load(built));
    const shown = await shop.act('ines', 'read-customer', { id: customer.id });
    expect(shown.name).toBe(customer.name);
    expect(shown.contacts.map(({ name }) => name)).toContain(contact?.name);
    expect(shown.pumps.flatMap(({ visits }) => visits.map(({ tag }) => tag)).toSorted()).toEqual(
      [asked, built, torn].toSorted(),
    );
    expect(new Set(shown.pumps.map(({ serial }) => serial)).size).toBe(3);
    expect(shown.pumps[0]?.visits[0]?.runningHours).toBe(100);
    expect(await codeOf(shop.act('ines', 'read-customer', { id: 'nobody' }))).toBe('not-found');
    const [one] = shown.pumps.flatMap(({ visits }) => visits).filter(({ tag }) => tag === built);
    const record = present(await shop.load(built));
    const decided = present(record.approvals[0]).decisions;
    const sum = present(record.quotes[0]).lines.reduce(
      (all, line) => all + (decided[line.id] === 'approved' ? Math.round(line.quantity * line.unitPriceMinor) : 0),
      0,
    );
    expect(one).toMatchObject({ approvedMinor: sum, comebackOf: null });
    // With a discount on the whole both ways of adding up still say the same.
    await shop.runtime.pool
      .promise()
      .query('update quotes join jobs on jobs.id = quotes.job_id set quotes.discount_pct = 7.5 where tag = ?', [built]);
    const less = await shop.act('ines', 'read-customer', { id: customer.id });
    const [again] = less.pumps.flatMap(({ visits }) => visits).filter(({ tag }) => tag === built);
    expect(again?.approvedMinor).toBe(sum - Math.round(sum * 0.075));
    const quotes = record.quotes.map((quote) => ({ ...quote, discountPct: 7.5 }));
    expect(approvedNet({ ...record, quotes })).toBe(again?.approvedMinor);
    const { customers } = await shop.act('ines', 'read-customers', {});
    expect(customers.find(({ id }) => id === customer.id)).toMatchObject({ open: 3, all: 3 });
  });
  test('by a link of their own they read how each stands, without prices, until it is ended', async () => {
    const { customer } = present(await shop.load(built));
    const { id, path } = await shop.act('wenna', 'make-customer-page', { customerId: customer.id, madeFor: 'Fern' });
    const token = present(path.split('/').at(-1));
    const nobody = shop.runtime.contextFor({ kind: 'nobody' });
    const read = (asked: string) => perform(readOwnPumps, nobody, { token: asked });
    const page = await read(token);
    expect(page.name).toBe(customer.name);
    expect(page.here.map(({ tag }) => tag).toSorted()).toEqual([asked, built, torn].toSorted());
    expect(page.past).toEqual([]);
    expect(JSON.stringify(page)).not.toMatch(/minor|price|finding/i);
    const shown = await shop.act('ines', 'read-customer', { id: customer.id });
    expect(shown.pages).toMatchObject([{ id, madeFor: 'Fern' }]);
    await shop.act('wenna', 'end-customer-page', { id });
    expect(await codeOf(read(token))).toBe('link-not-valid');
    expect(await codeOf(read('0'.repeat(64)))).toBe('link-not-valid');
    expect(await codeOf(read('odd'))).toBe('bad-input');
    expect(await codeOf(shop.act('wenna', 'end-customer-page', { id }))).toBe('not-found');
    expect(await codeOf(shop.act('wenna', 'make-customer-page', { customerId: 'nobody', madeFor: 'x' }))).toBe(
      'not-found',
    );
  });
});
