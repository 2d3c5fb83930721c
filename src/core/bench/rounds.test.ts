import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing } from '../../../test-support/core-job';
import { loadFamily } from '../family';
import { present } from '../present';
import { exampleFinding, exampleReading } from '../record/example-record';
import type { JobRecord } from '../record';
import { test as stand } from '../change';
import { findingAt, openedFrom, standingReadings, workOf } from '.';

const job = () => new CoreJob(loadFamily(f1), wornRing);

describe('what is opened with a step', () => {
  const { family } = job();
  const named = (...steps: readonly (readonly [id: string, after?: readonly string[]])[]) => ({
    rebuild: steps.map(([id, after]) => ({ ...present(family.rebuild[0]), id, after: after ? [...after] : undefined })),
  });
  const opened = (of: ReturnType<typeof named>, id: string | null) => [...openedFrom(of, id)].sort();

  test('in a row: it, and all that were done over it', () => {
    const row = named(['bearings'], ['shaft'], ['cover'], ['casing']);
    expect(opened(row, 'cover')).toEqual(['casing', 'cover']);
    expect(opened(row, 'bearings')).toEqual(['bearings', 'casing', 'cover', 'shaft']);
  });
  test('side by side: what does not stand on it stays closed', () => {
    const two = named(['motor'], ['wet-end', []], ['join', ['motor', 'wet-end']], ['cable', ['motor']]);
    expect(opened(two, 'wet-end')).toEqual(['join', 'wet-end']);
    expect(opened(two, 'motor')).toEqual(['cable', 'join', 'motor']);
  });
  test('whatever the order of the list: a step named before what it comes after is opened with it', () =>
    expect(opened(named(['close', ['open']], ['open', []], ['last', ['close']]), 'open')).toEqual([
      'close',
      'last',
      'open',
    ]));
  test('without a step, or with one that is no longer there, all of rebuild', () => {
    const row = named(['bearings'], ['shaft']);
    expect(opened(row, null)).toEqual(['bearings', 'shaft']);
    expect(opened(row, 'gone')).toEqual(['bearings', 'shaft']);
  });
});

describe('a pump that comes back from the stand', () => {
  const failed = async (reopenFrom: string | null) => {
    const played = job().playTo('test');
    const { tag, intake } = played.record;
    const point = (flowM3h: number, dischargeKpa: number) => ({
      ...{ flowM3h, suctionKpa: 0, dischargeKpa, speedRpm: 2900, powerInKw: 4, motorEfficiencyPct: 88 },
      ...{ densityKgM3: 998, vibrationMmS: 1, bearingC: 40 },
    });
    const points = [point(5, 250), point(15, 240), point(25, 215), point(30, 180), point(35, 140)];
    const facts = { runId: 'run-1', run: 1, points, stand: null, zone: 'UTC' };
    expect(intake.duty?.headM).toBe(32);
    played.act('Marek', ['run-test', stand.runTest], facts, { tag, condition: 'sound' });
    const decided = { tag, run: 1, decision: 'failed' as const, reason: 'head too low', reopenFrom };
    played.act('Marek', ['decide-run', stand.decideRun], null, decided);
    return played;
  };
  const openSteps = ({ record, family }: CoreJob) =>
    workOf(record, family, 'rebuild')
      .filter((one) => !one.isDone)
      .map((one) => one.step.id);

  test('is opened from the step that the tester names; what lies before it stays done, signed and measured', async () => {
    const played = await failed('impeller-on');
    expect(openSteps(played)).toEqual(['impeller-on', 'casing-on', 'coupling-on']);
    const rounds = workOf(played.record, played.family, 'rebuild').map((one) => one.round);
    expect(rounds).toEqual([1, 1, 1, 1, 1, 1, 1, 2, 2, 2]);
    expect(played.record.runs[0]).toMatchObject({ decision: 'failed', reopenFrom: 'impeller-on' });
    const left = new Set(
      standingReadings(played.record, played.family)
        .filter((one) => one.phase === 'as-left')
        .map((one) => one.pointId),
    );
    // The seat of the seal lies behind the wheel and stays closed.
    expect(left.has('seat-bore')).toBe(true);
    expect(left.has('impeller-bore')).toBe(false);
  });
  test('all of it where no step is named', async () => expect(openSteps(await failed(null))).toHaveLength(10));
  test('what is opened again is answered and measured anew, beside what stood before', async () => {
    const played = await failed('casing-on');
    const before = played.record.answers.length;
    played.workThrough(
      'rebuild',
      played.family.rebuild.filter((step) => openSteps(played).includes(step.id)),
    );
    expect(openSteps(played)).toEqual([]);
    const again = played.record.answers.filter((one) => one.phase === 'rebuild' && one.round === 2);
    expect(again.length).toBeGreaterThan(0);
    expect(played.record.answers).toHaveLength(before + again.length);
  });
  test('a step that the family does not have is refused', async () =>
    await expect(failed('no-such')).rejects.toThrow());
});

describe('readings and findings by round', () => {
  const { family, record } = job();
  const run = { decision: 'failed', reopenFrom: null } as JobRecord['runs'][number];
  const reading = (round: number, value: number) => ({
    ...exampleReading('seat-bore', 'A:0', value, 'as-left'),
    round,
  });
  const stand = (rounds: readonly number[], runs: readonly (typeof run)[]) =>
    standingReadings({ readings: rounds.map((round) => reading(round, 48 + round / 100)), runs }, family).map(
      (one) => one.value,
    );
  test('a reading counts in its own round; one from before rounds until another takes its place', () => {
    expect(stand([1], [])).toEqual([48.01]);
    expect(stand([1], [run])).toEqual([]);
    expect(stand([1, 2], [run])).toEqual([48.02]);
    expect(stand([0], [run])).toEqual([48]);
    expect(stand([0, 2], [run])).toEqual([48.02]);
    expect(stand([2, 0], [run])).toEqual([48.02]);
  });
  test('a reading as found stands in every round', () => {
    const found = exampleReading('seat-bore', 'A:0', 48);
    expect(standingReadings({ readings: [found], runs: [run, run] }, family)).toEqual([found]);
  });
  test('a waiver of one round says nothing in the next', () => {
    const waived = exampleFinding({ kind: 'point', phase: 'as-left', pointId: 'seat-bore', waivedReason: 'no access' });
    const at = (runs: JobRecord['runs'], ...findings: readonly (typeof waived)[]) =>
      findingAt({ ...record, runs, findings }, family, { pointId: 'seat-bore', phase: 'as-left' })?.round;
    expect(at([], waived)).toBe(1);
    expect(at([run], waived)).toBeUndefined();
    expect(at([run], { ...waived, round: 0 })).toBe(0);
    expect(at([run], { ...waived, round: 0 }, { ...waived, round: 2 })).toBe(2);
  });
});
