import f1 from '@families/f1-overhung.json';
import { CoreJob, terms, wornRing } from '../../../test-support/core-job';
import { quote } from '../change';
import { loadFamily } from '../family';
import { standingOf } from '../lifecycle';
import { present } from '../present';
import { currentQuote, type PhotoTaken } from '../record';
import { exampleDisposition, exampleFinding, exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { asId, type FindingId, type PhotoId, type Quote } from '../record';
import { customerOffer, defaultBasis, draftReminder, readyOfWays } from '.';

const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere', telephone: 'Harrowmere 214' };
const script = { ...wornRing, duty: { ...wornRing.duty, powerKw: 3.3 } };
const drawn = () => {
  const job = new CoreJob(loadFamily(f1), script).playTo('quote');
  job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
  return job;
};
const offerOf = (job: CoreJob, change: Partial<Quote> = {}) => {
  const own = { ...present(currentQuote(job.record)), ...change };
  const { remaining } = standingOf(job.record, job.family);
  return customerOffer({
    ...job,
    record: job.record,
    family: job.family,
    quote: own,
    shop,
    remaining,
    today: '2026-11-24',
  });
};

describe('what the customer reads', () => {
  test('says nothing of costs, of hands and of proposals, whatever the line knows', () => {
    const text = JSON.stringify(offerOf(drawn()));
    expect(text).not.toMatch(/unitCostMinor|byHand|proposed|proposalMoved|labourMinorPerHour|basis/);
  });
  test('the worn gap is put as energy and money a year, by the figures of the quote', () => {
    const lost = present(offerOf(drawn()).lost);
    expect(lost.minorYear).toBeCloseTo(lost.kwhYear * 24, 6);
    expect(offerOf(drawn(), { kind: 'supplement' }).lost).toBeNull();
  });
  test('findings on one part with one remedy stand together, with each picture once', () => {
    const photo = (id: string): PhotoTaken => ({
      ...{ id: asId<PhotoId>(id), about: 'part:impeller', caption: '', width: 1, height: 1, fingerprint: '' },
      ...{ personId: null, personName: 'Marek', at: '' },
    });
    const on = (id: string, change: object) =>
      exampleFinding({ id: asId<FindingId>(id), disposition: exampleDisposition('replace'), ...change });
    const record = exampleRecord({
      photos: [photo('one'), photo('two')],
      findings: [
        on('a', { plain: 'pitted at the inlet' }),
        on('b', { plain: 'Cracked.', photoId: asId<PhotoId>('two') }),
        on('c', { plain: 'scaled', disposition: exampleDisposition('clean') }),
        on('d', { plain: 'not decided', disposition: null }),
      ],
    });
    const { family } = drawn();
    const { remaining } = standingOf(record, family);
    const own = exampleQuote([exampleLine()]);
    const { findings } = customerOffer({ record, family, quote: own, shop, remaining, today: '2026-11-24' });
    expect(findings).toEqual([
      { id: 'a', plain: 'Pitted at the inlet. Cracked.', action: 'replace', photos: ['one', 'two'] },
      { id: 'c', plain: 'Scaled.', action: 'clean', photos: ['one', 'two'] },
    ]);
  });
  test('a supplement shows its own finding, and the steps that wait by their names', () => {
    const job = drawn();
    const [step] = job.family.rebuild;
    const finding = present(job.record.findings[0]);
    const supplement = { findingId: finding.id, whyOnlyNow: 'Paint hid it.', stops: [present(step).id, 'gone'] };
    const offer = offerOf(job, { kind: 'supplement', supplement, lines: [exampleLine({ findingIds: [] })] });
    expect(offer.supplement).toEqual({ whyOnlyNow: 'Paint hid it.', stops: [present(step).title] });
    expect(offer.findings).toHaveLength(1);
  });
});

describe('the whole of it', () => {
  const { family } = drawn();
  const line = exampleLine({
    id: asId('l1'),
    key: 'replace:impeller',
    quantity: 2,
    unitPriceMinor: 5000,
    discountPct: 10,
  });
  const struck = exampleLine({ id: asId('l2'), key: 'freight', struckReason: 'they fetch it' });
  const own = exampleQuote([line, struck], {
    ...{ note: 'Ring us.', options: ['minimum', 'recommended'], advised: 'recommended', fingerprint: 'f00' },
  });
  const question = (id: string, quoteId: Quote['id']) => ({ id, quoteId, name: 'Fern', words: `${id}?`, answer: null });
  const approval = (id: string, quoteId: Quote['id']) => ({ id, quoteId, decisions: {}, option: null });
  const other = asId<Quote['id']>('other');
  const record = exampleRecord({
    questions: [question('q1', own.id), question('q2', other)] as never,
    approvals: [approval('a1', own.id), approval('a2', own.id), approval('a3', other)] as never,
    quotes: [own],
  });
  const { remaining } = standingOf(record, family);
  const offer = (change: Partial<Quote> = {}, of = record) =>
    customerOffer({ record: of, family, quote: { ...own, ...change }, shop, remaining, today: '2026-11-24' });

  test('is the pump, the lines that stand, and what was asked and answered of this quote alone', () => {
    const { ready, lines, quote: head, ...rest } = offer();
    expect(rest).toEqual({
      ...{ shop, tag: 'P-0417', pump: { maker: 'Quillmere', model: 'QB 50-160', serial: 'QB-22871' } },
      ...{ equipmentNumber: 'lily house', customer: 'Harrowmere Botanical Garden', contact: 'Fern Okonjo' },
      ...{ whyOut: 'noise', findings: [], changed: null, lost: null, newUnit: null, supplement: null },
      ...{ promisedOn: '2026-12-10', questions: [question('q1', own.id)], approval: approval('a2', own.id) },
    });
    expect(Object.keys(ready)).toContain('as it is');
    // Two at 50.00 less 10 %.
    expect(lines).toEqual([
      {
        ...{ id: 'l1', key: 'replace:impeller', description: line.description, plain: line.plain, quantity: 2 },
        ...{ unit: line.unit, unitPriceMinor: 5000, discountPct: 10, totalMinor: 9000, struckReason: null },
        ...{ declinable: line.declinable, critical: line.critical, options: line.options, instead: line.instead },
        findingIds: line.findingIds,
      },
    ]);
    expect(head).toEqual({
      ...{ id: own.id, kind: 'quote', revision: own.revision, state: own.state, currency: own.currency },
      ...{ taxPct: own.taxPct, discountPct: own.discountPct, validUntil: own.validUntil, fingerprint: 'f00' },
      ...{ options: ['minimum', 'recommended'], advised: 'recommended', note: 'Ring us.', language: 'en' },
    });
  });
  test('without a contact names none; nothing was answered where no answer is of it', () => {
    const bare = exampleRecord({ contact: null, quotes: [own], approvals: [approval('a3', other)] as never });
    expect(offer({}, bare)).toMatchObject({ contact: '', approval: null, questions: [] });
  });
  test('a new unit is held against a whole quote, never against a supplement', () => {
    const basis = { ...defaultBasis, newUnit: { priceMinor: 374000, days: 30 } };
    expect(offer({ basis }).newUnit).toEqual({ priceMinor: 374000, days: 30 });
    expect(offer({ basis, kind: 'supplement' }).newUnit).toBeNull();
    expect(offer({ basis: null }).newUnit).toBeNull();
  });
  test('a picture of another part shows no finding of this one', () => {
    const photo = (id: string, about: string) => ({ id, about, caption: '', width: 1, height: 1, fingerprint: '' });
    const finding = exampleFinding({ id: asId('f'), disposition: exampleDisposition('replace') });
    const seen = exampleRecord({
      findings: [finding],
      photos: [photo('own', 'part:impeller'), photo('other', 'part:shaft'), photo('job', 'job:received')] as never,
    });
    expect(offer({}, seen).findings[0]?.photos).toEqual(['own']);
  });
  test('a supplement shows what its lines come out of and what it was found by, and nothing else', () => {
    const on = (id: string) =>
      exampleFinding({ id: asId(id), partRef: id, plain: id, disposition: exampleDisposition('replace') });
    const found = exampleRecord({ findings: [on('a'), on('b'), on('c')] });
    const lines = [exampleLine({ findingIds: [asId('a')] })];
    const shown = (supplement: Quote['supplement']) =>
      offer({ kind: 'supplement', lines, supplement }, found).findings.map(({ id }) => id);
    expect(shown({ findingId: asId('b'), whyOnlyNow: '', stops: [] })).toEqual(['a', 'b']);
    expect(shown(null)).toEqual(['a']);
  });
});

describe('when each way is ready', () => {
  const remaining = {
    ...{ benchMinutesBeforeAnswer: 0, answerAwaited: true, partsLeadDays: 5, partsDueOn: null },
    ...{ benchMinutesAfterParts: 0, standMinutes: 0, holdUntil: null },
  };
  const family = {
    parts: [{ ref: 'shaft', lead_days: 12 }] as never,
    kits: [{ id: 'seal-kit', lead_days: 4 }] as never,
  };
  const seal = exampleLine({ key: 'buy:seal-kit', parts: [{ ref: 'face', qty: 1 }] });
  const shaft = exampleLine({ key: 'renew:shaft', parts: [{ ref: 'shaft', qty: 1 }], options: ['as new'] });
  test('by the longest lead of what it buys, of a kit as the kit', () => {
    const own = exampleQuote([seal, shaft], { options: ['recommended', 'as new'] });
    const ready = readyOfWays({ remaining, family, quote: own, today: '2026-11-24' });
    // likely: three days for the answer, the lead, one day more; Tuesday 24 Nov + 3 = 27, + 4 + 1 = 2 Dec; + 12 + 1 = 10 Dec
    expect(ready.recommended?.likely).toBe('2026-12-02');
    expect(ready['as new']?.likely).toBe('2026-12-10');
    expect(ready['as new']?.days).toBe(16);
    expect(ready['as it is']?.likely).toBe('2026-11-27');
  });
  test('and by the work that its lines add', () => {
    const work = exampleLine({ key: 'rework:shaft', unit: 'h', quantity: 30, parts: [] });
    const alone = (lines: Quote['lines']) =>
      present(readyOfWays({ remaining, family, quote: exampleQuote(lines), today: '2026-11-24' }).recommended).days;
    expect(alone([work])).toBeGreaterThan(alone([]));
    expect(alone([{ ...work, key: 'work:strip' }])).toBe(alone([]));
  });
});

describe('a reminder', () => {
  const own = exampleQuote([exampleLine()], { sentAt: '2026-11-16T08:00:00.000Z' });
  const draft = (change: Partial<Parameters<typeof draftReminder>[0]> = {}) =>
    draftReminder({
      record: exampleRecord(),
      quote: own,
      today: '2026-11-22',
      afterDays: 7,
      sender: { name: 'Kettlewick', telephone: '', letters: {} },
      ...change,
    });
  test('is due when the shop’s days are over, and not before', () => {
    expect(draft()).toMatchObject({ isDue: false, days: 6 });
    expect(draft({ today: '2026-11-23' })).toMatchObject({ isDue: true, days: 7 });
  });
  test('names a supplement as one; on its last day an offer still stands', () => {
    const supplement = { ...own, kind: 'supplement' as const };
    expect(draft({ quote: supplement })?.words).toContain('we sent you the supplement 1, for your pump');
    expect(draft()?.words).toContain('we sent you the quote, revision 1, for your pump');
    const until = (validUntil: string) => draft({ quote: { ...own, validUntil } })?.words;
    expect(until('2026-11-22')).toContain('The offer is valid until 22 November');
    expect(until('2026-11-21')).toContain('The offer was valid until 21 November');
  });
  test('counts from the last one; another quote’s says nothing', () => {
    const sent = {
      number: 1,
      quoteId: own.id,
      sentTo: 'x',
      words: '',
      personId: null,
      personName: 'Wenna',
      at: '2026-11-23T09:00:00.000Z',
    };
    const reminded = { ...exampleRecord(), reminders: [sent] };
    expect(draft({ record: reminded, today: '2026-11-25' })).toMatchObject({ isDue: false, days: 2 });
    const other = { ...exampleRecord(), reminders: [{ ...sent, quoteId: asId<never>('other') }] };
    expect(draft({ record: other, today: '2026-11-25' })).toMatchObject({ isDue: true, days: 9 });
  });
  test('names the offer, its days and what waits', () => {
    expect(draft({ today: '2026-11-25' })?.words).toBe(
      [
        'Dear Fern Okonjo,',
        '',
        '9 days ago we sent you the quote, revision 1, for your pump Quillmere QB 50-160, serial QB-22871 (our tag P-0417), and have not heard from you.',
        'Until you answer, the pump lies here and nothing is ordered for it.',
        'The offer is valid until 24 December. You can ask us, choose and answer by the link beneath.',
        '',
        'Kettlewick',
      ].join('\n'),
    );
    const late = { ...own, kind: 'supplement' as const, validUntil: '2026-11-20' };
    expect(draft({ quote: late, today: '2026-11-25' })?.words).toContain('supplement 1');
    expect(draft({ quote: late, today: '2026-11-25' })?.words).toContain('was valid until 20 November');
    const nobody = { ...exampleRecord(), contact: null };
    expect(draft({ record: nobody })?.words).toContain('Dear Harrowmere Botanical Garden,');
  });
  test('there is none of what does not wait', () => {
    for (const state of ['draft', 'answered', 'superseded'] as const)
      expect(draft({ quote: { ...own, state } })).toBeNull();
    expect(draft({ quote: { ...own, sentAt: null } })).toBeNull();
  });
});
