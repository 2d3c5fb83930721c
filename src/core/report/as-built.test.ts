import f1 from '../../../test-support/plain-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { CoreJob } from '../../../test-support/core-job';
import { buildFamily, cautionFooter, loadFamily } from '../family';
import { asId, type JobRecord } from '../record';
import { exampleFinding, exampleRecord } from '../record/example-record';
import { buildAsBuilt } from '.';

const script = {
  duty: { flowM3h: 25, headM: 32, powerKw: 3.3, efficiencyPct: 66, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
  declines: 'Return freight',
} as const;
const file = loadFamily(f1);
const family = buildFamily(file);
const asked = (record: JobRecord) => ({
  ...{ record, family, shop: { name: 'Kettlewick Pump Works', place: 'Harrowmere' }, number: 'R-2026-0007' },
  ...{ revision: 'B', whatChanged: 'hours', issuedBy: 'Wenna', issuedAt: '2026-11-24T08:00:00.000Z' },
});
const build = (change: Partial<JobRecord> = {}) => buildAsBuilt(asked(exampleRecord({ station: 'report', ...change })));

describe('the head of a report', () => {
  test('names itself, the shop, the job, the pump and the duty', () => {
    const built = build();
    expect(built).toMatchObject({
      ...{ format: 'puddlestone-as-built/1', number: 'R-2026-0007', revision: 'B', what_changed: 'hours' },
      issued: { by: 'Wenna', at: '2026-11-24T08:00:00.000Z' },
      shop: { name: 'Kettlewick Pump Works', place: 'Harrowmere' },
      job: {
        ...{ tag: 'P-0417', opened_at: '2026-11-20T08:00:00.000Z', customer: 'Harrowmere Botanical Garden' },
        ...{ equipment_number: 'lily house', why_out: 'noise', liquid: 'pond water', cleaning: 'sheet S-1' },
        running_hours: 100,
      },
      pump: { maker: 'Quillmere', model: 'QB 50-160', serial: 'QB-22871', size: '50-160', family: family.title },
      duty: { flow_m3h: 25, head_m: 32, power_kw: 3.3, speed_rpm: 2900 },
      events: { count: 1, head_hash: 'h' },
    });
  });
  test('has no duty where none was written down, and no power where that was not', () => {
    const { intake } = exampleRecord();
    expect(build({ intake: { ...intake, duty: null } }).duty).toBeNull();
    const duty = { flowM3h: 25, headM: 32, speedRpm: 2900 };
    expect(build({ intake: { ...intake, duty } }).duty?.power_kw).toBeNull();
    expect(build({ intake: { ...intake, cleaningReference: '' } }).job.cleaning).toBe('sheet');
  });
  test('tells of earlier visits with their reports', () => {
    const visit = {
      jobId: asId<JobRecord['id']>('j'),
      tag: asId<JobRecord['tag']>('P-0398'),
      openedAt: '2026-05-02T08:00:00.000Z',
      closedAt: '2026-05-20T08:00:00.000Z',
    };
    const earlier = { ...visit, outcome: 'repaired' as const, warrantyUntil: null, reportNumber: 'R-2026-0001' };
    expect(build({ earlierVisits: [earlier] }).history).toEqual([
      { tag: 'P-0398', opened_at: '2026-05-02T08:00:00.000Z', outcome: 'repaired', report: 'R-2026-0001' },
    ]);
  });
  test('says the cautions that go out with every pump, and the way that was followed in each matter', () => {
    const { cautions, policies, settings } = build();
    expect(cautions).toHaveLength(3);
    expect(cautions[0]).toMatch(/^Unit on its driver or in place: Isolate all energy/);
    expect(cautions[2]).toBe(cautionFooter);
    expect(policies).toHaveLength(15);
    expect(settings.filter((one) => one.title.includes('temperature'))).toEqual([]);
  });
});

describe('a whole job in its report', () => {
  const played = async () => new CoreJob(file, script).play();
  test('each point has its readings as they were taken, its reason and its working', async () => {
    const { points } = await played();
    const [ring] = points;
    expect(ring).toMatchObject({ number: 1, source: 'maker’s table of this family', critical: false });
    expect(ring?.as_found.readings).toEqual(
      ['A:0', 'A:90'].map((place) => ({ place, value_mm: 100.7, typed: '100.70', instrument: 'M-07', by: 'Odile' })),
    );
    expect(ring?.as_found.reason).toBe('100.70 mm is past the limit for reuse (to 100.64)');
    expect(ring?.as_left.reason).toBe('100.375 mm lies within the new limits');
    expect(ring?.as_found.working.map((step) => step.what)).toEqual([
      ...['Worst reading', 'Out of round', 'Taper', 'Wear', 'Allowance used', 'Verdict', 'Limits'],
    ]);
    expect(points.at(-1)?.as_found).toEqual({
      readings: [],
      worst_mm: null,
      verdict: 'not measured',
      reason: '',
      working: [],
    });
  });
  test('a finding says what was proposed and decided, and by whom', async () => {
    const { findings } = await played();
    expect(findings).toEqual([
      {
        what: 'Front wear ring bore: out. 100.70 mm is past the limit for reuse (to 100.64)',
        ...{ part: 'Front wear ring', proposed: 'out', verdict: 'out', overruled: null, waived: null },
        ...{ disposition: 'replace', reason: 'worn', by: 'Marek' },
      },
    ]);
  });
  test('the answer stands with its text and fingerprint, what is not covered beside it', async () => {
    const { approvals, deviations, signatures } = await played();
    expect(approvals).toEqual([
      {
        ...{ revision: 1, way: 'telephone', name: 'Fern Okonjo' },
        at: expect.stringMatching(/^2026-11-20T/) as string,
        text: expect.stringContaining('Approved: Front wear ring, KW1-0502; Turn the ring to the hub') as string,
        fingerprint: expect.stringMatching(/^[0-9a-f]{64}$/) as string,
      },
    ]);
    expect(deviations).toEqual(['Not approved and therefore not covered by this repair: Return freight.']);
    expect(signatures.every((one) => one.at.startsWith('2026-11-20T'))).toBe(true);
  });
  test('a run has its points, its band and its curve', async () => {
    const { tests, photos, events } = await played();
    const [run] = tests;
    expect(run).toMatchObject({
      ...{ run: 1, by: 'Marek', grade: '2B', verdict: 'pass', kind: 'curve', decision: 'passed', decided_by: 'Marek' },
      ...{ guarantee: { flow_m3h: 25, head_m: 32 }, decision_reason: '' },
    });
    expect(run?.points).toHaveLength(family.test.flow_shares.length);
    // grade 2B: flow ±8 %, head ±5 %; a pump of 3.3 kW has ±10 and ±8 (ISO 9906, 4.4.2)
    expect(run?.band?.flow_m3h.min).toBeCloseTo(22.5, 9);
    expect(run?.band?.flow_m3h.max).toBeCloseTo(27.5, 9);
    expect(run?.band?.head_m.min).toBeCloseTo(29.44, 9);
    expect(run?.band?.head_m.max).toBeCloseTo(34.56, 9);
    expect(run?.curve.length).toBeGreaterThan(2);
    expect(run?.slip).toBeUndefined();
    expect(Object.keys(run?.points[0] ?? {})).toEqual(['flow_m3h', 'head_m', 'power_kw', 'efficiency_pct']);
    expect(run?.working.length).toBeGreaterThan(3);
    expect(photos.map((photo) => photo.caption)).toContain('Wet end as it opened');
    expect(photos[0]).toEqual({
      id: expect.any(String) as string,
      caption: expect.any(String) as string,
      at: expect.any(String) as string,
    });
    expect(events.head_hash).toMatch(/^[0-9a-f]{64}$/);
  });
  test('a displacement pump has its slip instead', async () => {
    const gear = {
      ...{ duty: { flowM3h: 16, headM: 60, speedRpm: 400 }, found: {}, dispose: {} },
      pumpedAt: { temperatureC: 60, viscosityMm2S: 700 },
    };
    const [run] = (await new CoreJob(loadFamily(f6), gear).play()).tests;
    expect(run).toMatchObject({ kind: 'slip', grade: 'slip', curve: [] });
    // 820 cm³ · 400 · 60 / 10⁶ = 19.68 m³/h, of which 78 % are 15.35; 95 % of 16 are 15.2
    expect(run?.slip?.theoretical_m3h).toBeCloseTo(19.68, 9);
    expect(run?.slip?.least_m3h).toBeCloseTo(15.3504, 4);
    expect(run?.slip?.pressures_kpa).toHaveLength(5);
    expect(run?.slip?.line).toHaveLength(2);
    expect(run?.slip?.duty_kpa).toBeGreaterThan(580);
    expect(run?.slip?.volumetric_pct).toBeGreaterThan(78);
    expect(run?.band).toBeUndefined();
  });
});

describe('what departs from the plan stands in the report', () => {
  const run = (change: Partial<JobRecord['runs'][number]>) => ({
    ...{ id: 'r', run: 1, grade: '2B', verdict: 'fail' as const, decision: null, decisionReason: '', decisionBy: null },
    ...{ decisionAt: null, guarantee: { flowM3h: 25, headM: 32, speedRpm: 2900 } },
    points: [10, 20, 30].map((flowM3h) => ({
      ...{ flowM3h, suctionKpa: 0, dischargeKpa: 300 - flowM3h, speedRpm: 2900, powerInKw: 4, motorEfficiencyPct: 88 },
      ...{ densityKgM3: 998, vibrationMmS: 1, bearingC: 40 },
    })),
    ...{ personId: null, personName: 'Marek', at: '2026-11-23T08:00:00.000Z' },
    ...change,
  });
  test('verdicts overruled and points waived, by whom and why', () => {
    const findings = [
      exampleFinding({ words: 'Sleeve: out', overruledReason: 'polished' }),
      exampleFinding({ words: 'Bore: not measured', waivedReason: 'no access' }),
      exampleFinding({ words: 'pitted' }),
    ];
    expect(build({ findings }).deviations).toEqual([
      'Verdict overruled by Marek: Sleeve: out. polished',
      'Point waived by Marek: Bore: not measured. no access',
    ]);
  });
  test('runs that failed or were accepted, and who signed the last', () => {
    const runs = [
      run({ decision: 'failed', decisionReason: 'it rubs', decisionBy: 'Marek' }),
      run({ run: 2, decision: 'concession', decisionReason: 'agreed', decisionBy: 'Ines' }),
    ];
    const { deviations, signatures, tests } = build({ runs });
    expect(deviations).toEqual([
      'Test run 2 accepted by concession of Ines: agreed',
      'Test run 1 failed and the pump went back to rebuild: it rubs',
    ]);
    expect(signatures).toEqual([
      { role: 'Test', name: 'Ines', at: '2026-11-23T08:00:00.000Z' },
      { role: 'Issued by', name: 'Wenna', at: '2026-11-24T08:00:00.000Z' },
    ]);
    expect(tests.map((one) => one.decision)).toEqual(['failed', 'concession']);
    expect(build({ runs: [run({})] }).signatures).toHaveLength(1);
  });
  test('a finding of the bench is no finding any more once its answer is corrected and agrees', () => {
    const differs = exampleFinding({ kind: 'bench', actionId: 'nut-hand', words: 'left', verdict: 'differs' });
    expect(build({ findings: [differs] }).findings.map((one) => one.what)).toEqual(['left']);
    expect(build({ findings: [{ ...differs, verdict: 'agrees' }] }).findings).toEqual([]);
  });
  test('a finding on a part that the family does not know is named by its reference', () => {
    expect(build({ findings: [exampleFinding({ partRef: 'donor-ring' })] }).findings[0]?.part).toBe('donor-ring');
  });
});
