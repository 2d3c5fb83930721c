import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing } from '../../../test-support/core-job';
import { loadFamily } from '../family';
import { present } from '../present';
import { exampleDisposition, exampleFinding, exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { asId, type Finding, type JobRecord, type Station } from '../record';
import { gateFor, type EventKind } from '.';

/** Each thing that keeps a gate shut, whole: its code, what it is about, and the place on the sheet that opens it. */
const file = loadFamily(f1);
const job = () => new CoreJob(file, wornRing);
const { family } = job();
const gate = (event: EventKind, record: JobRecord) => gateFor(event, record, family);
const line = (station: Station, anchor: string, code: string, about?: object) => ({ station, anchor, code, about });

test('at receiving each thing leads to its place on the receiving sheet', () => {
  const { record } = job();
  const bare = { ...record, intake: { ...record.intake, liquid: ' ', cleaning: 'none' as const } };
  expect(gate('begin-teardown', bare)).toEqual([
    line('receive', 'liquid', 'preparation', { what: 'liquid' }),
    line('receive', 'liquid', 'preparation', { what: 'cleaning-paper' }),
    line('receive', 'isolation', 'preparation', { what: 'isolation' }),
    line('receive', 'cautions', 'preparation', { what: 'energy-caution' }),
    line('receive', 'cautions', 'preparation', { what: 'liquid-caution' }),
  ]);
});

describe('inspection', () => {
  const measured = job().playTo('inspect');
  measured.measure('as-found');
  const { record } = measured;
  const title = 'Front wear ring bore';
  const undisposed = (verdict = 'out') => line('inspect', 'point-ring-bore', 'undisposed', { point: title, verdict });
  const without = (id: string, place?: string) =>
    record.readings.filter((one) => one.pointId !== id || (place !== undefined && one.place !== place));
  const at = (id: string) => gate('finish-inspection', { ...record, readings: without(id) });
  const finding = (change: Partial<Finding>) => exampleFinding({ kind: 'point', pointId: 'ring-bore', ...change });
  const found = (...findings: readonly Finding[]) => gate('finish-inspection', { ...record, findings });

  test('asks for the readings of a critical point that are left, at the point', () => {
    const readings = { point: 'Seal seat bore', of: 2 };
    expect(at('seat-bore')).toContainEqual(line('inspect', 'point-seat-bore', 'readings', { ...readings, left: 2 }));
    expect(gate('finish-inspection', { ...record, readings: without('seat-bore', 'A:0') })).toContainEqual(
      line('inspect', 'point-seat-bore', 'readings', { ...readings, left: 1 }),
    );
  });
  test('asks for a clearance that follows from two points until both are measured at every place', () => {
    const derived = line('inspect', 'point-ring-clearance', 'derived', { point: 'Ring to hub clearance' });
    expect(at('hub-diameter')).toContainEqual(derived);
    expect(at('ring-bore')).toContainEqual(derived);
    expect(gate('finish-inspection', { ...record, readings: without('ring-bore', 'A:0') })).toContainEqual(derived);
    expect(gate('finish-inspection', { ...record, readings: without('hub-diameter', 'A:0') })).toContainEqual(derived);
    expect(gate('finish-inspection', record)).toEqual([undisposed()]);
  });
  test('a point that is not critical may stay unmeasured', () => {
    const feeding = new Set(family.points.flatMap(({ derived }) => (derived ? [derived.bore, derived.journal] : [])));
    const easy = family.points.filter(({ critical, derived, id }) => !critical && !derived && !feeding.has(id));
    expect(easy.length).toBeGreaterThan(0);
    for (const { id } of easy) expect(at(id)).toEqual([undisposed()]);
  });
  test('a bad verdict waits for its disposition, and for no other point’s or phase’s', () => {
    const disposition = exampleDisposition('replace');
    expect(found(finding({ disposition }))).toEqual([]);
    expect(found(finding({ disposition, pointId: 'hub-diameter' }))).toEqual([undisposed()]);
    expect(found(finding({ disposition, phase: 'as-left' }))).toEqual([undisposed()]);
    expect(found(finding({ verdict: 'reuse', overruledReason: 'agreed' }))).toEqual([]);
    expect(found(finding({ verdict: 'tight', overruledReason: 'rubs' }))).toEqual([undisposed('tight')]);
  });
  test('a waiver stands for its own point alone', () => {
    const waived = (pointId: string) => finding({ pointId, waivedReason: 'no access', verdict: null });
    const bare = { ...record, readings: without('seat-bore') };
    const [ring, seat] = [exampleDisposition('replace'), 'seat-bore'];
    const disposed = finding({ id: asId('other'), disposition: ring });
    expect(gate('finish-inspection', { ...bare, findings: [disposed, waived(seat)] })).toEqual([]);
    expect(gate('finish-inspection', { ...bare, findings: [disposed, waived('hub-diameter')] })).toHaveLength(1);
  });
  test('what is missing or broken cannot be measured, itself or its mate; anything else can', () => {
    const gone = (ref: string) => ({
      ...record,
      readings: without('hub-diameter'),
      parts: record.parts.map((part) => (part.ref === ref ? { ...part, state: 'missing' as const } : part)),
    });
    const clearance = present(family.points.find((one) => one.id === 'ring-clearance'));
    const waits = (ref: string) =>
      gate('finish-inspection', gone(ref)).some(({ anchor }) => anchor === 'point-ring-clearance');
    expect(waits(clearance.part)).toBe(false);
    expect(waits(present(clearance.mates))).toBe(false);
    expect(waits('shaft')).toBe(true);
  });
  test('what the eye saw waits for a disposition; what the bench found by itself does not', () => {
    const seen = exampleFinding({ words: 'pitted at the eye' });
    expect(found(finding({ disposition: exampleDisposition('replace') }), seen)).toEqual([
      line('inspect', `finding-${seen.id}`, 'finding-undisposed', { finding: 'pitted at the eye' }),
    ]);
    expect(found(finding({ disposition: exampleDisposition('replace') }), { ...seen, kind: 'bench' })).toEqual([]);
    const decided = { ...seen, disposition: exampleDisposition('clean') };
    expect(found(finding({ disposition: exampleDisposition('replace') }), decided)).toEqual([]);
  });
});

describe('quote and answer', () => {
  const costing = exampleFinding({ id: asId('f'), disposition: exampleDisposition('replace') });
  const struck = exampleLine({ findingIds: [asId('f')], struckReason: 'too dear' });
  const kept = exampleLine({ findingIds: [asId('f')] });
  const quoted = (lines: readonly ReturnType<typeof exampleLine>[]) =>
    exampleRecord({ station: 'quote', findings: [costing], quotes: [exampleQuote(lines, { state: 'draft' })] });

  test('no quote, no line, no contact, a finding on no line', () => {
    expect(gate('send-quote', exampleRecord())).toEqual([line('quote', 'lines', 'no-quote')]);
    expect(gate('send-quote', quoted([struck]))).toEqual([line('quote', 'lines', 'no-line')]);
    expect(gate('send-quote', quoted([struck, kept]))).toEqual([]);
    expect(gate('send-quote', { ...quoted([kept]), contact: null })).toEqual([line('receive', 'owner', 'no-contact')]);
    expect(gate('send-quote', quoted([exampleLine()]))).toEqual([
      line('quote', 'lines', 'finding-unquoted', { finding: 'pitted' }),
    ]);
  });
  test('an answer to this revision, and to no other', () => {
    const { record } = job().playTo('parts');
    const other = record.approvals.map((one) => ({ ...one, quoteId: asId<never>('another') }));
    for (const event of ['accept-quote', 'decline-quote'] as const) {
      expect(gate(event, record)).toEqual([]);
      expect(gate(event, { ...record, approvals: other })).toEqual([line('approve', 'answer', 'unanswered')]);
      expect(gate(event, { ...record, quotes: [] })).toEqual([line('approve', 'answer', 'unanswered')]);
    }
  });
});

describe('parts, rebuild, test and return', () => {
  test('parts that are not ordered, and how many are left of them', () => {
    const { record } = job().playTo('parts');
    const [ring] = gate('start-rebuild', record).filter(({ anchor }) => anchor === 'need-front-ring');
    expect(ring).toEqual(line('parts', 'need-front-ring', 'unordered', { part: 'Front wear ring', count: 1 }));
  });
  test('parts that are on their way, by the pieces that came', () => {
    const { record } = job().playTo('test');
    const [order] = record.orders;
    const awaiting = {
      ...record,
      orders: [{ ...present(order), lines: present(order).lines.map((one) => ({ ...one, received: 0 })) }],
    };
    expect(gate('finish-rebuild', awaiting)).toContainEqual(
      line('parts', 'need-front-ring', 'awaited', { part: 'Front wear ring', count: 1 }),
    );
  });
  test('hold points, and readings as left, each at its place', () => {
    const { record } = job().playTo('test');
    const unsigned = { ...record, steps: record.steps.map((one) => ({ ...one, second: null })) };
    const held = present(family.rebuild.find((step) => step.hold_point));
    expect(gate('finish-rebuild', unsigned)).toEqual([
      line('rebuild', `step-${held.id}`, 'hold-point', { step: held.title }),
    ]);
    const isSeat = (one: { readonly phase: string; readonly pointId: string }) =>
      one.phase === 'as-left' && one.pointId === 'seat-bore';
    const unread = { ...record, readings: record.readings.filter((one) => !isSeat(one)) };
    const point = 'Seal seat bore';
    expect(gate('finish-rebuild', unread)).toEqual([
      line('rebuild', 'point-seat-bore', 'left-unmeasured', { point, taken: 0 }),
    ]);
    const other = exampleFinding({
      ...{ kind: 'point', phase: 'as-left', pointId: 'hub-diameter', waivedReason: 'no access' },
    });
    expect(gate('finish-rebuild', { ...unread, findings: [other] })).toHaveLength(1);
    const wide = record.readings.map((one) => (isSeat(one) ? { ...one, value: 48.1 } : one));
    expect(gate('finish-rebuild', { ...record, readings: wide })).toEqual([
      line('rebuild', 'point-seat-bore', 'left-bad', { point, verdict: 'out' }),
    ]);
  });
  test('a run that was sent back counts for nothing; a failed one wants a decision or a concession', async () => {
    const tested = job().playTo('test');
    await tested.test();
    const run = present(tested.record.runs[0]);
    const judged = (change: Partial<typeof run>) =>
      gate('pass-test', { ...tested.record, runs: [{ ...run, ...change }] }).filter((one) => one.anchor === 'run');
    expect(judged({ decision: null })).toEqual([]);
    expect(judged({ decision: 'failed' })).toEqual([line('test', 'run', 'no-run')]);
    expect(judged({ verdict: 'fail', decision: null })).toEqual([line('test', 'run', 'run-failed')]);
    expect(judged({ verdict: 'fail', decision: 'concession' })).toEqual([]);
    expect(gate('pass-test', { ...tested.record, runs: [] })).toContainEqual(line('test', 'run', 'no-run'));
    expect(gate('fail-test', tested.record)).toEqual([line('test', 'run', 'no-failed-run')]);
    const failed = [{ ...run, decision: 'failed' as const }];
    expect(gate('fail-test', { ...tested.record, runs: failed })).toEqual([]);
  });
  test('report, release and delivery', () => {
    const back = exampleRecord({ station: 'return' });
    const returned = { deliveredAt: null } as NonNullable<JobRecord['returned']>;
    const unreleased = line('return', 'release', 'unreleased');
    expect(gate('finish-report', back)).toEqual([line('report', 'issue', 'no-report')]);
    expect(gate('close', back)).toEqual([line('report', 'issue', 'no-report'), unreleased]);
    expect(gate('close', { ...back, outcome: 'declined' })).toEqual([unreleased]);
    expect(gate('close', { ...back, outcome: 'declined', returned })).toEqual([
      line('return', 'deliver', 'undelivered'),
    ]);
    expect(gate('close', { ...back, outcome: 'declined', returned: { ...returned, deliveredAt: 'x' } })).toEqual([]);
  });
});
