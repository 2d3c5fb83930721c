import { present } from '../present';
import Ajv from 'ajv/dist/2020';
import f1 from '../../../test-support/plain-overhung.json';
import { judgeRun } from '../testing';
import { buildFamily, loadFamily } from '../family';
import { exampleReading, exampleRecord, exampleRun, exampleStep } from '../record/example-record';
import { simulatedTestStand } from '@/stand-ins';
import { asBuiltJsonSchema, asBuiltSchema, buildAsBuilt, nextRevision } from '.';

const family = buildFamily(loadFamily(f1));
const guarantee = { flowM3h: 60, headM: 38, powerKw: 12, efficiencyPct: 70, speedRpm: 2900 };
const runOf = (condition: 'sound' | 'internal leakage' | 'air in the suction') =>
  simulatedTestStand.run({
    seed: 'P-0417/1',
    rated: { ...guarantee, efficiencyPct: 70 },
    pipeMm: family.test.pipe_mm,
    flowShares: family.test.flow_shares,
    condition,
  });

describe('a run on the stand', () => {
  test('a sound pump passes, a worn one and one that draws air fail with a reason', async () => {
    const judge = async (condition: Parameters<typeof runOf>[0]) =>
      judgeRun({ family, guarantee, readings: await runOf(condition) });
    expect((await judge('sound')).verdict).toBe('pass');
    expect(await judge('internal leakage')).toMatchObject({
      verdict: 'fail',
      reason: expect.stringMatching(/^Outside the tolerance in flow and head/) as string,
    });
    expect((await judge('air in the suction')).verdict).toBe('fail');
  });
  test('points are corrected to the rated speed', async () => {
    const readings = await runOf('sound');
    const { points } = judgeRun({ family, guarantee, readings });
    expect(present(points[4]).flowM3h).toBeCloseTo(
      (present(readings[4]).flowM3h * 2900) / present(readings[4]).speedRpm,
      9,
    );
  });
});

describe('the as-built record', () => {
  const asked = async () => {
    const points = await runOf('sound');
    const record = exampleRecord({
      station: 'report',
      version: 42,
      headHash: 'abc',
      readings: [exampleReading('wet-seat', 'A:0', 44.99), exampleReading('wet-seat', 'A:0', 45.006, 'as-left')],
      runs: [exampleRun({ guarantee, points, decision: 'concession', decisionReason: 'agreed' })],
      steps: [exampleStep({ stepId: 'casing-on', data: { torqueNm: 74 } })],
    });
    return {
      record,
      family,
      shop: { name: 'Kettlewick Pump Works', place: 'Harrowmere' },
      number: 'R-2026-0001',
      revision: 'A',
      whatChanged: '',
      issuedBy: 'Wenna',
      issuedAt: '2026-11-24T08:00:00.000Z',
    };
  };
  test('fits its own schema and the published JSON Schema', async () => {
    const built = buildAsBuilt(await asked());
    expect(asBuiltSchema.parse(built)).toEqual(built);
    const validate = new Ajv({ strict: false }).compile(asBuiltJsonSchema());
    expect(validate(JSON.parse(JSON.stringify(built)))).toBe(true);
    expect(validate({ ...built, number: 7 })).toBe(false);
  });
  test('has as found and as left side by side with verdict and working', async () => {
    const point = present(
      buildAsBuilt(await asked()).points.find((one) => one.title === 'Shaft at the wet-end bearing seat'),
    );
    expect(point.as_found).toMatchObject({ worst_mm: 44.99, verdict: 'out' });
    expect(point.as_left).toMatchObject({ worst_mm: 45.006, verdict: 'as new' });
    expect(point.as_left.working.length).toBeGreaterThan(3);
  });
  test('names torque, concession, cautions and the chain’s head', async () => {
    const built = buildAsBuilt(await asked());
    expect(built.steps[0]).toMatchObject({ title: 'Casing', torque_nm: 74 });
    expect(built.deviations.join()).toContain('accepted by concession of Marek: agreed');
    expect(built.cautions.join()).toContain('The maker’s manual');
    expect(built.events).toEqual({ count: 42, head_hash: 'abc' });
  });
  test('prints of a room only what somebody recorded', async () => {
    const given = await asked();
    const heated = present(family.rebuild.find((step) => step.actions.some(({ answer }) => answer?.kind === 'heat')));
    const built = (ambientC?: number) =>
      buildAsBuilt({
        ...given,
        record: {
          ...given.record,
          steps: [exampleStep({ stepId: heated.id, data: ambientC === undefined ? {} : { ambientC } })],
        },
      });
    const temperatures = (ambientC?: number) =>
      built(ambientC).settings.filter((setting) => setting.title === `${heated.title}: temperature`);
    expect(temperatures()).toEqual([]);
    expect(temperatures(12)).toHaveLength(1);
    expect(JSON.stringify(temperatures(12))).toContain('12');
  });
  test.each([
    [0, 'A'],
    [1, 'B'],
    [25, 'Z'],
    [26, 'AA'],
    [27, 'AB'],
    [51, 'AZ'],
    [52, 'BA'],
    [701, 'ZZ'],
  ])('after %d revisions comes %s', (count, expected) => {
    expect(nextRevision(Array.from({ length: count }, () => ({ revision: 'x' })))).toBe(expected);
  });
});
