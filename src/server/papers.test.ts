import sharp from 'sharp';
import { letterTable } from '@/core/letters';
import { sayDay } from '@/core/lifecycle';
import { present } from '@/core/present';
import { codeOf, detailsOf } from '../../test-support/told';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { actMark, carryOutDue, openCustomerLink, perform, readCustomerPage } from '.';

/** What the owner settles of papers: letters in the shop's own words, numbers that go on elsewhere, the mark. */
let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('papers')));
afterAll(() => shop.close());

const papers = () => shop.act('sunniva', 'read-papers', {});
const mails = async () => {
  await carryOutDue(shop.contextOf('sunniva'), 400);
  return (await shop.act('wenna', 'read-outbox', {})).mails;
};

describe('the language of papers', () => {
  test('is that of new quotes, of letters and of the customer’s page; what was drawn up before keeps its own', async () => {
    const before = await shop.play({ at: 'approve' });
    await shop.act('sunniva', 'change-settings', { language: 'de' });
    const tag = await shop.play({ at: 'approve' });
    await shop.act('sunniva', 'change-settings', { language: 'en' });
    const [first, second] = await Promise.all([before, tag].map(async (one) => present(await shop.load(one))));
    expect([present(first).quotes[0]?.language, present(second).quotes[0]?.language]).toEqual(['en', 'de']);
    const own = present(present(second).quotes[0]);
    expect(own.text).toMatch(/^Angebot für P-\d+, Revision 1\n/);
    const told = (await mails()).find(({ subject }) => subject === `Angebot für Ihre Pumpe ${tag}, Revision 1`);
    expect(told?.body).toMatch(/^Guten Tag .+\n\nIhre Pumpe .+ wurde zerlegt und gemessen\./);
    const link = present(/customer\/([\da-f]+)/.exec(told?.body ?? '')?.[1]);
    const actor = await openCustomerLink(shop.runtime.database, link, new Date());
    const page = await perform(readCustomerPage, shop.contextOf('x', { actor }), { token: link });
    expect(page).toMatchObject({ catalogue: { language: 'de' }, quote: { language: 'de' } });
    expect(await codeOf(shop.act('sunniva', 'change-settings', { language: 'tlh' as never }))).toBe('bad-input');
  });
});

describe('the shop itself', () => {
  const sign = { name: 'Kettlewick Pump Works', place: 'Harrowmere', currency: 'EUR' };
  test('gets another name; another currency only while nothing was quoted', async () => {
    const fresh = await openTestShop('papers_fresh');
    await fresh.act('sunniva', 'change-shop', { ...sign, name: 'Weir Lane Pumps', currency: 'chf' });
    const shown = await fresh.act('sunniva', 'read-shop', {});
    expect([shown.shop?.name, shown.shop?.currency]).toEqual(['Weir Lane Pumps', 'CHF']);
    await fresh.play({ at: 'quote' });
    const refused = await detailsOf(fresh.act('sunniva', 'change-shop', { ...sign, currency: 'EUR' }));
    expect(refused?.what).toBe(
      'Currency EUR: quotes and orders are in CHF already, and sums of two currencies are not added.',
    );
    expect(await codeOf(fresh.act('sunniva', 'change-shop', { ...sign, currency: 'money' }))).toBe('bad-input');
    await fresh.close();
  });
  test('has other taxes that a quote can be given; a revision keeps it, and a supplement has it, too', async () => {
    const taxes = [{ name: 'reduced', pct: 7.5 }];
    await shop.act('sunniva', 'change-settings', { taxes });
    const tag = await shop.play({ at: 'quote' });
    const [draft] = present(await shop.load(tag)).quotes;
    await shop.act('wenna', 'change-quote', { tag, quoteId: null, basedOn: present(draft).version, taxPct: 7.5 });
    await shop.act('wenna', 'draw-up-quote', { tag });
    expect(present(await shop.load(tag)).quotes.map(({ taxPct }) => taxPct)).toEqual([7.5, 7.5]);
    await shop.act('sunniva', 'change-settings', { taxes: [] });
    await shop.act('wenna', 'draw-up-quote', { tag });
    // The shop has no such rate any more.
    expect(present(await shop.load(tag)).quotes.at(-1)?.taxPct).toBe(20);
  });
});

describe('letters', () => {
  const own = { subject: 'Pump {tag}: new day {to}', body: 'Good day {contact},\n\n{pump}: {to}.\n{reason}\n\n{shop}' };
  const move = async (tag: string, to: string) => {
    const { promisedOn } = present(await shop.load(tag));
    await shop.act('wenna', 'move-promise', { tag, from: promisedOn, to, reason: 'the ring is late', tell: true });
  };
  test('go out in the usual words until the shop has its own, and again when it gives them up', async () => {
    const tag = await shop.play({ at: 'inspect' });
    const { pump, contact } = present(await shop.load(tag));
    const name = `${pump.maker} ${pump.model}, serial ${pump.serial} (our tag ${tag})`;
    const first = sayDay(present(await shop.load(tag)).promisedOn, '1999');
    await move(tag, '2099-02-02');
    await shop.act('sunniva', 'change-settings', { letters: { promise: own } });
    await move(tag, '2099-02-03');
    const report = { subject: 'Report {number}', body: 'Enclosed.' };
    await shop.act('sunniva', 'change-settings', { letters: { report } });
    expect((await papers()).letters).toEqual({ promise: own, report });
    await shop.act('sunniva', 'change-settings', { letters: { promise: null, report: null } });
    await move(tag, '2099-02-04');
    const told = (await mails()).filter(({ subject }) => subject.includes(tag));
    const subjects = told.map(({ subject }) => subject);
    expect(subjects).toContain(`Pump ${tag}: new day 3 February 2099`);
    expect(subjects).toContain(`Your pump ${tag}: 2 February 2099 instead of ${first}`);
    expect(subjects).toContain(`Your pump ${tag}: 4 February 2099 instead of 3 February 2099`);
    expect(told.find(({ subject }) => subject.includes('new day'))?.body).toBe(
      `Good day ${contact?.name},\n\n${name}: 3 February 2099.\nthe ring is late\n\n${(await papers()).shop}`,
    );
  });
  test('with a field that there is not, or without one that must be, are refused at their place', async () => {
    const ask = (letters: object) => detailsOf(shop.act('sunniva', 'change-settings', { letters }));
    const refused = await ask({ quote: { subject: 'Quote {tag}', body: 'Dear {contact}, {colour}' } });
    expect(
      present(refused?.issues).map(({ path, ...fault }) => [path, 'message' in fault ? fault.message : '']),
    ).toEqual([
      ['letters.quote.body', 'there is no field {colour} in this letter'],
      ['letters.quote.body', `{link} must stand in it: ${letterTable.quote.fields.link}`],
    ]);
    expect((await papers()).letters).toEqual({});
    expect(await codeOf(shop.act('wenna', 'change-settings', { letters: {} }))).toBe('not-allowed');
  });
});

describe('numbers', () => {
  const nextOf = async (series: string) =>
    present((await papers()).numbers.find((numbered) => numbered.series === series)).next;
  test('go on at a higher one, never at one that was given', async () => {
    const before = await nextOf('tag');
    const set = (next: number, basedOn: number) => shop.act('sunniva', 'set-number', { series: 'tag', next, basedOn });
    expect((await detailsOf(set(before - 1, before)))?.what).toContain('are given already');
    expect(await codeOf(set(5000, before - 1))).toBe('changed-meanwhile');
    expect(await set(5000, before)).toEqual({ next: 5000 });
    expect(await shop.play({ at: 'receive' })).toBe('P-5000');
    expect(await nextOf('tag')).toBe(5001);
    // Of two who set it at once from the same number one is told.
    const codes = await Promise.all([6000, 7000].map((next) => codeOf(set(next, 5001))));
    expect(codes.toSorted()).toEqual(['changed-meanwhile', 'done']);
    const { done } = await shop.act('sunniva', 'read-staff', {});
    expect(done.map(({ words }) => words)).toContain(
      `Sunniva let tags of jobs go on at P-5000 (was P-${String(before).padStart(4, '0')}).`,
    );
  });
});

describe('the mark', () => {
  const png = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 4, background: '#224466' } })
      .png()
      .toBuffer();
  const set = (person: string, bytes: Buffer) => actMark(shop.contextOf(person), () => Promise.resolve(bytes));
  test('is made small, stands on a quote, and can be taken off', async () => {
    const tag = await shop.play({ at: 'quote' });
    const paper = () => shop.act('wenna', 'read-quote', { tag, revision: 1 });
    const images = async () => (await paper()).bytes.toString('latin1').split('/Subtype /Image').length - 1;
    const without = await images();
    expect(await set('sunniva', await png(1200, 300))).toEqual({ width: 600, height: 150 });
    expect((await papers()).mark).toEqual({ width: 600, height: 150 });
    expect(await images()).toBeGreaterThan(without);
    const { bytes } = await shop.act('ines', 'read-mark', {});
    expect(await sharp(bytes).metadata()).toMatchObject({ format: 'png', width: 600, height: 150 });
    await shop.act('sunniva', 'remove-mark', {});
    expect(await images()).toBe(without);
    expect(await codeOf(shop.act('ines', 'read-mark', {}))).toBe('not-found');
  });
  test('is a picture, and the owner’s to choose', async () => {
    expect(await codeOf(set('sunniva', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')))).toBe(
      'not-a-picture',
    );
    expect(await codeOf(set('wenna', await png(10, 10)))).toBe('not-allowed');
  });
});
