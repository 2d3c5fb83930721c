import { lifecycle, quote, receive, report, sheets, type Decider } from '..';
import { packingGaps, packingOf, proposePacking } from '../../dispatch';
import { sayReason } from '../../errors';
import { gateFor, sayMissing } from '../../lifecycle';
import { currentQuote, type EarlierVisit, type JobRecord, type Packing } from '../../record';
import { exampleRecord } from '../../record/example-record';
import { isWarrantyUnjudged, sayTerm, warrantyClaim, warrantyEnd, warrantyTerms, warrantyWords } from '../../warranty';
import { rightPacking } from '../../../../demo/right-packing';
import { CoreJob, shop, terms, wornRing, type Person } from '../../../../test-support/core-job';
import { exampleFamily, exampleFile } from '../../../../test-support/example-view';

/** What a command is refused for, in words; empty where it is taken. */
function refusedBy<Command, Result, Facts>(
  job: CoreJob,
  [by, verb, decider]: readonly [Person, string, Decider<Command, Result, Facts>],
  facts: Facts,
  command: Command,
): string {
  const decided = job.decide(by, [verb, decider], facts, command);
  if (decided.ok) return '';
  const { reason } = decided.refusal.details as { reason?: Parameters<typeof sayReason>[0] };
  return reason ? sayReason(reason) : decided.refusal.code;
}

/** A job whose quote was declined as a whole. */
function declined(): CoreJob {
  const job = new CoreJob(exampleFile, wornRing).playTo('quote');
  const { tag } = job.record;
  job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
  job.act('Ines', ['send-quote', quote.sendQuote], { linkId: 'l', token: 't', origin: 'o' }, null);
  job.act(
    'Ines',
    ['record-approval', quote.recordApproval],
    { approvalId: 'a' },
    {
      ...{ tag, quoteId: null, way: 'telephone', name: 'Fern Okonjo', reference: 'at ten', declinedLines: [] },
      ...{ option: null, criticalConfirmed: true, declineAll: true },
    },
  );
  return job;
}
const packed = (job: CoreJob, change: Partial<Packing> = {}) =>
  job.act('Odile', ['pack', sheets.pack], null, {
    ...{ tag: job.record.tag, basedOn: packingOf(job.record)?.version ?? 0 },
    packing: { ...rightPacking(job.record), ...change },
  });
const fateSaid = (job: CoreJob, fate: 'declined' | 'reassembled' | 'scrapped' | 'donor', basedOn = 0) =>
  job.act('Ines', ['choose-fate', sheets.chooseFate], null, {
    ...{ tag: job.record.tag, basedOn, fate: { fate, saidBy: 'Fern Okonjo', words: 'as you say' } },
  });
const release = (job: CoreJob) => job.act('Ines', ['release-pump', report.releasePump], { warrantyMonths: 12 }, null);
const deliver = (job: CoreJob) =>
  job.act('Ines', ['deliver-pump', report.deliverPump], null, {
    ...{ tag: job.record.tag, deliveredTo: 'stores', deliveredOn: '2026-12-01', signature: 'M1 1L2 2' },
  });

describe('a pump that is not repaired', () => {
  test('goes back as it is, without a warranty', () => {
    const job = declined();
    packed(job);
    release(job);
    deliver(job);
    expect([job.record.outcome, job.record.closedAt !== null, job.record.returned?.warrantyMonths]).toEqual([
      'declined',
      true,
      0,
    ]);
    expect(job.difference()).toBeNull();
  });
  test('goes back reassembled only when somebody has put it together', () => {
    const job = declined();
    fateSaid(job, 'reassembled');
    packed(job);
    expect(refusedBy(job, ['Ines', 'release-pump', report.releasePump], { warrantyMonths: 12 }, null)).toMatch(
      /nobody has put it together again/,
    );
    job.act('Odile', ['reassemble', sheets.reassemble], null, {
      ...{ tag: job.record.tag, basedOn: 1, words: 'without seals, wired shut' },
    });
    release(job);
    deliver(job);
    expect([job.record.outcome, job.record.closedAt !== null]).toEqual(['reassembled', true]);
    expect(job.difference()).toBeNull();
  });
  test.each(['scrapped', 'donor'] as const)('is %s by its owner’s word, and does not leave the house', (fate) => {
    const job = declined();
    fateSaid(job, fate);
    packed(job);
    expect(refusedBy(job, ['Ines', 'release-pump', report.releasePump], { warrantyMonths: 12 }, null)).toMatch(
      /does not leave the house/,
    );
    job.act('Ines', ['close-unreturned', sheets.closeUnreturned], null, null);
    expect([job.record.outcome, job.record.closedAt !== null, job.record.returned]).toEqual([fate, true, null]);
    expect(job.difference()).toBeNull();
  });
  test('is never scrapped without the owner’s word, and the word may change until it is released', () => {
    const job = declined();
    const close = ['Ines', 'close-unreturned', sheets.closeUnreturned] as const;
    expect(refusedBy(job, close, null, null)).toMatch(/goes back to its owner/);
    fateSaid(job, 'scrapped');
    fateSaid(job, 'declined', 1);
    expect(refusedBy(job, close, null, null)).toMatch(/goes back to its owner/);
  });
});

describe('ways back from the return', () => {
  const advance = ['advance-job', lifecycle.advanceJob] as const;
  const back = (job: CoreJob, event: 'reopen-report' | 'reopen-declined') =>
    refusedBy(job, ['Ines', ...advance], null, { tag: job.record.tag, event, reason: 'after all' });
  test('a pump that was declined is repaired after all, until it is released', () => {
    const job = declined();
    expect(back(job, 'reopen-report')).toMatch(/was not repaired/);
    job.act('Ines', advance, null, { tag: job.record.tag, event: 'reopen-declined', reason: 'they rang: repair it' });
    expect([job.record.station, job.record.outcome]).toEqual(['quote', 'open']);
    job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    expect(currentQuote(job.record)).toMatchObject({ revision: 2, state: 'draft' });
    expect(job.difference()).toBeNull();
    const released = declined();
    packed(released);
    release(released);
    expect(back(released, 'reopen-declined')).toMatch(/is released already/);
  });
  test('a repaired pump goes back to its report, and on with its correction', async () => {
    const job = new CoreJob(exampleFile, wornRing);
    await job.play();
    expect(back(job, 'reopen-declined')).toMatch(/is repaired and tested/);
    job.act('Ines', advance, null, { tag: job.record.tag, event: 'reopen-report', reason: 'a wrong hour' });
    expect(job.record.station).toBe('report');
    job.act(
      'Ines',
      ['correct-report', report.correctReport],
      { shop },
      {
        ...{ tag: job.record.tag, whatChanged: 'running hours' },
      },
    );
    expect([job.record.station, job.record.reports.map(({ revision }) => revision)]).toEqual(['return', ['A', 'B']]);
    expect(job.difference()).toBeNull();
  });
});

test('what was written down at receiving is changed with a reason once the pump is opened', () => {
  const job = new CoreJob(exampleFile, wornRing).playTo('inspect');
  const { version, isolation: _isolation, liquidTemperatureC: _t, viscosityMm2S: _v, ...body } = job.record.intake;
  const intake = { ...body, cameWith: [], shims: [], liquidTemperatureC: null, viscosityMm2S: null, runningHours: 7 };
  const command = { tag: job.record.tag, basedOn: version, intake, reason: '' };
  const rule = ['Ines', 'save-intake', receive.saveIntake] as const;
  expect(refusedBy(job, rule, null, command)).toMatch(/say why what was written down at receiving is changed/);
  job.act('Ines', ['save-intake', receive.saveIntake], null, { ...command, reason: 'the meter was read wrongly' });
  expect(job.record.intake.runningHours).toBe(7);
  expect(job.events.at(-1)?.data).toContain('the meter was read wrongly');
});

describe('the packing list', () => {
  test('of a repaired pump asks that every port has its blank, every piece is packed, somebody carries it', async () => {
    const job = new CoreJob(exampleFile, wornRing);
    await job.play();
    const refused = () => refusedBy(job, ['Ines', 'release-pump', report.releasePump], { warrantyMonths: 12 }, null);
    expect(refused()).toMatch(/the packing list is not filled in/);
    packed(job, {
      ...{ blanks: 1, carrier: '' },
      loose: [{ what: 'guard', count: 1, isPacked: false }],
    });
    expect(refused()).toMatch(/1 of 2 ports are blanked, guard is not packed and nobody is named who carries it/);
    packed(job);
    release(job);
    expect(job.record.returned?.packing).toMatch(/2 of 2 ports blanked; shaft blocked with a wooden wedge/);
    deliver(job);
    expect([job.record.returned?.signature, job.record.returned?.warrantyMonths]).toEqual(['M1 1L2 2', 12]);
    expect(job.difference()).toBeNull();
  });
  test('counts no more blanks than ports', () => {
    const job = declined();
    const packing = { ...rightPacking(job.record), ports: 1, blanks: 2 };
    const command = { tag: job.record.tag, basedOn: 0, packing };
    expect(refusedBy(job, ['Odile', 'pack', sheets.pack], null, command)).toMatch(/2 blanks are counted on 1 port/);
  });
  test('proposes what came, its shims, and the parts that were taken out', () => {
    const { intake } = exampleRecord();
    const shims = [{ foot: 'rear left', thicknesses: '0.3' }];
    const record = exampleRecord({ outcome: 'repaired', intake: { ...intake, cameWith: ['key'], shims } });
    expect(proposePacking(record).loose.map(({ what }) => what)).toEqual(['key', 'shim pack, rear left: 0.3']);
    expect(packingGaps(record)).toEqual(['the packing list is not filled in']);
  });
});

describe('a warranty return', () => {
  const earlier = {
    ...{
      tag: 'P-0388' as JobRecord['tag'],
      openedAt: '2026-02-01T08:00:00.000Z',
      closedAt: '2026-03-01T08:00:00.000Z',
    },
    ...{ outcome: 'repaired' as const, reportNumber: 'R-2026-0007', warrantyUntil: '2027-03-01' },
  } satisfies EarlierVisit;
  /** A job that came back, at its inspection with its ring decided. */
  function cameBack(station: 'inspect' | 'quote' = 'quote') {
    const job = new CoreJob(exampleFile, wornRing);
    job.record = { ...job.record, earlierVisits: [earlier] };
    return job.playTo(station);
  }
  const judge = (job: CoreJob, judgement: 'ours' | 'theirs' | 'shared', sharePct: number, basedOn = 0) => {
    const warranty = { earlierTag: 'P-0388', judgement, sharePct, reason: 'our seal was set too long' };
    return ['Ines', { tag: job.record.tag, basedOn, warranty }] as const;
  };
  // Ends of months are counted on the calendar.
  test.each([
    ['2026-01-31', 1, '2026-02-28'],
    ['2024-01-31', 1, '2024-02-29'],
    ['2026-08-31', 6, '2027-02-28'],
    ['2026-12-01', 12, '2027-12-01'],
    ['2026-05-15', 24, '2028-05-15'],
  ])('a warranty from %s over %d months ends on %s', (from, months, end) =>
    expect(warrantyEnd(from, months)).toBe(end),
  );
  test.each([
    ['2027-03-01T08:00:00.000Z', 'P-0388'],
    ['2027-03-02T08:00:00.000Z', undefined],
  ])('of a pump that came on %s is of %s', (openedAt, tag) =>
    expect(warrantyClaim(exampleRecord({ openedAt, earlierVisits: [earlier] }))?.tag).toBe(tag),
  );
  test('is none of a pump that was not repaired the last time', () =>
    expect(warrantyClaim(exampleRecord({ earlierVisits: [{ ...earlier, outcome: 'declined' }] }))).toBeNull());
  test('that is ours makes a quote of nothing, with its reason for the customer', () => {
    const job = cameBack();
    const [by, command] = judge(job, 'ours', 100);
    job.act(by, ['judge-warranty', sheets.judgeWarranty], null, command);
    job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    const drawn = currentQuote(job.record);
    expect([drawn?.discountPct, drawn?.note]).toEqual([
      100,
      'It came back within the warranty of our job P-0388. We bear all of it: our seal was set too long',
    ]);
  });
  test('that is shared takes a share off, also off a draft that is there', () => {
    const job = cameBack();
    job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    const [by, command] = judge(job, 'shared', 40);
    job.act(by, ['judge-warranty', sheets.judgeWarranty], null, command);
    expect(currentQuote(job.record)?.discountPct).toBe(40);
    expect(job.difference()).toBeNull();
  });
  test('goes to no customer before it is judged', () => {
    const job = cameBack();
    job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    expect(isWarrantyUnjudged(job.record)).toBe(true);
    expect(gateFor('send-quote', job.record, job.family).map((line) => sayMissing(line).words)).toContain(
      'It came back within its warranty, and nobody has judged whose fault it is',
    );
  });
  test.each([
    ['ours', 50],
    ['theirs', 10],
    ['shared', 0],
    ['shared', 100],
  ] as const)('%s does not go with %d %%', (judgement, sharePct) => {
    const job = cameBack('inspect');
    const [by, command] = judge(job, judgement, sharePct);
    expect(refusedBy(job, [by, 'judge-warranty', sheets.judgeWarranty], null, command)).toMatch(/does not go with/);
  });
  test('that is none cannot be judged', () => {
    const job = new CoreJob(exampleFile, wornRing).playTo('inspect');
    const [by, command] = judge(job, 'ours', 100);
    expect(refusedBy(job, [by, 'judge-warranty', sheets.judgeWarranty], null, command)).toMatch(
      /did not come back within the warranty/,
    );
  });
  test('that is theirs says so to the customer', () =>
    expect(warrantyWords({ earlierTag: 'P-0388', judgement: 'theirs', sharePct: 0, reason: 'it ran dry' })).toBe(
      'It came back within the warranty of our job P-0388, which does not cover it: it ran dry',
    ));
});

test('the warranty of a repaired pump goes by the source of each part', async () => {
  const job = new CoreJob(exampleFile, {
    ...wornRing,
    seen: ['bracket', 'paint off', 'reuse as it is', 'looks only'],
  });
  await job.play();
  const said = warrantyTerms(job.record, exampleFamily, 12).map((term) => sayTerm(term));
  expect(said.find((line) => line.startsWith('parts bought new'))).toMatch(/Front wear ring.*: 12 months$/);
  expect(said).toContain('parts kept (Bearing bracket): none');
  expect(warrantyTerms({ ...job.record, outcome: 'declined' }, exampleFamily, 12)).toEqual([]);
});

test('ways that are not this station’s are refused', () => {
  const job = new CoreJob(exampleFile, wornRing).playTo('inspect');
  expect(
    refusedBy(job, ['Odile', 'pack', sheets.pack], null, {
      ...{ tag: job.record.tag, basedOn: 0, packing: rightPacking(job.record) },
    }),
  ).toMatch(/is at Inspect/);
});
