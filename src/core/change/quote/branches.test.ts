import { orderOfAll } from '../../../../test-support/order-facts';
import f1 from '@families/f1-overhung.json';
import { loadFamily } from '../../family';
import { present } from '../../present';
import { approvedLines, needsOf } from '../../supply';
import {
  asId,
  currentQuote,
  openSupplements,
  supplementsOf,
  type Action,
  type PhotoId,
  type Quote,
  type QuoteId,
} from '../../record';
import { standingOf } from '../../lifecycle';
import { partsAtRisk } from '../../quoting';
import { CoreJob, terms, wornRing, type JobScript, type Person } from '../../../../test-support/core-job';
import { bench, lifecycle, supply, quote, type Decider } from '..';

/** A repair that branches: what is declined against advice, what is found later, what is asked, and what goes back. */
const file = loadFamily(f1);
const script: JobScript = { ...wornRing, seen: ['impeller', 'pitted inlet edges', 'replace', 'past use'] };
const jobAt = (station: Parameters<CoreJob['playTo']>[0], change: Partial<JobScript> = {}) =>
  new CoreJob(file, { ...script, ...change }).playTo(station);
const link = (id: string) => ({ linkId: id, token: `token-${id}`, origin: 'o' });
/** Why a command is refused; null where it is taken. */
function refusalOf<Command, Facts>(
  job: CoreJob,
  [verb, decider]: readonly [string, Decider<Command, unknown, Facts>],
  facts: Facts,
  command: Command,
  by: Person = 'Ines',
) {
  const decided = job.decide(by, [verb, decider], facts, command);
  return decided.ok ? null : decided.refusal.details.reason?.code;
}

const drawn = (job: CoreJob) => {
  job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
  return present(currentQuote(job.record));
};
const sent = (job: CoreJob) => {
  drawn(job);
  job.act('Ines', ['send-quote', quote.sendQuote], link(`l${job.ids}`), null);
  return present(currentQuote(job.record));
};
const said = (job: CoreJob, change: object = {}) => ({
  ...{ tag: job.record.tag, quoteId: null, way: 'telephone' as const, name: 'Fern Okonjo', reference: 'at ten' },
  ...{ declinedLines: [], declineAll: false, option: null, criticalConfirmed: false },
  ...change,
});
const record = ['record-approval', quote.recordApproval] as const;
const answer = (job: CoreJob, change: object = {}) =>
  job.act('Ines', record, { approvalId: `a${job.ids++}` }, said(job, change));
const lineOf = ({ lines }: Quote, words: string) =>
  present(lines.find(({ description }) => description.includes(words)));

describe('options', () => {
  test('a worn ring is left in the least: two options, each with its lines', () => {
    const offered = drawn(jobAt('quote'));
    expect(offered.options).toEqual(['minimum', 'recommended']);
    expect(lineOf(offered, 'Front wear ring')).toMatchObject({
      options: ['recommended', 'as new'],
      instead: 'stays worn',
    });
    expect(lineOf(offered, 'Impeller')).toMatchObject({ options: [], critical: true });
  });
  test('an answer says which; the lines that it leaves out are not chosen, and nothing is bought for them', () => {
    const job = jobAt('quote');
    sent(job);
    expect(refusalOf(job, record, { approvalId: 'a' }, said(job))).toBe('option-wanted');
    expect(refusalOf(job, record, { approvalId: 'a' }, said(job, { option: 'as new' }))).toBe('option-not-offered');
    answer(job, { option: 'minimum' });
    const [approval] = job.record.approvals;
    const ring = lineOf(present(job.record.quotes.at(-1)), 'Front wear ring');
    expect(approval?.option).toBe('minimum');
    expect(approval?.decisions[ring.id]).toBe('not chosen');
    expect(approval?.text).toContain('Left out of this option: Front wear ring');
    expect(needsOf(job.record, job.family).some(({ ref }) => ref === 'front-ring')).toBe(false);
  });
  test('a line outside the chosen option cannot be declined in it', () => {
    const job = jobAt('quote');
    const ring = lineOf(sent(job), 'Front wear ring');
    const odd = said(job, { option: 'minimum', declinedLines: [ring.id] });
    expect(refusalOf(job, record, { approvalId: 'a' }, odd)).toBe('line-not-in-quote');
  });
  test('one option alone may be offered, and needs no choice', () => {
    const job = jobAt('quote');
    const { id: quoteId, version } = drawn(job);
    const change = ['change-quote', quote.changeQuote] as const;
    const command = { tag: job.record.tag, quoteId, basedOn: version };
    const facts = { shopRateMinor: 6800 };
    expect(refusalOf(job, change, facts, { ...command, options: ['as new'] })).toBe('option-of-no-line');
    expect(refusalOf(job, change, facts, { ...command, options: ['minimum'] })).toBe('advised-not-offered');
    job.act('Ines', change, facts, { ...command, options: ['recommended'], note: 'As we said.' });
    job.act('Ines', ['send-quote', quote.sendQuote], link('one'), null);
    answer(job);
    expect(job.record.approvals[0]).toMatchObject({ option: 'recommended' });
    expect(approvedLines(job.record).some(({ description }) => description.includes('Front wear ring'))).toBe(true);
  });
});

describe('what stands once for a draft', () => {
  const change = ['change-quote', quote.changeQuote] as const;
  test('a rate for one quote goes into the labour that nobody changed', () => {
    const job = jobAt('quote');
    const first = drawn(job);
    const [strip] = first.lines.filter(({ kind }) => kind === 'labour');
    const own = { description: 'Teardown', quantity: 2, unitPriceMinor: 5000 };
    job.act('Ines', ['change-line', quote.changeLine], null, {
      tag: job.record.tag,
      lineId: present(strip).id,
      basedOn: 1,
      ...own,
    });
    const command = { tag: job.record.tag, quoteId: first.id, basedOn: 2 };
    job.act('Ines', change, { shopRateMinor: 6800 }, { ...command, labourMinorPerHour: 7200, discountPct: 3 });
    const labour = present(job.record.quotes.at(-1)).lines.filter(({ kind }) => kind === 'labour');
    expect(labour.map(({ unitPriceMinor }) => unitPriceMinor)).toEqual([5000, 7200, 7200]);
    // The next revision keeps rate, discount and the line by hand.
    const second = drawn(job);
    expect(second).toMatchObject({ labourMinorPerHour: 7200, discountPct: 3, revision: 2 });
    expect(second.lines.filter(({ kind }) => kind === 'labour').map(({ unitPriceMinor }) => unitPriceMinor)).toEqual([
      ...[5000, 7200, 7200],
    ]);
    const back = { ...command, quoteId: second.id, basedOn: 1 };
    job.act('Ines', change, { shopRateMinor: 6800 }, { ...back, labourMinorPerHour: null });
    expect(
      present(job.record.quotes.at(-1)).lines.filter(({ byHand, kind }) => kind === 'labour' && !byHand)[0],
    ).toMatchObject({ unitPriceMinor: 6800 });
  });
  test('an offer is not valid until a day that is past', () => {
    const job = jobAt('quote');
    const { id: quoteId } = drawn(job);
    const past = { tag: job.record.tag, quoteId, basedOn: 1, validUntil: '2026-11-01' };
    expect(refusalOf(job, change, { shopRateMinor: 1 }, past)).toBe('valid-until-past');
  });
  test('a price below nothing is a discount, and a discount is below nothing', () => {
    const job = jobAt('quote');
    drawn(job);
    const add = ['add-line', quote.addLine] as const;
    const line = {
      ...{ tag: job.record.tag, quoteId: null, basedOn: 1, description: 'x', plain: '', quantity: 1, unit: 'pc' },
      ...{ options: [], instead: '', unitCostMinor: null },
    };
    expect(refusalOf(job, add, null, { ...line, kind: 'outside', unitPriceMinor: -1 })).toBe('price-below-nothing');
    expect(refusalOf(job, add, null, { ...line, kind: 'discount', unitPriceMinor: 1 })).toBe('discount-above-nothing');
    expect(refusalOf(job, add, null, { ...line, kind: 'discount', unitPriceMinor: -100 })).toBeNull();
  });
});

describe('something critical is declined', () => {
  const settle = ['settle-decline', quote.settleDecline] as const;
  const order = ['order-parts', supply.orderParts] as const;
  const declined = () => {
    const job = jobAt('quote');
    const wheel = lineOf(sent(job), 'Impeller');
    const odd = said(job, { option: 'recommended', declinedLines: [wheel.id] });
    expect(refusalOf(job, record, { approvalId: 'a' }, odd)).toBe('critical-declined');
    answer(job, { option: 'recommended', declinedLines: [wheel.id], criticalConfirmed: true });
    return job;
  };
  const buy = (job: CoreJob) => refusalOf(job, order, orderOfAll(job), { tag: job.record.tag, atRisk: null });
  test('nothing is ordered before the shop says what it does; on, with the disclaimer under a name', () => {
    const job = declined();
    expect(standingOf(job.record, job.family)).toMatchObject({
      next: { code: 'settle-decline' },
      asks: [{ code: 'decline' }],
    });
    expect(buy(job)).toBe('decline-unsettled');
    job.act('Ines', settle, null, { tag: job.record.tag, decision: 'go on', words: 'Not to be run unwatched.' });
    expect(job.record.declines).toMatchObject([
      { decision: 'go on', personName: 'Ines', words: 'Not to be run unwatched.' },
    ]);
    expect(buy(job)).toBeNull();
    expect(refusalOf(job, settle, null, { tag: job.record.tag, decision: 'go on', words: 'again' })).toBe(
      'no-decline-to-settle',
    );
    expect(job.record.approvals[0]?.text).toContain('Declined though the pump may fail without it');
  });
  test('or back as it is', () => {
    const job = declined();
    job.act('Ines', settle, null, { tag: job.record.tag, decision: 'return as it is', words: 'too dear' });
    expect(job.record).toMatchObject({ station: 'return', outcome: 'declined' });
  });
  test('where everything is declined the pump goes back anyway, and nothing is left to settle', () => {
    const job = jobAt('quote');
    sent(job);
    answer(job, { declineAll: true });
    expect(job.record).toMatchObject({ station: 'return', outcome: 'declined' });
    expect(refusalOf(job, settle, null, { tag: job.record.tag, decision: 'go on', words: 'x' })).toBe(
      'no-decline-to-settle',
    );
  });
});

describe('an answer by telephone is put right', () => {
  const correct = ['correct-approval', quote.correctApproval] as const;
  const { quoteId: _quote, ...base } = said(jobAt('receive'));
  test('until something is ordered by it: the earlier one stays, the later one counts', () => {
    const job = jobAt('quote');
    sent(job);
    answer(job, { option: 'recommended' });
    const command = { ...base, option: 'minimum' as const, reference: 'at eleven', reason: 'misheard' };
    job.act('Ines', correct, { approvalId: 'b' }, command);
    expect(job.record.approvals.map(({ option, corrects }) => [option, corrects])).toEqual([
      ['recommended', null],
      ['minimum', 'misheard'],
    ]);
    expect(needsOf(job.record, job.family).some(({ ref }) => ref === 'front-ring')).toBe(false);
    job.act('Bram', ['order-parts', supply.orderParts], orderOfAll(job), { tag: job.record.tag, atRisk: null });
    expect(refusalOf(job, correct, { approvalId: 'c' }, command)).toBe('ordered-by-answer');
  });
  test('one that was signed by the link stands', () => {
    const job = jobAt('quote');
    const { id: quoteId } = sent(job);
    const own = { quoteId, name: 'Fern', declinedLines: [], declineAll: false, option: 'recommended' as const };
    job.act(
      'Ines',
      ['answer-quote', quote.answerQuote],
      { approvalId: 'a' },
      { ...own, criticalConfirmed: false, signature: 'typed' },
    );
    expect(refusalOf(job, correct, { approvalId: 'b' }, { ...base, reason: 'x', option: 'minimum' as const })).toBe(
      'answered-by-link',
    );
  });
  test('put right to a refusal of all, the pump goes back', () => {
    const job = jobAt('quote');
    sent(job);
    answer(job, { option: 'recommended' });
    job.act('Ines', correct, { approvalId: 'b' }, { ...base, declineAll: true, reason: 'they rang again' });
    expect(job.record).toMatchObject({ station: 'return', outcome: 'declined' });
  });
});

const later = ['find-later', quote.findLater] as const;
const found = (job: CoreJob, change: { action?: Action; stops?: string[]; partRef?: string } = {}) => ({
  ...{ tag: job.record.tag, partRef: 'bracket', words: 'crack in the foot', plain: '', whyOnlyNow: 'Paint hid it.' },
  ...{ photoId: null, action: 'replace' as Action, reason: '' },
  ...change,
});
const findLater = (job: CoreJob, change = {}, by: Person = 'Odile') =>
  job.act(by, later, { terms, approvalId: `limit${job.ids++}` }, found(job, change));

describe('something is found later', () => {
  test('before the quote is sent it is a finding, and goes into the quote', () => {
    const job = jobAt('quote');
    expect(findLater(job)).toMatchObject({ supplement: null, quoteId: null, isApproved: false });
    expect(lineOf(drawn(job), 'Bearing bracket')).toMatchObject({ kind: 'part', critical: true });
  });
  test('after that it makes a supplement: finding, lines, and the steps that wait', () => {
    const job = jobAt('rebuild');
    const { findingId, supplement, isApproved } = findLater(job);
    expect([supplement, isApproved]).toEqual([1, false]);
    const [own] = supplementsOf(job.record);
    expect(own).toMatchObject({ state: 'draft', supplement: { findingId, whyOnlyNow: 'Paint hid it.' } });
    expect(own?.lines.map(({ parts: bought }) => bought[0]?.ref)).toContain('bracket');
    expect(own?.supplement?.stops.length).toBeGreaterThan(0);
    expect(job.record.findings.find(({ id }) => id === findingId)?.disposition?.action).toBe('replace');
    expect(job.record.station).toBe('rebuild');
  });
  test('the step that needs it waits, the rest goes on; the floor knows of it', () => {
    const job = jobAt('rebuild');
    const [first] = job.family.rebuild;
    const step = present(first);
    findLater(job, { stops: [step.id] });
    const [action] = step.actions;
    const command = {
      ...{ tag: job.record.tag, phase: 'rebuild' as const, actionId: present(action).id, typed: 'yes', consumable: '' },
      ...{ tool: '', reason: '', photoId: null, notPossible: false, basedOn: 0 },
      cautionsRead: [...step.cautions, ...present(action).cautions],
    };
    const doIt = ['answer-action', bench.answerAction] as const;
    const facts = { tools: [], zone: 'UTC' };
    expect(refusalOf(job, doIt, facts, command, 'Odile')).toBe('supplement-first');
    const standing = standingOf(job.record, job.family);
    expect(standing.asks).toEqual([{ code: 'supplement', number: 1, isSent: false, stops: 1 }]);
    expect(standing.remaining.answerAwaited).toBe(true);
    const [open] = openSupplements(job.record);
    job.act('Ines', ['withdraw-supplement', quote.withdrawSupplement], null, {
      ...{ tag: job.record.tag, quoteId: present(open).id, reason: 'only a scratch' },
    });
    expect(openSupplements(job.record)).toEqual([]);
    expect(refusalOf(job, doIt, facts, command, 'Odile')).not.toBe('supplement-first');
  });
  test('sent, approved by telephone, its part is needed, and the quote’s own answer stands', () => {
    const job = jobAt('rebuild');
    const { quoteId } = findLater(job);
    const before = approvedLines(job.record).length;
    job.act('Ines', ['send-supplement', quote.sendSupplement], link('s'), {
      tag: job.record.tag,
      quoteId: present(quoteId),
      basedOn: 1,
    });
    expect(job.record.links.at(-1)).toMatchObject({ quoteId });
    answer(job, { quoteId });
    expect(approvedLines(job.record).length).toBeGreaterThan(before);
    expect(needsOf(job.record, job.family)).toContainEqual(expect.objectContaining({ ref: 'bracket', ordered: 0 }));
    expect(job.record.station).toBe('rebuild');
    expect(standingOf(job.record, job.family).asks).toEqual([{ code: 'order', parts: 1 }]);
  });
  test('declined though it is critical, it is settled before the rebuild is done; back as it is from the bench', () => {
    const job = jobAt('rebuild');
    const { quoteId } = findLater(job);
    job.act('Ines', ['send-supplement', quote.sendSupplement], link('s'), {
      tag: job.record.tag,
      quoteId: present(quoteId),
      basedOn: 1,
    });
    expect(refusalOf(job, record, { approvalId: 'a' }, said(job, { quoteId, declineAll: true }))).toBe(
      'critical-declined',
    );
    answer(job, { quoteId, declineAll: true, criticalConfirmed: true });
    expect(standingOf(job.record, job.family).asks).toEqual([{ code: 'decline' }]);
    job.act('Ines', ['settle-decline', quote.settleDecline], null, {
      ...{ tag: job.record.tag, decision: 'return as it is', words: 'not worth it' },
    });
    expect(job.record).toMatchObject({ station: 'return', outcome: 'declined' });
  });
  test('below the limit that was agreed it is approved at once, under that name, until the limit is used up', () => {
    const job = jobAt('rebuild');
    const agree = ['agree-limit', quote.agreeLimit] as const;
    const command = { tag: job.record.tag, limitMinor: 20000, saidBy: 'Fern Okonjo', forAll: false, basedOn: 0 };
    job.act('Ines', agree, null, command);
    expect(refusalOf(job, agree, null, command)).toBe('other-said');
    // A key costs a few euros; a bracket goes beyond what is left of 200.
    expect(findLater(job, { partRef: 'impeller-key' })).toMatchObject({ isApproved: true });
    expect(job.record.approvals.at(-1)).toMatchObject({ way: 'agreed limit', name: 'Fern Okonjo' });
    expect(openSupplements(job.record)).toEqual([]);
    expect(findLater(job, { partRef: 'bracket' })).toMatchObject({ isApproved: false, supplement: 2 });
  });
  test('a part or a step that is none is refused, and so is a picture of another job', () => {
    const job = jobAt('rebuild');
    const facts = { terms, approvalId: 'x' };
    expect(refusalOf(job, later, facts, found(job, { partRef: 'rotor' }))).toBe('unknown-part');
    expect(refusalOf(job, later, facts, found(job, { stops: ['no-step'] }))).toBe('unknown-step');
    expect(refusalOf(job, later, facts, { ...found(job), photoId: asId<PhotoId>('other') })).toBe(
      'picture-of-another-job',
    );
    expect(refusalOf(jobAt('teardown'), later, facts, found(job))).toBe('other-station');
  });
  test('a revision drawn up later does not offer a supplement’s finding again', () => {
    const job = jobAt('quote');
    sent(job);
    findLater(job);
    job.move('Ines', 'revise-quote');
    const again = drawn(job);
    expect(again.lines.some(({ parts: bought }) => bought.some(({ ref }) => ref === 'bracket'))).toBe(false);
    job.act('Ines', ['send-quote', quote.sendQuote], link('again'), null);
    expect(job.record.station).toBe('approve');
  });
});

describe('questions and reminders', () => {
  const ask = ['ask-question', quote.askQuestion] as const;
  const reply = ['answer-question', quote.answerQuestion] as const;
  test('a question stays on the job until it is answered, once', () => {
    const job = jobAt('quote');
    const { id: quoteId } = sent(job);
    job.act('Ines', ask, { questionId: 'q1' }, { quoteId, name: 'Hesper', words: 'Can the sleeve wait?' });
    expect(standingOf(job.record, job.family).asks).toEqual([{ code: 'question', count: 1 }]);
    const command = { tag: job.record.tag, questionId: 'q1', words: 'It can.' };
    job.act('Ines', reply, null, command);
    expect(job.record.questions[0]?.answer).toMatchObject({ words: 'It can.', personName: 'Ines' });
    expect(refusalOf(job, reply, null, command)).toBe('question-answered');
    expect(refusalOf(job, reply, null, { ...command, questionId: 'none' })).toBe('unknown-question');
    expect(standingOf(job.record, job.family).asks).toEqual([]);
  });
  test('ten that wait are enough, and a draft is no quote to ask about', () => {
    const job = jobAt('quote');
    const draft = drawn(job);
    const question = { name: 'Hesper', words: 'why?' };
    expect(refusalOf(job, ask, { questionId: 'q' }, { ...question, quoteId: draft.id })).toBe('no-quote-waiting');
    const { id: quoteId } = sent(job);
    for (let i = 0; i < 10; i++) job.act('Ines', ask, { questionId: `q${i}` }, { ...question, quoteId });
    expect(refusalOf(job, ask, { questionId: 'q' }, { ...question, quoteId })).toBe('questions-open');
  });
  test('a reminder goes to the contact with a link of its own; where nothing waits there is none', () => {
    const job = jobAt('quote');
    const remind = ['send-reminder', quote.sendReminder] as const;
    const command = { tag: job.record.tag, quoteId: null as QuoteId | null, words: 'Dear Fern' };
    expect(refusalOf(job, remind, link('r'), command)).toBe('no-quote-waiting');
    sent(job);
    expect(job.act('Ines', remind, link('r'), command)).toEqual({ number: 1 });
    expect(job.record.reminders).toMatchObject([{ number: 1, sentTo: 'fern@garden.example', words: 'Dear Fern' }]);
    expect(job.record.links.at(-1)).toMatchObject({ id: 'r', revokedAt: null });
  });
});

describe('at risk, before the answer', () => {
  const order = ['order-parts', supply.orderParts] as const;
  const facts = orderOfAll;
  const policies = { 'parts before approval': 'at risk' } as const;
  test('up to a value that somebody allows; counted until the answer', () => {
    const job = jobAt('quote', { policies });
    sent(job);
    const { tag } = job.record;
    const atRisk = (limitMinor: number) => ({ tag, atRisk: { limitMinor, reason: 'fifteen days of lead' } });
    expect(refusalOf(job, order, facts(job), atRisk(100))).toBe('at-risk-above');
    const risk = present(partsAtRisk(job.record, job.family));
    // By hand: every part of the order at its list price.
    job.act('Bram', order, facts(job), atRisk(1_000_000));
    const value = present(job.record.orders[0]).atRiskMinor;
    const priceOf = (ref: string) => present(job.family.parts.find((part) => part.ref === ref)).price_minor;
    const { lines } = present(job.record.orders[0]);
    expect(value).toBe(lines.reduce((sum, line) => sum + line.quantity * priceOf(line.partRef), 0));
    expect([risk.valueMinor, risk.needs.length]).toEqual([value, lines.length]);
    expect(risk.longestDays).toBe(15);
    expect(standingOf(job.record, job.family).asks).toEqual([{ code: 'at-risk', minor: value }]);
    answer(job, { option: 'recommended' });
    // What was ordered at risk counts as ordered, and the risk is over.
    expect(needsOf(job.record, job.family).every(({ ordered, quantity }) => ordered >= quantity)).toBe(true);
    expect(standingOf(job.record, job.family).asks).toEqual([]);
  });
  test('not without a quote, and not after the answer', () => {
    const job = jobAt('quote', { policies });
    const atRisk = { tag: job.record.tag, atRisk: { limitMinor: 1, reason: 'x' } };
    expect(refusalOf(job, order, facts(job), atRisk)).toBe('no-draft');
    expect(refusalOf(jobAt('parts'), order, facts(jobAt('parts')), atRisk)).toBe('other-station');
  });
  test('never in a shop that orders nothing before approval, unless a limit is agreed with the customer', () => {
    const job = jobAt('quote');
    sent(job);
    const { tag } = job.record;
    const atRisk = { tag, atRisk: { limitMinor: 1_000_000, reason: 'fifteen days of lead' } };
    expect(refusalOf(job, order, facts(job), atRisk)).toBe('at-risk-never');
    const agreed = { tag, limitMinor: 50_000, saidBy: 'Fern Okonjo, by telephone', forAll: false, basedOn: 0 };
    job.act('Ines', ['agree-limit', quote.agreeLimit], null, agreed);
    expect(refusalOf(job, order, facts(job), atRisk)).toBeNull();
  });
});

describe('ways back', () => {
  const advance = ['advance-job', lifecycle.advanceJob] as const;
  test.each([
    ['clean', 'reopen-teardown', 'teardown'],
    ['inspect', 'reopen-cleaning', 'clean'],
    ['quote', 'reopen-inspection', 'inspect'],
    ['parts', 'reopen-quote', 'quote'],
    ['rebuild', 'reopen-parts', 'parts'],
    ['test', 'reopen-rebuild', 'rebuild'],
  ] as const)('from %s %s asks why, leads to %s, and what was recorded stays', (station, event, to) => {
    const job = jobAt(station);
    const { tag, readings, findings, answers } = job.record;
    expect(refusalOf(job, advance, null, { tag, event, reason: '' })).toBe('way-back-reason');
    job.act('Ines', advance, null, { tag, event, reason: 'a second look' });
    expect(job.record.station).toBe(to);
    expect([job.record.readings, job.record.findings, job.record.answers]).toEqual([readings, findings, answers]);
    expect(job.events.at(-1)).toMatchObject({ kind: event });
    expect(job.events.at(-1)?.data).toContain('a second look');
  });
});

test('a whole repair with a supplement ends in what its events say', () => {
  const job = jobAt('rebuild');
  const { quoteId } = findLater(job);
  job.act('Ines', ['send-supplement', quote.sendSupplement], link('s'), {
    tag: job.record.tag,
    quoteId: present(quoteId),
    basedOn: 1,
  });
  answer(job, { quoteId });
  expect(job.difference()).toBeNull();
});
