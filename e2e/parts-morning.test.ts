import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { present } from '@/core/present';
import { sheetsOf } from '@/core/record';
import { awaited, needsOf } from '@/core/supply';
import { named } from './by-name';
import { click, open, openBrowser, press, settled, waitForText, type OpenedBrowser } from './browser';
import { Chain } from './chain';

/**
 * A morning at the parts desk: a new supplier is taken in, one kit serves two jobs, a number has taken another's place,
 * a parcel is short and brings a ring of the wrong rubber, a part comes from a donor, a bearing cap is made here.
 */
let opened: OpenedBrowser;
let chain: Chain;
let desk: Page;
const folder = mkdtempSync(join(tmpdir(), 'morning-'));
/** Names of this run alone. */
const run = randomUUID().slice(0, 6);
const house = `Morning House ${run}`;
const tags: string[] = [];
const one = () => present(tags[0]) as never;
const other = () => present(tags[1]) as never;
const both = async (what: (tag: never) => Promise<unknown>) => {
  for (const tag of tags) await what(tag as never);
};

beforeAll(async () => {
  opened = await openBrowser();
  chain = new Chain(opened.browser);
  desk = await chain.device('bram');
});
afterAll(async () => {
  await opened?.close();
  rmSync(folder, { recursive: true });
});

const unit = (serial: string) => ({
  customer: 'Vantry Board Mill',
  contact: { name: 'Greta Solvanger', email: 'greta@vantrymill.example', phone: '' },
  pump: { maker: 'Dunnockworth', model: 'Inner', serial, size: '' },
  ...{ familyId: 'F6', promisedOn: '2027-03-01', lot: null },
  intake: {
    ...{ equipmentNumber: '', duty: { flowM3h: 6, headM: 40, speedRpm: 960, powerKw: 3 }, liquid: 'glue' },
    ...{ liquidTemperatureC: 60, viscosityMm2S: 200, cleaning: 'sheet', cleaningReference: 'SDS-4', whyOut: 'loud' },
    ...{ runningHours: null, cameWith: [], shims: [], hazards: '', shippingDamage: '', elastomer: 'FKM' },
  },
});

const files = {
  suppliers:
    'name,contact,email,telephone,currency,rate,freight,minimum,cut_off,usual,active\n' +
    `${house},Odo,odo@morning.example,,EUR,1,1.00,0,,no,yes\n`,
  offers:
    'supplier,code,kind,title,price,lead_days,least,valid_until,number,elastomer,quantity\n' +
    `${house},MK-${run},kit,Bearings and lips of two pumps,60.00,4,1,,KW6-B20,,2\n` +
    `${house},MK-${run},kit,,,,,,KW6-B30,,2\n` +
    `${house},MK-${run},kit,,,,,,KW6-B60,FKM,2\n` +
    `${house},MG-${run},single,Head gasket,4.00,4,1,,KW6-0120-A,,1\n`,
  numbers: 'number,title,elastomer,variant,interchange_group,superseded_by\n' + 'KW6-0120,Head gasket,,,,KW6-0120-A\n',
};

async function takeIn(kind: keyof typeof files, text: string): Promise<void> {
  const path = join(folder, `${kind}.csv`);
  writeFileSync(path, text);
  const row = await desk.waitForSelector(`section[aria-label=Files] li:has(a[href$="/${kind}"]) input[type=file]`);
  await present(row).uploadFile(path);
}

/** Types a figure or words into a field of the parcel. */
async function typeAt(label: string, text: string): Promise<void> {
  const field = present(await desk.waitForSelector(named('', label)));
  await field.click({ count: 3 });
  await field.press('Backspace');
  if (text) await field.type(text);
}

test('two worn pumps of one make stand at the parts desk; of one an end cap is to be made, of the other a part taken', async () => {
  for (const serial of ['a', 'b']) tags.push(await chain.receive(unit(`PM-${run}-${serial}`)));
  await both((tag) => chain.makeReady(tag));
  await both((tag) => chain.teardown(tag));
  await both((tag) => chain.lay(tag));
  await both((tag) => chain.act('ines', 'advance-job', { tag, event: 'finish-teardown' }));
  await both((tag) => chain.clean(tag));
  const finding = { plain: '', photoId: null };
  await chain.act('ines', 'record-finding', {
    ...finding,
    tag: one(),
    partRef: 'end-cap',
    words: 'cracked at its thread',
  });
  await chain.act('ines', 'record-finding', {
    ...finding,
    tag: other(),
    partRef: 'coupling-half',
    words: 'bore is torn',
  });
  await both((tag) => chain.act('ines', 'advance-job', { tag, event: 'finish-cleaning' }));
  const decide = async (tag: never, partRef: string, action: string) => {
    const found = present((await chain.record(tag)).findings.find((each) => each.partRef === partRef));
    const about = { tag, target: { findingId: found.id }, action, reason: 'as the desk said', basedOn: 0 };
    await chain.act('marek', 'dispose', about as never);
  };
  await decide(one(), 'end-cap', 'make in the shop');
  await decide(other(), 'coupling-half', 'take from a donor');
  await both((tag) => chain.inspect(tag));
  await both((tag) => chain.act('marek', 'advance-job', { tag, event: 'finish-inspection' }));
  await both((tag) => chain.act('wenna', 'draw-up-quote', { tag }));
  await both((tag) => chain.act('wenna', 'send-quote', { tag }));
  await both(async (tag) => {
    const { options, advised } = present((await chain.record(tag)).quotes.at(-1));
    const said = {
      way: 'telephone',
      name: 'Greta Solvanger',
      reference: 'at eight',
      declinedLines: [],
      declineAll: false,
    };
    const option = options.length ? advised : null;
    await chain.act('wenna', 'record-approval', { tag, quoteId: null, ...said, option } as never);
  });
});

test('a file with a fault is kept out and says its line; a good one brings the supplier, its kit and a newer number', async () => {
  await open(desk, '/parts/catalogue');
  await takeIn('suppliers', files.suppliers.replace('1.00,0,,no', 'cheap,0,,no'));
  await waitForText(desk, 'line 2, freight “cheap”: freight is a number with a point');
  for (const kind of ['suppliers', 'offers', 'numbers'] as const) {
    await takeIn(kind, files[kind]);
    await waitForText(desk, `${kind}.csv: `);
    await settled(desk, 200);
  }
  await waitForText(desk, house);
});

let number = '';
test('the plan has one kit for both jobs and the newer number by name; one press orders it', async () => {
  await open(desk, '/parts/plan');
  const order = present(await desk.waitForSelector(`section[aria-label="Order from ${house}"]`));
  const text = (await order.evaluate((each) => each.textContent)).replace(/\s+/g, ' ');
  expect(text).toContain(`1 ×Bearings and lips of two pumps MK-${run}`);
  expect(text).toContain('KW6-0120-A in place of KW6-0120');
  for (const tag of tags) expect(text).toContain(tag);
  // Other desks order at the same time: a plan that moved is shown anew, and pressed again.
  for (let tries = 0; tries < 8 && !number; tries++) {
    await press(await desk.waitForSelector(`button ::-p-text(Order from ${house})`));
    await settled(desk, 600);
    const status = await desk.evaluate(() => document.querySelector('[role=status]')?.textContent ?? '');
    number = /PO-\d+/.exec(status)?.[0] ?? '';
  }
  expect(number).toMatch(/^PO-\d{5}$/);
  for (const tag of tags) expect((await chain.record(tag)).orders.map((each) => each.number)).toContain(number);
});

test('the order has its papers; the parcel is short of a bearing and brings a lip of the wrong rubber', async () => {
  await open(desk, `/parts/orders/${number}`);
  const papers = await desk.$$eval('a[href^="/files/order/"]', (all) => all.map((each) => each.getAttribute('href')));
  expect(papers).toEqual([`/files/order/${number}`, `/files/order/${number}/ubl`]);
  for (let tries = 0; tries < 10 && !(await desk.$('button ::-p-text(A parcel of it has come)')); tries++) {
    await settled(desk, 500);
    await open(desk, `/parts/orders/${number}`);
  }
  await click(desk, 'button', 'A parcel of it has come');
  await desk.waitForSelector('ul[aria-label="Pieces of the order’s parcel"]');
  await settled(desk, 300);
  const pieces = await desk.$$eval('ul[aria-label="Pieces of the order’s parcel"] > li', (all) =>
    all.map((each) => ({
      number: /Counted: (\S+)/.exec(each.querySelector('input')?.getAttribute('aria-label') ?? '')?.[1] ?? '',
      listed: Number(/list says (\d+)/.exec(each.textContent)?.[1]),
    })),
  );
  expect(pieces.map((each) => each.number).sort()).toEqual(['KW6-0120-A', 'KW6-B20', 'KW6-B30', 'KW6-B60']);
  for (const { number: own, listed } of pieces) await typeAt(`Counted: ${own}`, String(listed));
  await typeAt('Number on it: KW6-0120-A', 'KW6-0120-A');
  await typeAt('Elastomer of it: KW6-B60', 'NBR');
  await click(desk, 'button', 'Counted so');
  await waitForText(desk, 'NBR');
  const [lips, bearing] = ['KW6-B60', 'KW6-B20'].map(
    (own) => present(pieces.find((each) => each.number === own)).listed,
  );
  await typeAt('Elastomer of it: KW6-B60', 'FKM');
  await typeAt('Counted: KW6-B60', String(present(lips) - 1));
  await typeAt('Wrong or damaged: KW6-B60', '1');
  await typeAt('What is wrong: KW6-B60', 'NBR in place of FKM');
  await typeAt('Counted: KW6-B20', String(present(bearing) - 1));
  await click(desk, 'button', 'Counted so');
  await desk.waitForSelector('ul[aria-label="Pieces of the order’s parcel"]', { hidden: true });
  const claims = (await Promise.all(tags.map((tag) => chain.record(tag)))).flatMap((record) =>
    sheetsOf(record, 'claim'),
  );
  expect(claims.flatMap(({ body }) => body.lines.map(({ number: own, count }) => [own, count])).sort()).toEqual([
    ['KW6-B20', 1],
    ['KW6-B60', 1],
  ]);
});

test('what was missing and wrong comes again, and the order is complete', async () => {
  const closed = () => desk.evaluate(() => document.body.innerText.includes('all here'));
  for (let parcel = 0; parcel < 4; parcel++) {
    await open(desk, `/parts/orders/${number}`);
    const more = await desk.$('button ::-p-text(A parcel of it has come)');
    if (more) {
      await press(more);
      await settled(desk, 400);
      await open(desk, `/parts/orders/${number}`);
    }
    const boxes = await desk.$$('input[aria-label^="Counted: "]');
    if (!boxes.length && !more) break;
    for (const box of boxes) {
      const listed = await box.evaluate(
        (each) => /list says (\d+)/.exec(each.closest('li')?.textContent ?? '')?.[1] ?? '',
      );
      await box.type(listed);
    }
    if (!boxes.length) continue;
    await click(desk, 'button', 'Counted so');
    await desk.waitForSelector('ul[aria-label="Pieces of the order’s parcel"]', { hidden: true });
  }
  await open(desk, `/parts/orders/${number}`);
  expect(await closed()).toBe(true);
});

test('the desk says of each line where it comes from, when, and what it does to the promise', async () => {
  await chain.act('bram', 'choose-source', {
    ...{ tag: other(), partRef: 'coupling-half', basedOn: 0, donorId: `${String(one())}/coupling-half` },
    source: { source: 'donor', count: 1, from: '', dueOn: '', reason: 'hardly worn' },
  });
  await open(desk, '/parts');
  const rowOf = async (tag: string, part: string) =>
    desk.$$eval(
      'section[aria-label="To come"] li',
      (all, [ownTag, ownPart]) =>
        all
          .map((each) => each.textContent.replace(/\s+/g, ' '))
          .find((text) => text.includes(ownTag ?? '') && text.includes(ownPart ?? '')) ?? '',
      [tag, part],
    );
  expect(await rowOf(one(), 'End cap')).toMatch(/made here.*nobody has begun.*in hand/);
  expect(await rowOf(other(), 'Coupling half')).toMatch(/a donor.*to come/);
  const cap = {
    ...{
      why: 'none is to be had before spring',
      from: 'old part' as const,
      fromWords: 'the old cap',
      shape: 'cap' as const,
    },
    ...{ bears: true, material: 'steel, 110 mm bar', lot: 'S-3', hardness: '', oldMaterial: 'steel', machine: 'lathe' },
    ...{ minutesGuess: 120, materialMinor: 3100, dueOn: '2027-02-01' },
    dimensions: [
      { id: 'outside', nominal: 110, tolerance: '' },
      { id: 'flange', nominal: 12, tolerance: '' },
      { id: 'spigot', nominal: 90, tolerance: 'h6' },
      { id: 'depth', nominal: 14, tolerance: '+0.1/0' },
      { id: 'circle', nominal: 100, tolerance: '±0.1' },
      { id: 'holes', nominal: 4, tolerance: '' },
      { id: 'hole', nominal: 7, tolerance: '' },
    ],
  };
  await chain.act('odile', 'write-made', { tag: one(), partRef: 'end-cap', basedOn: 0, made: cap });
  await open(desk, '/parts');
  expect(await rowOf(one(), 'End cap')).toMatch(/made here.*1 of 1 to come, 1 Feb/);
});

test('the rest is bought for each job by itself, and nothing of the kit is ordered twice', async () => {
  await both((tag) => chain.act('bram', 'order-parts', { tag }).catch(() => undefined));
  await both((tag) => chain.receiveAll(tag));
  for (const tag of tags) {
    const { record, family } = await chain.view(tag);
    expect(awaited(needsOf(record, family)).map(({ source }) => source)).toEqual(
      tag === String(one()) ? ['made'] : ['donor'],
    );
    const bearings = record.orders.flatMap(({ lines }) => lines).filter((line) => line.number === 'KW6-B20');
    expect(bearings.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(1);
  }
  // Nobody else buys from a house of this run.
  await open(desk, '/parts/catalogue');
  await takeIn('suppliers', files.suppliers.replace(/,yes\n$/, ',no\n'));
  await waitForText(desk, 'nothing is bought from them');
  expect((desk as Page & { faults: string[] }).faults.filter((fault) => !/40\d|422/.test(fault))).toEqual([]);
});
