import { randomUUID } from 'node:crypto';
import { present } from '@/core/present';
import { needsOf } from '@/core/supply';
import { currentQuote } from '@/core/record';
import { rightRun } from '../demo/right-cleaning';
import { click, fill, open, openBrowser, openDevice, press, waitForText, type OpenedBrowser } from './browser';
import { Chain } from './chain';

/**
 * A pair of rotary lobe pumps of one owner, one stiff and one solid with something hard that nobody can name: from their
 * arrival as a lot to their delivery together. A cracked gear cover is made in the shop.
 */
let opened: OpenedBrowser;
let chain: Chain;
let phone: Awaited<ReturnType<typeof openDevice>>;
const tags: string[] = [];
const cap = 'gear-cover';
/** Serial numbers of this run alone. */
const run = randomUUID().slice(0, 6);
beforeAll(async () => {
  opened = await openBrowser();
  chain = new Chain(opened.browser);
  phone = await openDevice(opened.browser, { width: 390, height: 844 });
});
afterAll(() => opened.close());

const unit = (serial: string, liquidState: string, lot: object) => ({
  customer: 'Wendlebury Board Mill',
  contact: { name: 'Tamsin Orle', email: 'tamsin@wendlebury.example', phone: '' },
  pump: { maker: 'Dunnockworth', model: 'Lobe', serial, size: '' },
  ...{ familyId: 'F7', size: 'l40', promisedOn: '2027-03-01', lot },
  intake: {
    ...{
      equipmentNumber: '',
      duty: { flowM3h: 13.6, headM: 50, powerKw: 2.6, efficiencyPct: 58, speedRpm: 400 },
      liquid: '',
      liquidState,
    },
    ...{ liquidTemperatureC: 40, viscosityMm2S: 700, cleaning: 'none', cleaningReference: '', whyOut: 'seized' },
    ...{ runningHours: null, cameWith: [], shims: [], hazards: '', shippingDamage: '', elastomer: 'EPDM' },
  },
});
const both = async (what: (tag: string) => Promise<unknown>) => {
  for (const tag of tags) await what(tag);
};
const one = () => present(tags[0]);
const two = () => present(tags[1]);

test('two come on one note; neither is opened before its residue has a name and a person allows it', async () => {
  const terms = { deliveryNote: 'DN-88', sharesPromise: true, sharesQuote: true, sharesDelivery: true };
  tags.push(await chain.receive(unit(`PAIR-A-${run}`, 'foreign substance', terms)));
  const { lot } = await chain.record(one());
  tags.push(await chain.receive(unit(`PAIR-B-${run}`, 'foreign substance', { join: lot?.number })));
  expect(await chain.answer(two())).toContain('unit 2 of 2');
  const residue = {
    ...{ description: 'amber, hard as glass', place: 'between the rotors', quarantine: 'cage 3', waste: '' },
    ...{ sampleNumber: 'S-1', laboratory: 'Tarnbeck Laboratory', sampledOn: '', result: '', safetySheet: '' },
  };
  await both(async (tag) => {
    await chain.act('ines', 'write-residue', { tag: tag, basedOn: 0, residue: { ...residue, methods: [] } });
    await chain.act('wenna', 'allow-opening', {
      ...{ tag: tag, basedOn: 1, what: 'sampling', protection: 'mask, gloves, one port' },
    });
  });
  expect(await chain.refusal('ines', 'advance-job', { tag: one(), event: 'begin-teardown' })).toMatch(/missing/);
  await both(async (tag) => {
    const known = { ...residue, result: 'cured polyester resin', methods: ['blasting' as const] };
    await chain.act('ines', 'write-residue', { tag: tag, basedOn: 2, residue: known });
  });
  // The second by a person at the screen.
  await chain.act('wenna', 'allow-opening', {
    ...{ tag: one(), basedOn: 3, what: 'opening', protection: 'full mask, in the cabinet' },
  });
  const desk = await chain.device('wenna');
  await open(desk, `/jobs/${two()}?at=receive`);
  await fill(desk, 'Protection for the opening', 'full mask, in the cabinet');
  await press(await desk.waitForSelector('button ::-p-text(Allow that it is opened)'));
  await waitForText(desk, 'The opening was allowed by');
});

test('the first look goes out with a new unit beside it, and the owner says: repair both', async () => {
  await chain.act('ines', 'write-evaluation', {
    ...{ tag: one(), basedOn: 0 },
    evaluation: {
      ...{ turns: 'solid', binds: 'both rotors', substance: 'cured resin', causes: ['resin set in it'], words: '' },
      ...{ lost: [], atRisk: [{ ref: 'shaft', known: 'after cleaning' }], outside: [], made: [] },
      ...{ hours: { from: 20, to: 60 }, partsMinor: { from: 100000, to: 900000 }, days: { from: 10, to: 20 } },
      ...{ newUnit: { minor: 2400000, days: 60 }, advice: 'repair' },
    },
  });
  const words = 'Dear Tamsin, both can be saved.';
  await chain.act('wenna', 'send-evaluation', { tag: one(), basedOn: 1, words });
  await chain.act('wenna', 'answer-evaluation', {
    ...{ tag: one(), basedOn: 2, choice: 'repair', saidBy: 'Tamsin Orle', words: 'repair both' },
  });
  const desk = await chain.device('wenna');
  await open(desk, `/jobs/${one()}`);
  await click(desk, 'button', 'First look');
  await waitForText(desk, 'repair: repair both');
});

test('both come apart; each part lies in a labelled tray before the teardown is done', async () => {
  await both((tag) => chain.makeReady(tag));
  await both((tag) => chain.teardown(tag));
  const shut = await chain.refusal('ines', 'advance-job', { tag: one(), event: 'finish-teardown' });
  expect(shut).toMatch(/1 thing is missing/);
  const bench = await chain.device('ines');
  await open(bench, `/jobs/${one()}`);
  await waitForText(bench, `${two()} is open beside it`);
  await press(await bench.waitForSelector('section[aria-label=Trays] button ::-p-text(Lay the )'));
  await waitForText(bench, 'Tray 1');
  const { family } = await chain.view(two());
  const refs = family.parts.map(({ ref }) => ref);
  await chain.act('ines', 'lay-in-tray', { tag: two(), parts: refs, tray: '1' });
  await both((tag) => chain.act('ines', 'advance-job', { tag: tag, event: 'finish-teardown' }));
});

test('blasting unmasked is refused; the look at what is clean finds the cover cracked', async () => {
  const unmasked = { ...rightRun('blasting', ['rotor-case']), masks: {} };
  expect(await chain.refusal('ines', 'clean-parts', { tag: one(), cautionRead: true, run: unmasked })).toMatch(
    /^clean-parts: Blasting: say of/,
  );
  const { family } = await chain.view(one());
  const method = family.parts.find(({ ref }) => ref === cap)?.clean.method ?? '';
  expect(method).not.toBe('');
  await both((tag) => chain.clean(tag));
  await chain.act('ines', 'record-finding', {
    ...{ tag: one(), partRef: cap, words: 'cracked through the bearing seat', photoId: null },
    plain: 'The cover is cracked.',
  });
  await both((tag) => chain.act('ines', 'advance-job', { tag: tag, event: 'finish-cleaning' }));
});

test('both are measured; the cover is to be made in the shop', async () => {
  await chain.inspect(two());
  const { findings } = await chain.record(one());
  const cracked = present(findings.find(({ partRef }) => partRef === cap));
  await chain.act('marek', 'dispose', {
    ...{ tag: one(), target: { findingId: cracked.id }, action: 'make in the shop', basedOn: 0 },
    reason: 'none is to be had before spring',
  });
  await chain.inspect(one());
  await both((tag) => chain.act('marek', 'advance-job', { tag: tag, event: 'finish-inspection' }));
  const inspector = await chain.device('marek');
  await open(inspector, `/jobs/${one()}?at=inspect`);
  await click(inspector, 'button', `Compare with ${two()}`);
  await waitForText(inspector, 'nothing seen');
});

test('the cover is drawn at the quote: its sketch is to scale, and what does not go together is said at its dimension', async () => {
  const desk = await chain.device('marek');
  await open(desk, `/jobs/${one()}`);
  await press(await desk.waitForSelector('button ::-p-text(Draw the gear)'));
  await desk.waitForSelector('section[aria-label^="Sketch of"] select');
  await desk.select('section[aria-label^="Sketch of"] select', 'cap');
  const size = async (label: string, text: string) =>
    present(await desk.waitForSelector(`input[aria-label="${label}"]`)).type(text);
  await size('Flange diameter, mm', '160');
  await size('Flange thickness, mm', '14');
  await size('Spigot diameter, mm', '110');
  await size('Tolerance of spigot diameter', 'h6');
  await size('Spigot length, mm', '20');
  await size('Bolt circle diameter, mm', '170');
  await size('Number of holes, how many', '6');
  await size('Hole diameter, mm', '9');
  await fill(desk, 'Why it is made here', 'cracked, and none is to be had before spring');
  await fill(desk, 'Material', 'grey iron, 170 mm bar');
  await fill(desk, 'Minutes, a guess', '180');
  await fill(desk, 'Material costs', '38.50');
  await click(desk, 'button', 'Keep the sketch');
  await waitForText(desk, 'Bolt circle diameter must be smaller than flange diameter.');
  const circle = present(await desk.$('input[aria-label="Bolt circle diameter, mm"]'));
  await circle.click({ clickCount: 3 });
  await circle.type('140');
  await click(desk, 'button', 'Keep the sketch');
  await waitForText(desk, 'is drawn as M-');
});

test('one mail offers both; the customer answers each by its link', async () => {
  await both((tag) => chain.act('wenna', 'draw-up-quote', { tag: tag }));
  const quote = present(currentQuote(await chain.record(one())));
  expect(quote.lines.filter(({ kind }) => kind === 'made').map(({ quantity }) => quantity)).toEqual([3, 1]);
  await chain.act('wenna', 'change-quote', {
    ...{ tag: one(), basedOn: quote.version, note: 'The cover was found cracked when it was clean.' },
  });
  await chain.act('wenna', 'send-quote', { tag: one() });
  await open(phone, await chain.linkOf(one()));
  await waitForText(phone, 'in the shop');
  await fill(phone, 'Your name', 'Tamsin Orle');
  await click(phone, 'button', 'My typed name is my signature');
  await press(await phone.waitForSelector('button ::-p-text(Approve )'));
  await waitForText(phone, 'Thank you.');
  const { lines: _lines, ...other } = present(currentQuote(await chain.record(two())));
  await chain.act('wenna', 'record-approval', {
    ...{ tag: two(), way: 'telephone', name: 'Tamsin Orle', reference: 'both, as written' },
    ...{ declinedLines: [], declineAll: false, option: other.options.length ? other.advised : null },
  });
});

test('the rebuild waits for the cover by name; it is made, measured out and in, and handed over', async () => {
  await both((tag) => chain.buy(tag));
  expect(await chain.answer(one())).toMatch(/gear.* that we make ourselves/i);
  await both((tag) => chain.act('ines', 'advance-job', { tag: tag, event: 'start-rebuild' }));
  const about = { tag: one() as never, partRef: cap };
  const versionNow = async () =>
    (await chain.record(one())).sheets.find(({ kind, key }) => kind === 'made' && key === cap)?.version ?? 0;
  const early = { ...about, basedOn: await versionNow(), machine: 'lathe', minutes: 10 };
  expect(await chain.refusal('ines', 'work-on-made', early)).toMatch(/a named person releases its sketch first/);
  await chain.act('marek', 'release-made', { ...about, basedOn: await versionNow(), words: 'by the old one' });
  await chain.act('ines', 'work-on-made', { ...about, basedOn: await versionNow(), machine: 'lathe', minutes: 210 });
  const readings = { outside: 160, flange: 14, spigot: 109.9, depth: 20, circle: 140, holes: 6, hole: 9 };
  const list = (spigot: number) => Object.entries({ ...readings, spigot }).map(([id, value]) => ({ id, value }));
  await chain.act('ines', 'measure-made', {
    ...about,
    basedOn: await versionNow(),
    gauge: 'M-07',
    readings: list(109.9),
  });
  const hand = { ...about, basedOn: await versionNow(), fitted: 'slides in, turns free' };
  expect(await chain.refusal('ines', 'hand-over-made', hand)).toMatch(/spigot diameter is under/);
  await chain.act('ines', 'measure-made', {
    ...about,
    basedOn: await versionNow(),
    gauge: 'M-07',
    readings: list(109.99),
  });
  const bench = await chain.device('ines');
  await open(bench, `/jobs/${one()}?at=parts`);
  await press(await bench.waitForSelector(`#need-${cap} button`));
  await waitForText(bench, 'Beyond the guess');
  await fill(bench, 'Tried on its seat: how it fits', 'slides in by hand, bearing turns free');
  await click(bench, 'button', 'Hand it over');
  await waitForText(bench, 'Handed over');
  const { record, family } = await chain.view(one());
  expect(needsOf(record, family).find(({ ref }) => ref === cap)).toMatchObject({ source: 'made', received: 1 });
});

test('a label of the twin is refused by name; its own are read, and both go together', async () => {
  const bench = await chain.device('ines');
  await open(bench, `/jobs/${one()}`);
  const label = async (code: string) => {
    const field = present(await bench.waitForSelector('form[aria-label="Read a label"] input'));
    await field.click({ clickCount: 3 });
    await field.type(code);
    await bench.keyboard.press('Enter');
  };
  await label(`${two()}/shaft`);
  await waitForText(bench, `belongs to ${two()} of Wendlebury Board Mill`);
  await label(`${one()}#1`);
  await waitForText(bench, 'Every label is read at this station');
  await chain.act('ines', 'read-label', { tag: two(), code: `${two()}#1` });
  await both((tag) => chain.rebuild(tag));
});

test('both are tested; one fails once, goes back and is closed', async () => {
  await chain.failOnce(two());
  await chain.test(two(), 2);
  await chain.test(one());
  await both((tag) => chain.act('wenna', 'issue-report', { tag: tag }));
  const report = await chain.report(one());
  expect(report.made_here?.map(({ material }) => material)).toEqual(['grey iron, 170 mm bar']);
});

test('they are packed, and one signature delivers both', async () => {
  await chain.pack(two());
  await chain.pack(one());
  const desk = await chain.device('wenna');
  await open(desk, `/jobs/${one()}`);
  await fill(desk, 'Taken over by', 'the stores');
  await click(desk, 'button', 'Delivered: close the job');
  await waitForText(desk, 'Delivered to the stores.');
  await both(async (tag) => expect((await chain.record(tag)).closedAt).not.toBeNull());
  expect(desk.faults.filter((fault) => !/422|409/.test(fault))).toEqual([]);
});
