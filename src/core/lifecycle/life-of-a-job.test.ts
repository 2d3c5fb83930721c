import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing } from '../../../test-support/core-job';
import { buildFamily, loadFamily } from '../family';
import { present } from '../present';
import type { JobRecord } from '../record';
import { asksOf, gateFor, sayMissing, searchTextOf, standingOf, type EventKind, type Standing } from '.';

/**
 * One job of the overhung pump, and what the floor says of it on the way. The figures are the family's own: 210 min of
 * teardown, 120 of inspection, 330 of rebuild, 120 on the stand; the longest kit takes 5 days, the longest part 6.
 */
const file = loadFamily(f1);
const family = buildFamily(file, {});
const job = () => new CoreJob(file, wornRing);
/** What the floor says; the work ahead has its own test with the plan. */
const standing = ({ record }: { readonly record: JobRecord }) => {
  const { work: _work, standard: _standard, ...said } = standingOf(record, family);
  return said;
};
const remaining = (change: Partial<Standing['remaining']> = {}): Standing['remaining'] => ({
  ...{ benchMinutesBeforeAnswer: 0, answerAwaited: false, partsLeadDays: 0, partsDueOn: null },
  ...{ benchMinutesAfterParts: 0, standMinutes: 0, holdUntil: null },
  ...change,
});
const before = { answerAwaited: true, partsLeadDays: 5, benchMinutesAfterParts: 330, standMinutes: 120 };
const gate = (event: EventKind, record: JobRecord) => gateFor(event, record, family);
const words = (event: EventKind, record: JobRecord) => gate(event, record).map((line) => sayMissing(line).words);

describe('what the floor says of a job', () => {
  test('received: the isolation comes first, and all work lies ahead', () => {
    expect(standing(job())).toEqual({
      holder: 'U',
      asks: [],
      next: { code: 'prepare', what: 'isolation' },
      remaining: remaining({ ...before, benchMinutesBeforeAnswer: 330 }),
    });
  });
  test('in teardown: steps are counted, and the minutes go with them', () => {
    const begun = job().playTo('teardown');
    expect(standing(begun)).toEqual({
      holder: 'B',
      asks: [],
      next: { code: 'teardown', done: 0, of: 10 },
      remaining: remaining({ ...before, benchMinutesBeforeAnswer: 330 }),
    });
    const torn = job().playTo('clean').record;
    const half = { ...torn, station: 'teardown' as const, steps: torn.steps.slice(0, 5) };
    expect(standing({ record: half })).toMatchObject({
      next: { code: 'teardown', done: 5, of: 10 },
      // half of 210, and 120 of inspection
      remaining: { benchMinutesBeforeAnswer: 225 },
    });
  });
  test('in cleaning: hard parts are left, teardown is behind', () => {
    expect(standing(job().playTo('clean'))).toEqual({
      holder: 'B',
      asks: [],
      next: { code: 'clean', left: 15 },
      remaining: remaining({ ...before, benchMinutesBeforeAnswer: 120 }),
    });
  });
  test('in inspection: fifteen points are measured as found, then dispositions are asked for', () => {
    const measured = job().playTo('inspect');
    expect(standing(measured).next).toEqual({ code: 'measure', left: 15, out: null });
    measured.measure('as-found');
    expect(standing(measured)).toEqual({
      holder: 'B',
      asks: [],
      next: { code: 'dispose', open: 1, out: 'Front wear ring bore' },
      remaining: remaining({ ...before, benchMinutesBeforeAnswer: 120 }),
    });
    const unread = { ...measured.record, readings: measured.record.readings.filter((one) => one.place !== 'A:90') };
    expect(standing({ record: unread }).next).toMatchObject({ code: 'measure', out: 'Front wear ring bore' });
  });
  test('at the quote: nothing of the bench lies before the answer', () => {
    expect(standing(job().playTo('quote'))).toEqual({
      holder: 'U',
      asks: [],
      next: { code: 'draw-up-quote' },
      remaining: remaining(before),
    });
  });
  test('at parts: eleven soft parts and the ring, the longest in six days; ordered, they are the supplier’s', () => {
    const bought = job().playTo('parts');
    const after = { benchMinutesAfterParts: 330, standMinutes: 120 };
    expect(standing(bought)).toEqual({
      holder: 'U',
      asks: [],
      next: { code: 'order-parts', parts: 12, longestDays: 6 },
      remaining: remaining({ ...after, partsLeadDays: 6 }),
    });
    const whole = job().playTo('rebuild').record;
    const order = present(whole.orders[0]);
    const open = order.lines.map((line) => ({ ...line, received: 0 }));
    const ordered = { ...whole, station: 'parts' as const, orders: [{ ...order, lines: open }] };
    expect(standing({ record: ordered })).toEqual({
      holder: 'P',
      asks: [],
      next: { code: 'receive-parts', parts: 12, short: null, dueOn: '2026-11-30' },
      remaining: remaining({ ...after, partsDueOn: '2026-11-30' }),
    });
    const unheard = { ...ordered, orders: [{ ...order, lines: open, acknowledgement: null, dueOn: null }] };
    expect(standing({ record: unheard })).toMatchObject({ next: { code: 'await-order', parts: 12 }, holder: 'P' });
    const [seal, ...rest] = order.lines;
    const short = [{ ...present(seal), quantity: 2, received: 1 }, ...rest];
    const wanted = { ...ordered, orders: [{ ...order, lines: short }] };
    expect(standing({ record: wanted }).next).not.toMatchObject({ code: 'order-parts' });
  });
  test('in rebuild: the step is named, the minutes go with the steps, a hold point waits for its second person', () => {
    const { record } = job().playTo('rebuild');
    expect(standing({ record })).toEqual({
      holder: 'B',
      asks: [],
      next: { code: 'rebuild', step: 'Heat and fit the bearings', done: 0, of: 10, isAgain: false },
      remaining: remaining({ benchMinutesAfterParts: 330, standMinutes: 120 }),
    });
    const built = job().playTo('test').record;
    const rebuilt = built.steps.filter((step) => step.phase === 'rebuild');
    const withSteps = (steps: typeof rebuilt) => ({ ...built, station: 'rebuild' as const, steps });
    expect(standing({ record: withSteps(rebuilt.slice(0, 5)) })).toMatchObject({
      next: { code: 'rebuild', step: 'Sleeve and rotary seal', done: 5 },
      remaining: { benchMinutesAfterParts: 165 },
    });
    const unsigned = rebuilt.slice(0, 6).map((step) => ({ ...step, second: null }));
    expect(standing({ record: withSteps(unsigned) }).next).toEqual({
      code: 'sign-hold-point',
      step: 'Sleeve and rotary seal',
    });
    expect(standing({ record: withSteps(rebuilt) })).toMatchObject({
      next: { code: 'measure-as-left', isAgain: false },
      remaining: { benchMinutesAfterParts: 0 },
    });
  });
  test('on the stand, after it, and on its way back', async () => {
    const tested = job().playTo('test');
    expect(standing(tested)).toEqual({
      holder: 'S',
      asks: [],
      next: { code: 'run-test', after: null },
      remaining: remaining({ standMinutes: 120 }),
    });
    await tested.test();
    expect(standing(tested)).toEqual({ holder: 'U', next: { code: 'issue-report' }, asks: [], remaining: remaining() });
    const [run] = tested.record.runs;
    const judged = (change: Partial<typeof run>) => ({
      ...tested.record,
      station: 'test' as const,
      runs: [{ ...present(run), decision: null, ...change }],
    });
    expect(standing({ record: judged({}) }).next).toEqual({ code: 'sign-test', run: 1 });
    expect(standing({ record: judged({ verdict: 'fail' }) }).next).toEqual({ code: 'decide-run', run: 1 });
    expect(standing({ record: judged({ decision: 'failed' }) }).next).toEqual({ code: 'run-test', after: 1 });
    tested.report();
    expect(standing(tested).next).toEqual({ code: 'release', isDeclined: false });
    expect(standing({ record: { ...tested.record, station: 'report' } }).next).toEqual({ code: 'dispatch' });
  });
  test('declined: nothing is left to do but its way back; on hold: until then', () => {
    const { record } = job().playTo('quote');
    const hold = { reason: 'no drawing', holder: 'O' as const, until: '2026-12-24' };
    expect(standing({ record: { ...record, station: 'return', outcome: 'declined', hold } })).toEqual({
      holder: 'O',
      asks: [],
      next: { code: 'held', reason: 'no drawing' },
      remaining: remaining({ holdUntil: '2026-12-24' }),
    });
    expect(standing({ record: { ...record, hold } }).remaining).toEqual(
      remaining({ ...before, holdUntil: '2026-12-24' }),
    );
  });
});

describe('what keeps a gate shut, in words', () => {
  test('at receiving', () => {
    expect(words('begin-teardown', job().record)).toEqual([
      'Energy isolation is not confirmed',
      'The technician has not acknowledged the energy caution',
      'The technician has not acknowledged the liquid and its hazards',
    ]);
  });
  test('after teardown: the last action, step and part', () => {
    const { record } = job().playTo('clean');
    const torn = { ...record, station: 'teardown' as const };
    expect(gate('finish-teardown', torn)).toEqual([]);
    const opened = torn.steps.map((one) => (one.stepId === 'impeller' ? { ...one, state: 'open' as const } : one));
    const answers = torn.answers.filter((one) => one.actionId !== 'nut-hand');
    const { length } = present(family.teardown.find((step) => step.id === 'impeller')).actions;
    expect(gate('finish-teardown', { ...torn, answers, steps: opened })).toEqual([
      {
        ...{ code: 'step', station: 'teardown', anchor: 'step-impeller' },
        about: { step: 'Impeller nut and impeller', left: 1, of: length },
      },
    ]);
    expect(words('finish-teardown', { ...torn, answers, steps: opened })).toEqual([
      `Step “Impeller nut and impeller” is not done, 1 of ${length} actions left`,
    ]);
    expect(words('finish-teardown', { ...torn, steps: torn.steps.filter((one) => one.stepId !== 'seal') })).toEqual([
      'Step “Rotary seal” is not done',
    ]);
    expect(gate('finish-teardown', { ...torn, parts: torn.parts.filter((one) => one.ref !== 'shaft') })).toEqual([
      { code: 'unaccounted', about: { part: 'Shaft' }, station: 'teardown', anchor: 'part-shaft' },
    ]);
  });
  test('after cleaning: each hard part that is here; one that is missing needs none', () => {
    const { record } = job().playTo('inspect');
    const uncleaned = { ...record, steps: record.steps.filter((step) => step.stepId !== 'shaft') };
    expect(gate('finish-cleaning', uncleaned)).toEqual([
      { code: 'uncleaned', about: { part: 'Shaft' }, station: 'clean', anchor: 'clean-shaft' },
    ]);
    const state = (of: 'missing' | 'broken') => ({
      ...uncleaned,
      parts: uncleaned.parts.map((part) => (part.ref === 'shaft' ? { ...part, state: of } : part)),
    });
    expect(gate('finish-cleaning', state('missing'))).toEqual([]);
    expect(gate('finish-cleaning', state('broken'))).toHaveLength(1);
  });
  test('after inspection: critical readings, bad verdicts and what the eye saw', () => {
    const inspected = job().playTo('inspect');
    inspected.measure('as-found');
    const { record } = inspected;
    expect(words('finish-inspection', record)).toEqual(['Front wear ring bore is out and has no disposition']);
    const unread = { ...record, readings: record.readings.filter((one) => one.pointId !== 'seat-bore') };
    expect(words('finish-inspection', unread)[1]).toBe('Seal seat bore: 2 of 2 readings left, or waive with a reason');
    const noHub = { ...record, readings: record.readings.filter((one) => one.pointId !== 'hub-diameter') };
    expect(words('finish-inspection', noHub)[1]).toBe(
      'Ring to hub clearance: follows from two points that are not yet measured in full, or waive with a reason',
    );
    // A ring that never came cannot be measured.
    const gone = {
      ...noHub,
      parts: noHub.parts.map((part) => (part.ref === 'front-ring' ? { ...part, state: 'missing' as const } : part)),
    };
    expect(words('finish-inspection', gone).join()).not.toContain('Ring to hub');
  });
  test('before the stand: each kind of thing, one at a time', () => {
    const { record } = job().playTo('test');
    const built = { ...record, station: 'rebuild' as const };
    const without = (change: Partial<JobRecord>) => words('finish-rebuild', { ...built, ...change });
    expect(without({})).toEqual([]);
    expect(without({ steps: built.steps.filter((one) => one.stepId !== 'deflector-on') })).toEqual([
      'Step “Deflector” is not done',
    ]);
    expect(without({ steps: built.steps.map((one) => ({ ...one, second: null })) })).toEqual([
      'Hold point “Sleeve and rotary seal” needs a second person',
    ]);
    const asLeft = (id: string) => built.readings.filter((one) => !(one.phase === 'as-left' && one.pointId === id));
    expect(without({ readings: asLeft('seat-bore') })).toEqual(['As left: Seal seat bore is not measured']);
    const one = built.readings.filter((reading) => reading.phase === 'as-left' && reading.pointId === 'seat-bore');
    expect(without({ readings: [...asLeft('seat-bore'), present(one[0])] })).toEqual([
      'As left: Seal seat bore is not measured in full',
    ]);
    const wide = one.map((reading) => ({ ...reading, value: 48.1 }));
    expect(without({ readings: [...asLeft('seat-bore'), ...wide] })).toEqual(['As left: Seal seat bore is out']);
    // In another round nothing of this one counts: neither the ten steps nor the readings of the eight critical points.
    expect(without({ runs: [{ decision: 'failed' } as JobRecord['runs'][number]] })).toHaveLength(10 + 8);
  });
  test('before the report: each check, and a run that passed or was accepted', async () => {
    const tested = job().playTo('test');
    expect(words('pass-test', tested.record)).toEqual([
      'Step “Turns freely by hand, no rub” is not done',
      'Step “Static leak test with water, seal and gasket dry for ten minutes” is not done',
      'No run on the stand since the last rebuild',
    ]);
    await tested.test();
    const [run] = tested.record.runs;
    const judged = (change: Partial<typeof run>) =>
      words('pass-test', { ...tested.record, runs: [{ ...present(run), ...change }] });
    expect(judged({})).toEqual([]);
    expect(judged({ verdict: 'fail', decision: null })).toEqual([
      'The run failed: back to rebuild, or a concession with a name',
    ]);
    expect(judged({ verdict: 'fail', decision: 'concession' })).toEqual([]);
    expect(words('fail-test', tested.record)).toEqual(['No run has been judged a failure']);
    expect(words('finish-report', tested.record)).toEqual(['The report is not issued']);
  });
  test('at the answer and the way back', () => {
    const { record } = job().playTo('parts');
    expect(words('accept-quote', record)).toEqual([]);
    expect(words('accept-quote', { ...record, approvals: [] })).toEqual([
      'The customer has not answered this revision',
    ]);
    const returned = { deliveredAt: null } as NonNullable<JobRecord['returned']>;
    expect(words('close', { ...record, outcome: 'declined', returned })).toEqual(['The delivery is not recorded']);
    expect(words('close', { ...record, outcome: 'declined', returned: { ...returned, deliveredAt: 'x' } })).toEqual([]);
  });
});

test('a job waits for its numbers in the order of its steps and points, each with its unit and place', () => {
  const { record } = job().playTo('rebuild');
  const asks = asksOf(record, family);
  const here = { kind: 'action', station: 'rebuild', round: 1 };
  const gap = { label: 'Gap between deflector and bearing cover', unit: 'mm', id: 'deflector-gap-left' };
  expect(asks[0]).toEqual({
    ...{ ...here, label: 'Bearing temperature: Heat and fit the bearings', unit: '°C', id: 'bearings-heat' },
  });
  expect(asks.find((ask) => ask.unit === 'mm')).toEqual({ ...here, ...gap });
  expect(asks.filter((ask) => ask.unit === 'N·m')).toEqual([
    { ...here, label: 'Torque: Impeller and nut', unit: 'N·m', id: 'impeller-on-torque' },
    { ...here, label: 'Torque: Casing', unit: 'N·m', id: 'casing-on-torque' },
  ]);
  expect(asks.find((ask) => ask.kind === 'reading')).toEqual({
    ...{ kind: 'reading', label: 'Front wear ring bore, plane A at 0°', unit: 'mm', station: 'rebuild' },
    ...{ id: 'ring-bore', place: 'A:0' },
  });
  // What is done in this round is not asked for again.
  const built = job().playTo('test').record;
  expect(asksOf({ ...built, station: 'rebuild' }, family)).toEqual([]);
});

test('a job is found by its tag, customer and contact, pump, serial, construction, place, complaint and liquid', () => {
  expect(searchTextOf(job().record, 'Overhung')).toBe(
    'P-0417 Harrowmere Botanical Garden Fern Okonjo Quillmere QB 50-160 QB-22871 Overhung lily house noise pond water',
  );
});
