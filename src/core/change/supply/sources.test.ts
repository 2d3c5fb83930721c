import { orderOfAll } from '../../../../test-support/order-facts';
import { CoreJob, rightPieces, wornRing, type JobScript, type Person } from '../../../../test-support/core-job';
import exampleFile from '../../../../test-support/plain-overhung.json';
import { loadFamily } from '../../family';
import { standingOf, sayMove } from '../../lifecycle';
import { sayReason } from '../../errors';
import type { Action, LotMate, MadePart, Tag } from '../../record';
import { asId } from '../../record';
import { scopeOf } from '../../scope';
import { needsOf } from '../../supply';
import { warrantyTerms } from '../../warranty';
import { bench, supply, type Decider } from '..';

const file = loadFamily(exampleFile);
const ringBy = (action: Action): JobScript => ({
  ...wornRing,
  dispose: { 'ring-bore': [action, 'worn, and none is to be had in time'] },
});
/** The words of a refusal; fails where the command is taken. */
function refusedBy<Command, Result, Facts>(
  job: CoreJob,
  [by, verb, decider]: readonly [Person, string, Decider<Command, Result, Facts>],
  facts: Facts,
  command: Command,
): string {
  const decided = job.decide(by, [verb, decider], facts, command);
  if (decided.ok) throw new Error(`${verb} was taken`);
  const { reason } = decided.refusal.details as { reason?: Parameters<typeof sayReason>[0] };
  return reason ? sayReason(reason) : decided.refusal.code;
}
const ringOf = (job: CoreJob) => needsOf(job.record, job.family).find(({ ref }) => ref === 'front-ring');
const waitingFor = (job: CoreJob) => sayMove(standingOf(job.record, job.family).next).waitingFor;
const sourceOfRing = (job: CoreJob) =>
  scopeOf(job.record, job.family).find(({ partRef }) => partRef === 'front-ring')?.source;
/** The rest of the needs bought and counted in, without the move to the rebuild. */
function buyTheRest(job: CoreJob): void {
  const { tag } = job.record;
  job.act('Bram', ['order-parts', supply.orderParts], orderOfAll(job), { tag, atRisk: null });
  const lines = job.record.orders[0]?.lines ?? [];
  const sent = lines.map((line) => ({ lineId: line.partRef, quantity: line.quantity }));
  const orderNumber = 'PO-0001';
  job.act(
    'Bram',
    ['take-parcel', supply.takeParcel],
    { lines: sent, restOn: null, sentBefore: {} },
    { tag, orderNumber },
  );
  const counts = lines.map((line) => ({ lineId: line.id, ...rightPieces, counted: line.quantity }));
  const receiptIds = counts.map(() => job.id<never>());
  job.act(
    'Bram',
    ['receive-parts', supply.receiveParts],
    { receiptIds, crossing: {}, variants: {} },
    { tag, orderNumber, counts, note: '' },
  );
}

describe('a part that the shop makes', () => {
  const sketch = {
    ...{ why: 'none is to be had before March', from: 'mating part' as const, fromWords: 'impeller hub as measured' },
    shape: 'bush' as const,
    dimensions: [
      { id: 'bore', nominal: 100, tolerance: 'H7' },
      { id: 'outside', nominal: 120, tolerance: 'p6' },
      { id: 'length', nominal: 18, tolerance: '' },
    ],
    ...{ bears: true, material: 'tin bronze, 110 mm bar', lot: 'B-7', hardness: '', oldMaterial: 'bronze' },
    ...{ machine: 'lathe', minutesGuess: 90, materialMinor: 2400, dueOn: '2026-12-03' },
  };
  const write = (job: CoreJob, basedOn: number, change: Partial<MadePart> = {}) =>
    job.act('Odile', ['write-made', supply.writeMade], null, {
      ...{ tag: job.record.tag, partRef: 'front-ring', basedOn },
      made: { ...sketch, ...change, dimensions: [...(change.dimensions ?? sketch.dimensions)] },
    });
  const about = (job: CoreJob, basedOn: number) => ({ tag: job.record.tag, partRef: 'front-ring', basedOn });
  const right = [
    { id: 'bore', value: 100.02 },
    { id: 'outside', value: 120.04 },
    { id: 'length', value: 18.1 },
  ];

  test('is drawn at the quote: its minutes and its material are what the customer reads', () => {
    const job = new CoreJob(file, ringBy('make in the shop')).playTo('quote');
    expect(write(job, 0).number).toBe('M-0417-1');
    job.quote();
    const lines = job.record.quotes.at(-1)?.lines.filter(({ itemKeys }) => itemKeys.includes('make:front-ring')) ?? [];
    // 90 minutes are 1.5 h; 24.00 with 18 % on it are 28.32.
    expect(lines.map(({ kind, quantity, unitPriceMinor }) => [kind, quantity, unitPriceMinor])).toEqual([
      ['made', 1.5, 8400],
      ['made', 1, 2832],
    ]);
    expect(ringOf(job)).toMatchObject({ source: 'made', quantity: 1, ordered: 1, received: 0, dueOn: '2026-12-03' });
  });
  test('holds the rebuild until it is drawn, and its step until it is handed over', () => {
    const job = new CoreJob(file, ringBy('make in the shop')).playTo('parts');
    expect(waitingFor(job)).toBe('us to draw the front wear ring, which we make ourselves');
    expect(() => job.move('Ines', 'start-rebuild')).toThrow();
    write(job, 0);
    buyTheRest(job);
    expect(waitingFor(job)).toBe('the front wear ring that we make ourselves, done on 3 December');
    job.move('Ines', 'start-rebuild');
    const step = job.family.rebuild.find(({ needs }) => needs.includes('front-ring'));
    const before = job.family.rebuild.slice(0, job.family.rebuild.indexOf(step as never));
    job.workThrough('rebuild', before);
    expect(() => job.workThrough('rebuild', [step as never])).toThrow();
  });
  test('is released by name, worked, measured against its sketch and handed over only as drawn', () => {
    const job = new CoreJob(file, ringBy('make in the shop')).playTo('parts');
    write(job, 0);
    const work = { ...about(job, 1), machine: 'lathe', minutes: 110 };
    const workRule = ['Odile', 'work-on-made', supply.workOnMade] as const;
    expect(refusedBy(job, workRule, null, work)).toMatch(/holds pressure, lifts or turns: a named person releases/);
    job.act('Marek', ['release-made', supply.releaseMade], null, { ...about(job, 1), words: 'as the drawing' });
    job.act('Odile', ['work-on-made', supply.workOnMade], null, { ...work, basedOn: 2 });
    const short = right.map((reading) => (reading.id === 'length' ? { id: 'length', value: 17.5 } : reading));
    const { out } = job.act('Odile', ['measure-made', supply.measureMade], null, {
      ...{ ...about(job, 3), gauge: 'M-07', readings: short },
    });
    expect(out).toEqual(['Length']);
    const hand = ['Odile', 'hand-over-made', supply.handOverMade] as const;
    const fitted = { ...about(job, 4), fitted: 'pressed into the casing, stands proud by nothing' };
    expect(refusedBy(job, hand, null, fitted)).toBe('Front wear ring is not handed over: length is under.');
    job.act('Odile', ['measure-made', supply.measureMade], null, { ...about(job, 4), gauge: 'M-07', readings: right });
    job.act('Odile', ['hand-over-made', supply.handOverMade], null, { ...fitted, basedOn: 5 });
    expect(ringOf(job)).toMatchObject({ received: 1, dueOn: null });
    expect(() => write(job, 6)).toThrow();
    expect(job.difference()).toBeNull();
  });
  test('whose sketch is changed is released and measured anew where it was changed', () => {
    const job = new CoreJob(file, ringBy('make in the shop')).playTo('parts');
    write(job, 0, { bears: false });
    job.act('Odile', ['work-on-made', supply.workOnMade], null, { ...about(job, 1), machine: 'lathe', minutes: 30 });
    job.act('Odile', ['measure-made', supply.measureMade], null, { ...about(job, 2), gauge: '', readings: right });
    const dimensions = sketch.dimensions.map((one) => (one.id === 'bore' ? { ...one, nominal: 100.1 } : one));
    write(job, 3, { dimensions });
    const made = job.record.sheets.find(({ kind }) => kind === 'made')?.body as MadePart;
    expect(made.readings.map(({ id }) => id)).toEqual(['outside', 'length']);
    expect(made.released).toBeNull();
  });
  test.each([
    ['without its length', { dimensions: sketch.dimensions.slice(0, 2) }, 'Length is missing.'],
    [
      'with a bore as wide as itself',
      { dimensions: sketch.dimensions.map((one) => (one.id === 'bore' ? { ...one, nominal: 120 } : one)) },
      'Bore must be smaller than outside diameter.',
    ],
  ])('%s is not made', (_what, change, words) => {
    const job = new CoreJob(file, ringBy('make in the shop')).playTo('quote');
    const command = { ...about(job, 0), made: { ...sketch, ...change } };
    expect(refusedBy(job, ['Odile', 'write-made', supply.writeMade], null, command)).toBe(words);
  });
});

describe('a part from elsewhere', () => {
  const choose = (
    job: CoreJob,
    source: 'shelf' | 'customer' | 'donor' | 'bought',
    { from = 'bin 4', count = 1, donor = null as supply.DonorPart | null, basedOn = 0 } = {},
  ) => ({
    facts: { donor },
    command: {
      ...{ tag: job.record.tag, partRef: 'front-ring', basedOn, donorId: donor?.id ?? null },
      source: { source, from, count, reason: 'it is there', dueOn: '2026-12-05' },
    },
  });
  const rule = ['Bram', 'choose-source', supply.chooseSource] as const;
  const take = (job: CoreJob, { facts, command }: ReturnType<typeof choose>) =>
    job.act('Bram', ['choose-source', supply.chooseSource], facts, command);
  const here = { count: 1, number: 'KW1-0502', elastomer: '', variant: '', lot: '', note: '' };
  const lay = (job: CoreJob, change: Partial<typeof here> = {}, accept = false) => ({
    ...{ tag: job.record.tag, partRef: 'front-ring', basedOn: 1, accept },
    here: { ...here, ...change },
  });
  const layRule = ['Bram', 'lay-ready', supply.layReady] as const;
  const donor: supply.DonorPart = {
    ...{ id: 'P-0001/front-ring', tag: 'P-0001', partRef: 'front-ring', number: 'KW1-0501', crossing: [] },
    ...{ look: 'nothing seen', isCracked: false, wearPct: 12, isLeft: true, takenBy: null },
  };
  const atParts = () => new CoreJob(file, wornRing).playTo('parts');

  test('of the customer is not bought, is waited for by its day, and has no warranty', async () => {
    const job = atParts();
    take(job, choose(job, 'customer', { from: 'Fern Okonjo' }));
    expect(ringOf(job)).toMatchObject({ source: 'customer', ordered: 1, bought: 0, received: 0, dueOn: '2026-12-05' });
    buyTheRest(job);
    expect(job.record.orders.flatMap(({ lines }) => lines.map(({ partRef }) => partRef))).not.toContain('front-ring');
    const { holder } = standingOf(job.record, job.family);
    expect([holder, waitingFor(job)]).toEqual(['C', 'the front wear ring that the customer brings, due 5 December']);
    job.act('Bram', ['lay-ready', supply.layReady], [], lay(job));
    job.move('Ines', 'start-rebuild');
    job.rebuild();
    await job.test();
    expect(sourceOfRing(job)).toBe('customer’s own');
    const terms = warrantyTerms(job.record, job.family, 12);
    expect(terms.find(({ source }) => source === 'customer’s own')).toMatchObject({ months: 0 });
    expect(job.difference()).toBeNull();
  });
  test('of the shelf names its bin; what is chosen in part is bought for the rest', () => {
    const job = atParts();
    expect(refusedBy(job, rule, ...paired(choose(job, 'shelf', { from: '' })))).toMatch(/name the bin/);
    expect(refusedBy(job, rule, ...paired(choose(job, 'shelf', { count: 2 })))).toMatch(
      /2 are more than the 1 that is/,
    );
    take(job, choose(job, 'shelf'));
    expect(sourceOfRing(job)).toBe('shelf');
    expect(waitingFor(job)).toMatch(/^us to order/);
  });
  test('is counted, and looked at for its number and its elastomer', () => {
    const job = atParts();
    take(job, choose(job, 'shelf'));
    expect(refusedBy(job, layRule, [], lay(job, { count: 2 }))).toMatch(/^Front wear ring: 2 counted, but 1 was/);
    expect(refusedBy(job, layRule, [], lay(job, { number: 'KW1-0700' }))).toMatch(
      /^Front wear ring: KW1-0700 stands on/,
    );
    const other = job.family.parts.find(({ ref }) => ref === 'impeller');
    expect(refusedBy(job, layRule, [], lay(job, { number: other?.number ?? '' }, true))).toMatch(/is the number of/);
    // One that took its place long ago crosses, and is accepted by name with a note.
    expect(refusedBy(job, layRule, [], lay(job, { number: 'KW1-0501' }, true))).toMatch(/Accept it by name/);
    job.act('Bram', ['lay-ready', supply.layReady], [], lay(job, { number: 'KW1-0501', note: 'older number' }, true));
    expect(ringOf(job)).toMatchObject({ received: 1 });
    expect(refusedBy(job, rule, ...paired(choose(job, 'bought', { basedOn: 2 })))).toMatch(
      /is here and counted already/,
    );
  });
  test('that is on order already is not to come twice', () => {
    const job = atParts();
    buyTheRest(job);
    expect(refusedBy(job, rule, ...paired(choose(job, 'shelf')))).toMatch(/1 is on order already/);
  });
  test('that nothing needs is not had', () => {
    const job = atParts();
    const { facts, command } = choose(job, 'shelf');
    expect(refusedBy(job, rule, facts, { ...command, partRef: 'shaft' })).toMatch(/nothing that was approved needs it/);
  });

  test('from a donor waits for the choice of one, then for its being laid ready', () => {
    const job = new CoreJob(file, ringBy('take from a donor')).playTo('parts');
    expect(waitingFor(job)).toBe('us to find a donor for the front wear ring');
    take(job, choose(job, 'donor', { donor }));
    expect(job.record.sheets.find(({ kind }) => kind === 'source')?.body).toMatchObject({
      ...{ from: 'P-0001', donor: { id: 'P-0001/front-ring', look: 'nothing seen', wearPct: 12 } },
    });
    buyTheRest(job);
    expect(waitingFor(job)).toBe('the front wear ring to be laid ready from its donor');
    expect(sourceOfRing(job)).toBe('donor');
  });
  test.each([
    ['taken already', { takenBy: 'P-0002' }, /^Front wear ring of P-0001 is taken already, for P-0002/],
    ['cracked', { isCracked: true, look: 'cracked at the bore' }, /was found “cracked at the bore”/],
    ['of another number', { number: 'KW1-0700' }, /KW1-0700 is neither its number/],
    ['of a pump of another owner', { isLeft: false }, /belongs to another owner, who has not left it to the shop/],
    ['worn past its limit', { wearPct: 100.1 }, /is worn past its limit: 100.1 % of its wear is used/],
    ['of the pump itself', { tag: 'P-0417' }, /it is of P-0417 itself/],
  ])('a donor part that is %s is refused', (_what, change, words) => {
    const job = new CoreJob(file, ringBy('take from a donor')).playTo('parts');
    expect(refusedBy(job, rule, ...paired(choose(job, 'donor', { donor: { ...donor, ...change } })))).toMatch(words);
  });
  test('a number that interchanges by the catalogue makes a donor of another number', () => {
    const job = new CoreJob(file, ringBy('take from a donor')).playTo('parts');
    take(job, choose(job, 'donor', { donor: { ...donor, number: 'KW1-0700', crossing: ['KW1 0700'] } }));
    expect(ringOf(job)?.ordered).toBe(1);
  });
  test('what a unit gave away is proposed new where the unit is repaired itself', () => {
    const job = new CoreJob(file, wornRing).playTo('quote');
    const { tag } = job.record;
    job.act('Bram', ['give-part', supply.givePart], null, { tag, partRef: 'shaft', to: asId<Tag>('P-0999') });
    const shaft = () => scopeOf(job.record, job.family).find(({ partRef }) => partRef === 'shaft');
    expect(shaft()).toMatchObject({ action: 'replace', policy: 'given away' });
    job.act('Bram', ['give-part', supply.givePart], null, { tag, partRef: 'shaft', to: null });
    expect(shaft()?.policy).not.toBe('given away');
  });
});

const paired = <Facts, Command>({ facts, command }: { readonly facts: Facts; readonly command: Command }) =>
  [facts, command] as const;

describe('work outside', () => {
  const balancing = {
    ...{ work: 'balancing' as const, what: 'balance the impeller', parts: ['impeller'], to: 'Ostrey Balancing' },
    ...{ priceMinor: 12000, dueOn: '2026-12-04' },
    asks: [{ ask: 'Residual unbalance', unit: 'g·mm', min: null, max: 40 }],
  };
  const away = () => {
    const job = new CoreJob(file, wornRing).playTo('parts');
    const { tag } = job.record;
    const command = { tag, number: null, basedOn: 0, outside: balancing };
    const { number } = job.act('Bram', ['write-outside', supply.writeOutside], null, command);
    return { job, tag, number };
  };
  const send = (one: ReturnType<typeof away>, basedOn = 1, dueOn = '2026-12-04') =>
    one.job.act('Bram', ['send-outside', supply.sendOutside], null, {
      ...{ tag: one.tag, number: one.number, basedOn, on: '2026-11-27', dueOn },
    });
  const back = (one: ReturnType<typeof away>, values: readonly (number | null)[], change = {}) => ({
    ...{ tag: one.tag, number: one.number, basedOn: 2, on: '2026-12-03', values: [...values] },
    ...{ words: '', isTaken: true, ...change },
  });
  const rule = ['Bram', 'take-back', supply.takeBack] as const;

  test('is to be sent, is waited for by its day, and keeps its part from the rebuild until it is back', () => {
    const one = away();
    expect([one.number, waitingFor(one.job)]).toEqual(['W-0417-1', 'us to send the impeller out for work']);
    send(one);
    buyTheRest(one.job);
    expect(waitingFor(one.job)).toBe('the impeller from the outside shop, due 4 December');
    expect(standingOf(one.job.record, one.job.family).holder).toBe('O');
    one.job.act('Bram', ['take-back', supply.takeBack], null, back(one, [32]));
    expect(waitingFor(one.job)).toBe('a free bench');
    expect(one.job.difference()).toBeNull();
  });
  test('comes back measured as it was asked, or goes back with the reason', () => {
    const one = away();
    send(one);
    expect(refusedBy(one.job, rule, null, back(one, [null]))).toMatch(/“Residual unbalance” must come back measured/);
    expect(refusedBy(one.job, rule, null, back(one, [55]))).toMatch(
      /Residual unbalance: 55 g·mm, at most 40 was asked/,
    );
    expect(refusedBy(one.job, rule, null, back(one, [55], { isTaken: false }))).toMatch(/Say why it goes back/);
    one.job.act('Bram', ['take-back', supply.takeBack], null, back(one, [55], { isTaken: false, words: '55 g·mm' }));
    expect(waitingFor(one.job)).toBe('us to send the impeller out for work');
    send(one, 3);
    const taken = back(one, [41], { basedOn: 4, words: 'one g·mm over, taken by Marek' });
    one.job.act('Bram', ['take-back', supply.takeBack], null, taken);
    expect(one.job.record.sheets.find(({ kind }) => kind === 'outside')?.body).toMatchObject({
      refused: [{ words: '55 g·mm' }],
      back: { isTaken: true },
    });
  });
  test('is neither due before it leaves, nor changed while it is away', () => {
    const one = away();
    expect(() => send(one, 1, '2026-11-26')).toThrow();
    send(one);
    const command = { tag: one.tag, number: one.number, basedOn: 2, outside: balancing };
    const words = refusedBy(one.job, ['Bram', 'write-outside', supply.writeOutside], null, command);
    expect(words).toMatch(/is at Ostrey Balancing/);
  });
});

describe('numbers on parts', () => {
  const find = (job: CoreJob, partRef: string, found: string) =>
    job.act('Odile', ['find-number', supply.findNumber], [], { tag: job.record.tag, partRef, found, basedOn: 0 });
  test.each([
    ['KW1-0502', 'as listed'],
    ['kw1 0502', 'as listed'],
    ['KW1-0501', 'superseded'],
    ['RX 77-1', 'question'],
  ])('%s on the front ring is %s', (found, verdict) => {
    const job = new CoreJob(file, wornRing).playTo('teardown');
    expect(find(job, 'front-ring', found).verdict).toBe(verdict);
    expect(job.record.findings).toEqual([]);
  });
  test('that of another part is a finding: it was wrongly fitted before', () => {
    const job = new CoreJob(file, wornRing).playTo('teardown');
    const impeller = job.family.parts.find(({ ref }) => ref === 'impeller');
    expect(find(job, 'front-ring', impeller?.number ?? '').verdict).toBe('another part');
    expect(job.record.findings.map(({ partRef, proposed }) => [partRef, proposed])).toEqual([
      ['front-ring', 'replace'],
    ]);
    expect(job.record.findings[0]?.words).toMatch(/that of the impeller: wrongly fitted before/);
  });
  test('a question is settled by name before the quote goes out', () => {
    const job = new CoreJob(file, wornRing).playTo('teardown');
    find(job, 'impeller', 'RX 77-1');
    job.playTo('quote');
    expect(() => job.quote()).toThrow();
    const { tag } = job.record;
    job.act('Marek', ['settle-number', supply.settleNumber], null, {
      ...{ tag, partRef: 'impeller', basedOn: 1, words: 'a casting number' },
    });
    expect(job.difference()).toBeNull();
  });
});

describe('labels', () => {
  const twin: LotMate = {
    ...{ tag: asId('P-0418'), unit: 2, serial: 'B', station: 'teardown', outcome: 'open', promisedOn: '2026-12-10' },
    ...{ isReleased: false, isClosed: false },
  };
  const twins = () => {
    const job = new CoreJob(file, wornRing);
    job.record = { ...job.record, lotMates: [twin] };
    return job.playTo('teardown');
  };
  const lay = (job: CoreJob, tray: string, parts = job.record.parts.map(({ ref }) => ref)) =>
    job.act('Odile', ['lay-in-tray', supply.layInTray], null, { tag: job.record.tag, parts, tray });
  const facts = { owner: 'Emberley Ice Rink', part: 'Front wear ring' };
  const read = (job: CoreJob, code: string) =>
    job.act('Odile', ['read-label', supply.readLabelHere], facts, { tag: job.record.tag, code });
  const rule = ['Odile', 'read-label', supply.readLabelHere] as const;

  test('one of another job is refused by name, and says whose part it is', () => {
    const job = twins();
    const words = refusedBy(job, rule, facts, { tag: job.record.tag, code: 'P-0418/front-ring' });
    expect(words).toBe(
      'P-0418/front-ring belongs to P-0418 of Emberley Ice Rink: Front wear ring. It is not for P-0417: put it back where it was.',
    );
  });
  test.each([
    ['a text that is no label', 'front ring', /is not the code of a label/],
    ['the tag of the job alone', 'P-0417', /is not the code of a label/],
    ['a part that lies in no tray', 'P-0417/shaft', /was not laid in a labelled tray/],
    ['a tray that there is not', 'P-0417#9', /has no tray 9/],
    ['a part that there is not', 'P-0417/flywheel', /flywheel is not in the parts list/],
  ])('%s is refused', (_what, code, words) => {
    const job = twins();
    expect(refusedBy(job, rule, facts, { tag: job.record.tag, code })).toMatch(words);
  });
  test('beside a like unit every part is laid in a tray, and read before it goes in', () => {
    const job = twins();
    expect(() => job.teardown()).toThrow();
    lay(job, '1');
    job.move('Odile', 'finish-teardown');
    job.playTo('rebuild');
    const [step] = job.family.rebuild;
    const action = step?.actions[0];
    const answer = {
      ...{ tag: job.record.tag, phase: 'rebuild' as const, actionId: action?.id ?? '', typed: '', photoId: null },
      ...{ consumable: '', tool: '', reason: '', notPossible: false, basedOn: 0 },
      cautionsRead: [...(step?.cautions ?? []), ...(action?.cautions ?? [])],
    };
    const answerRule = ['Odile', 'answer-action', bench.answerAction] as const;
    expect(refusedBy(job, answerRule, { tools: [], zone: 'UTC' }, answer)).toMatch(/labels are read at this pump/);
    expect(read(job, 'P-0417#1').parts.length).toBeGreaterThan(3);
    job.rebuild();
    expect(job.difference()).toBeNull();
  });
  test('a shop that reads labels always asks for trays and labels at a pump that stands alone, too', () => {
    const job = new CoreJob(file, { ...wornRing, policies: { labels: 'always' } }).playTo('teardown');
    expect(() => job.teardown()).toThrow();
    lay(job, '1');
    job.move('Odile', 'finish-teardown');
    job.playTo('rebuild');
    expect(() => job.rebuild()).toThrow();
    read(job, 'P-0417#1');
    job.rebuild();
    expect(job.difference()).toBeNull();
  });
  test('a pump that stands alone asks for none', () => {
    const job = new CoreJob(file, wornRing).playTo('test');
    expect(job.record.sheets.filter(({ kind }) => kind === 'tray')).toEqual([]);
  });
});
