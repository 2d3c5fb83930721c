import { randomUUID } from 'node:crypto';
import { present } from '@/core/present';
import { currentQuote } from '@/core/record';
import { needsOf } from '@/core/supply';
import { rightRun } from '../demo/right-cleaning';
import { click, open, openBrowser, pressUntilSent, settled, waitForText, type OpenedBrowser } from './browser';
import { Chain } from './chain';

/**
 * One good circulating pump out of two worn ones of one owner: numbers found, parts held beside each other, a donor part
 * with its hole, a gasket made here, a seal by a crossing number, something found later; the other stays as a donor.
 */
let opened: OpenedBrowser;
let chain: Chain;
const tags: string[] = [];
/** Serial numbers of this run alone. */
const run = randomUUID().slice(0, 6);
beforeAll(async () => {
  opened = await openBrowser();
  chain = new Chain(opened.browser);
});
afterAll(() => opened.close());

const unit = (serial: string, lot: object) => ({
  customer: 'Ellermere Paddle Ferry',
  contact: { name: 'Bridie Fenn', email: 'bridie@ellermere.example', phone: '' },
  pump: { maker: 'Dunnockworth', model: 'Belt', serial, size: '' },
  ...{ familyId: 'F9', counts: { unit: 1 }, promisedOn: '2027-03-01', lot },
  intake: {
    ...{ equipmentNumber: '', duty: { flowM3h: 8, headM: 12, speedRpm: 2400 }, liquid: 'coolant with glycol' },
    ...{ liquidTemperatureC: 60, viscosityMm2S: 2, cleaning: 'sheet', cleaningReference: 'SDS-9', whyOut: 'leaks' },
    ...{ runningHours: null, cameWith: [], shims: [], hazards: 'poison if swallowed', shippingDamage: '' },
    elastomer: 'NBR',
  },
});
const kept = () => present(tags[0]) as never;
const donor = () => present(tags[1]) as never;
const both = async (what: (tag: never) => Promise<unknown>) => {
  for (const tag of tags.slice(0, 2)) await what(tag as never);
};

test('two come on one note, each with the numbers that stand on it', async () => {
  const terms = { deliveryNote: 'DN-90', sharesPromise: true, sharesQuote: false, sharesDelivery: false };
  tags.push(await chain.receive(unit(`TWO-A-${run}`, terms)));
  const { lot } = await chain.record(kept());
  tags.push(await chain.receive(unit(`TWO-B-${run}`, { join: lot?.number })));
  await both((tag) => chain.makeReady(tag));
  const bench = await chain.device('ines');
  await open(bench, `/jobs/${kept()}`);
  const field = present(await bench.waitForSelector('input[aria-label="Number on Retainer of the felt"]'));
  const { family } = await chain.view(kept());
  await field.type(family.parts.find(({ ref }) => ref === 'spacer')?.number ?? '');
  await bench.keyboard.press('Tab');
  await waitForText(bench, 'the number of another part: wrongly fitted before');
  await chain.act('ines', 'find-number', { tag: kept(), partRef: 'volute', found: 'GX 4471', basedOn: 0 });
  const { findings } = await chain.record(kept());
  expect(findings.map(({ partRef }) => partRef)).toEqual(['felt-retainer']);
});

test('both come apart into trays; bronze is not blasted', async () => {
  await both((tag) => chain.teardown(tag));
  await both(async (tag) => {
    const { record } = await chain.view(tag);
    const parts = record.parts.map(({ ref }) => ref);
    await chain.act('ines', 'lay-in-tray', { tag, parts, tray: 'green' });
    await chain.act('ines', 'advance-job', { tag, event: 'finish-teardown' });
  });
  const blast = rightRun('blasting', ['bush']);
  expect(await chain.refusal('ines', 'clean-parts', { tag: kept(), cautionRead: true, run: blast })).toMatch(
    /not for blasting/,
  );
  await both((tag) => chain.clean(tag));
  await both((tag) => chain.act('ines', 'advance-job', { tag, event: 'finish-cleaning' }));
});

test('they are held beside each other; the good impeller is taken for the first, and leaves a hole in the other', async () => {
  await chain.act('ines', 'record-finding', {
    ...{ tag: kept(), partRef: 'impeller', words: 'rubbed away on its face', plain: '', photoId: null },
  });
  await chain.act('ines', 'record-finding', {
    ...{ tag: donor(), partRef: 'pulley', words: 'cracked at the keyway', plain: '', photoId: null },
  });
  const rubbed = present((await chain.record(kept())).findings.find(({ partRef }) => partRef === 'impeller'));
  const cracked = present((await chain.record(donor())).findings.find(({ partRef }) => partRef === 'pulley'));
  const wrong = present((await chain.record(kept())).findings.find(({ partRef }) => partRef === 'felt-retainer'));
  const dispose = (tag: never, findingId: never, action: string, reason: string) =>
    chain.act('marek', 'dispose', { tag, target: { findingId }, action, reason, basedOn: 0 } as never);
  await dispose(kept(), rubbed.id as never, 'take from a donor', 'the other one is hardly worn');
  await dispose(kept(), wrong.id as never, 'replace', 'it was that of another part');
  await dispose(donor(), cracked.id as never, 'replace', 'cracked');
  // By this name the gauge finds shaft and bush worn, and nothing on the impeller.
  await chain.inspect(kept(), 'the one that is kept');
  // Whatever the gauge would find: the other one is hardly worn.
  await chain.inspectAsNew(donor());
  const inspector = await chain.device('wenna');
  await open(inspector, `/jobs/${kept()}?at=inspect`);
  await click(inspector, 'button', `Compare with ${donor()}`);
  await waitForText(inspector, 'rubbed away on its face');
  await waitForText(inspector, 'not offered');
  await pressUntilSent(inspector, 'tr ::-p-text(Take the other)');
  // What is sent past the screen does not wait for what the screen sent.
  await settled(inspector);
  await both((tag) => chain.act('marek', 'advance-job', { tag, event: 'finish-inspection' }));
  const take = (tag: never, partRef: string, basedOn: number, donorId: string) => ({
    ...{ tag, partRef, basedOn, donorId },
    source: { source: 'donor', count: 1, from: '', dueOn: '', reason: 'hardly worn, same number' },
  });
  await chain.act('wenna', 'choose-source', take(kept(), 'impeller', 0, `${donor()}/impeller`) as never);
  expect(await chain.refusal('wenna', 'choose-source', take(kept(), 'pulley', 0, `${donor()}/pulley`))).toMatch(
    /cracked at the keyway/,
  );
  const hole = (await chain.record(donor())).sheets.find(({ kind }) => kind === 'given');
  expect([hole?.key, hole?.body]).toEqual(['impeller', { to: kept() }]);
});

test('a donor part that is taken cannot be taken again', async () => {
  const other = await chain.receive(unit(`TWO-C-${run}`, null as never));
  tags.push(other);
  await chain.makeReady(other);
  await chain.teardown(other);
  // It is of the same make and model as the two: its parts are laid in a tray as theirs are.
  await chain.lay(other);
  await chain.act('ines', 'advance-job', { tag: other, event: 'finish-teardown' });
  await chain.clean(other);
  await chain.act('ines', 'advance-job', { tag: other, event: 'finish-cleaning' });
  const refused = await chain.refusal('wenna', 'choose-source', {
    ...{ tag: other, partRef: 'impeller', basedOn: 0, donorId: `${donor()}/impeller` },
    source: { source: 'donor', count: 1, from: '', dueOn: '', reason: 'why not' },
  });
  expect(refused).toContain(`is taken already, for ${kept()}`);
});

test('a number that nobody knows keeps the quote in the house until somebody settles it; one of two is approved', async () => {
  await both((tag) => chain.act('wenna', 'draw-up-quote', { tag }));
  expect(await chain.refusal('wenna', 'send-quote', { tag: kept() })).toMatch(/missing/);
  const words = 'the foundry’s casting number';
  await chain.act('marek', 'settle-number', { tag: kept(), partRef: 'volute', words, basedOn: 1 });
  await both((tag) => chain.act('wenna', 'send-quote', { tag }));
  const answer = async (tag: never, declineAll: boolean) => {
    const { options, advised } = present(currentQuote(await chain.record(tag)));
    await chain.act('wenna', 'record-approval', {
      ...{ tag, way: 'telephone', name: 'Bridie Fenn', reference: 'make one of the two' },
      ...{ declinedLines: [], declineAll, option: options.length && !declineAll ? advised : null },
    } as never);
  };
  await answer(kept(), false);
  await answer(donor(), true);
  const { lines } = present(currentQuote(await chain.record(kept())));
  expect(lines.some(({ description }) => /impeller from a donor/i.test(description))).toBe(true);
  await chain.act('wenna', 'choose-fate', {
    ...{ tag: donor(), basedOn: 0 },
    fate: { fate: 'donor', saidBy: 'Bridie Fenn', words: 'keep the other for parts' },
  } as never);
  await chain.act('wenna', 'close-unreturned', { tag: donor() });
});

test('a gasket is made here, a seal has a crossing number, the donor part is counted: all on one list', async () => {
  const about = { tag: kept(), partRef: 'volute-gasket' };
  await chain.act('bram', 'choose-source', {
    ...{ ...about, basedOn: 0, donorId: null },
    source: { source: 'made', count: 1, from: '', dueOn: '', reason: 'cut from the sheet in an hour' },
  });
  await chain.act('ines', 'write-made', {
    ...{ ...about, basedOn: 0 },
    made: {
      ...{ why: 'cut from the sheet in an hour', from: 'old part', fromWords: 'traced', shape: 'gasket', bears: false },
      dimensions: [
        { id: 'bore', nominal: 90, tolerance: '' },
        { id: 'outside', nominal: 130, tolerance: '' },
        { id: 'thickness', nominal: 0.8, tolerance: '±0.1' },
      ],
      ...{ material: 'aramid sheet, no asbestos', lot: 'SH-4', hardness: '', oldMaterial: '', machine: 'punch' },
      ...{ minutesGuess: 40, materialMinor: 300, dueOn: '' },
    },
  });
  await chain.act('ines', 'work-on-made', { ...about, basedOn: 1, machine: 'punch', minutes: 35 });
  const readings = [
    { id: 'bore', value: 90.1 },
    { id: 'outside', value: 130 },
    { id: 'thickness', value: 0.82 },
  ];
  await chain.act('ines', 'measure-made', { ...about, basedOn: 2, gauge: '', readings });
  await chain.act('ines', 'hand-over-made', { ...about, basedOn: 3, fitted: 'laid on the face, all holes open' });
  await chain.act('bram', 'order-parts', { tag: kept() });
  const parts = await chain.device('bram');
  await open(parts, `/jobs/${kept()}`);
  await waitForText(parts, 'a donor');
  await waitForText(parts, 'made here');
  await chain.receiveAll(kept(), { 'wet-lip': 'SX-30-47' });
  const here = { count: 1, number: '', elastomer: '', lot: '', note: 'measured again: as it was found' };
  await chain.act('bram', 'lay-ready', { tag: kept(), partRef: 'impeller', basedOn: 1, here });
  const { record, family } = await chain.view(kept());
  expect(needsOf(record, family).filter(({ received, quantity }) => received < quantity)).toEqual([]);
});

test('something found later runs beside the rebuild as a supplement; then it is built, tested and reported', async () => {
  await chain.act('ines', 'advance-job', { tag: kept(), event: 'start-rebuild' });
  const bench = await chain.device('ines');
  await open(bench, `/jobs/${kept()}`);
  const field = present(await bench.waitForSelector('form[aria-label="Read a label"] input'));
  // The twin is closed by now: nothing of it can be taken for its own; its label is still refused.
  await field.type(`${donor()}/shaft`);
  await bench.keyboard.press('Enter');
  await waitForText(bench, `belongs to ${donor()}`);
  // A third one of its make lies open: its own tray is read before anything goes in.
  await chain.act('ines', 'read-label', { tag: kept(), code: `${kept()}#green` });
  await chain.act('ines', 'find-later', {
    ...{ tag: kept(), partRef: 'hub-key', words: 'sheared at one end', photoId: null, action: 'replace' },
    ...{ whyOnlyNow: 'it sat in its groove', reason: 'sheared' },
  });
  const supplement = await chain.supplementOf(kept());
  const send = { tag: kept(), quoteId: supplement.id, basedOn: supplement.version };
  await chain.act('wenna', 'send-supplement', send);
  await chain.act('wenna', 'record-approval', {
    ...{ tag: kept(), quoteId: supplement.id, way: 'telephone', name: 'Bridie Fenn' },
    ...{ reference: 'yes, the key too', declinedLines: [], declineAll: false, option: null },
  } as never);
  await chain.act('bram', 'order-parts', { tag: kept() });
  await chain.receiveAll(kept());
  await chain.rebuild(kept());
  await chain.test(kept());
  await chain.act('wenna', 'issue-report', { tag: kept() });
  const report = await chain.report(kept());
  expect(report.fitted?.find(({ part }) => part === 'Impeller')).toMatchObject({ source: 'donor', from: donor() });
  expect(report.fitted?.find(({ number }) => number === 'SX-30-47')).toMatchObject({ source: 'bought' });
  expect(report.made_here?.map(({ lot }) => lot)).toEqual(['SH-4']);
  expect(report.numbers_found?.map(({ verdict }) => verdict).sort()).toEqual(['another part', 'question']);
});

test('it goes home with a warranty by source; what is left of the other is stock that is found', async () => {
  await chain.pack(kept());
  const today = (await chain.view(kept())).today;
  await chain.act('wenna', 'deliver-pump', { tag: kept(), deliveredTo: 'the mate', deliveredOn: today });
  const desk = await chain.device('wenna');
  await open(desk, `/jobs/${kept()}`);
  await waitForText(desk, 'Delivered to the mate.');
  const { family } = await chain.view(kept());
  expect(family.id).toBe('F9');
  const free = await chain.donorsFor(present(tags[2]), 'volute');
  expect(free.map((row) => row.tag)).toContain(donor());
  const impellers = await chain.donorsFor(present(tags[2]), 'impeller');
  expect(impellers.map((row) => row.tag)).not.toContain(donor());
});
