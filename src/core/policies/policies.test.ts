import { readFileSync } from 'node:fs';
import { heatFor } from '../bench/heat';
import { reckonSetting } from '../bench/reckon-setting';
import { bench, sheets } from '../change';
import { buildFamily, loadFamily, type AnswerForm, type Family, type FormOf } from '../family';
import { judgePoint } from '../inspection';
import { growLines } from '../quoting';
import { matters, type JobRecord, type Matter } from '../record';
import { exampleReading, exampleRecord } from '../record/example-record';
import { proposeScope } from '../scope';
import { bearingHeatLimitsC, findSum, reckonBearingHeat } from '../sums';
import { softKept, warrantyMonthsOf } from '../warranty';
import { CoreJob, terms, toolFacts, wornRing } from '../../../test-support/core-job';
import { exampleFamily, exampleFile } from '../../../test-support/example-view';
import { matterTable, policiesInForce, sayPolicy, schoolOf, underPolicies } from '.';

const chosen = (matter: Matter, school: string, reason = ''): JobRecord['sheets'][number] => ({
  ...{ kind: 'policy', key: matter, version: 1, body: { matter, school, reason } },
  ...{ personId: null, personName: 'Ines', at: '2026-11-20T08:00:00.000Z' },
});
const under = (matter: Matter, school: string, family: Family = exampleFamily) =>
  underPolicies(family, { sheets: [chosen(matter, school)] });
const gear = buildFamily(loadFamily(JSON.parse(readFileSync('families/f6-internal-gear.json', 'utf8'))));
const overhung = buildFamily(loadFamily(JSON.parse(readFileSync('families/f1-overhung.json', 'utf8'))));
const answersOf = (family: Family, phase: 'teardown' | 'rebuild') =>
  family[phase].flatMap(({ actions }) => actions.flatMap(({ answer }) => (answer ? [answer] : [])));
const torques = (family: Family) =>
  answersOf(family, 'rebuild').filter((answer): answer is FormOf<'torque'> => answer.kind === 'torque');

describe('the schools', () => {
  test('are two at least in each of the fourteen matters of the handbook and in that of labels, each by its own name', () => {
    expect(matters).toHaveLength(15);
    for (const matter of matters) {
      const ids = matterTable[matter].schools.map(({ id }) => id);
      expect(ids.length).toBeGreaterThan(1);
      expect(new Set(ids).size).toBe(ids.length);
    }
  });
  test('a job follows the usual one, the shop’s, or its own with name and reason', () => {
    expect(schoolOf({ sheets: [] }, 'soft parts')).toBe('always new');
    const sheetsOfJob = [chosen('soft parts', 'by condition'), chosen('bolt circles', 'once round', 'four bolts only')];
    const said = policiesInForce({ sheets: sheetsOfJob }).map(sayPolicy);
    expect(said).toContain('Soft parts, mechanical seals, rolling bearings: by condition, looked at and signed');
    expect(said).toContain('Bolt circles: once round the circle at full torque (this job, by Ines: four bolts only)');
  });
  test('a school that no longer exists is the usual one', () =>
    expect(schoolOf({ sheets: [chosen('soft parts', 'by the moon')] }, 'soft parts')).toBe('always new'));
  test('the usual ones copy no family', () => {
    expect(underPolicies(exampleFamily, { sheets: [] })).toBe(exampleFamily);
    expect(under('soft parts', 'always new')).toBe(exampleFamily);
    expect(under('bolt circles', 'once round')).toBe(under('bolt circles', 'once round'));
  });
});

describe('steps follow', () => {
  test('bolts of a circle are tightened once where the shop does so; a single bolt as ever', () => {
    const before = torques(overhung);
    expect(before.some(({ passes_pct }) => (passes_pct?.length ?? 0) > 1)).toBe(true);
    const after = torques(under('bolt circles', 'once crosswise', overhung));
    after.forEach((answer, i) => {
      const was = before[i];
      if ((was?.bolts ?? 1) > 1) expect([answer.passes_pct, answer.pattern]).toEqual([undefined, 'crosswise, once']);
      else expect(answer).toEqual(was);
    });
  });
  test('what was found is put back where nothing is put right by the drawing', () => {
    const shoulds = (family: Family) =>
      answersOf(family, 'rebuild').filter(
        (answer: AnswerForm) => 'agrees_with' in answer && answer.agrees_with && 'should' in answer && answer.should,
      ).length;
    const put = under('as found', 'as it was', overhung);
    expect([shoulds(put), put.puts_back]).toEqual([0, true]);
  });
  test('a lubricant of the school comes first, and none is added', () => {
    const lists = (family: Family) =>
      family.rebuild.flatMap(({ actions }) => actions.map(({ consumables }) => consumables.map(({ what }) => what)));
    const [before, after] = [lists(overhung), lists(under('assembly lubricant', 'silicone', overhung))];
    after.forEach((list, i) => expect([...list].sort()).toEqual([...(before[i] ?? [])].sort()));
    const silicone = after.filter((list) => list.some((what) => /silicone/i.test(what)));
    expect(silicone.length).toBeGreaterThan(0);
    for (const list of silicone) expect(list[0]).toMatch(/silicone/i);
  });
  test('faces are wiped with what the school says where the elastomer stands it, else with the usual', () => {
    const wiped = (school: string) =>
      under('cleaning seal faces', school, overhung).rebuild.flatMap(({ actions }) =>
        actions.flatMap(({ consumables }) =>
          consumables.filter(({ what }) => what.endsWith('on lint-free cloth')).map(({ what, suits }) => [what, suits]),
        ),
      );
    const usual = wiped('alcohol');
    expect(usual.length).toBeGreaterThan(0);
    expect(usual.every(([what]) => what === 'alcohol on lint-free cloth')).toBe(true);
    // Acetone swells nitrile and fluoro rubber; an elastomer that it does not suit leaves the usual one to be picked.
    expect(wiped('acetone')).toEqual(usual.flatMap((one) => [['acetone on lint-free cloth', ['EPDM']], one]));
  });
  test('the way is told where the matter is met', () => {
    const told = (family: Family) =>
      family.rebuild
        .flatMap(({ actions }) => actions.flatMap(({ do: lines }) => lines))
        .filter((line) => /way:/.test(line));
    expect(told(overhung)).toEqual([]);
    expect(told(under('cleaning seal faces', 'acetone', overhung))).toContain(
      'This shop’s way: acetone on a lint-free cloth.',
    );
  });
});

describe('sums follow', () => {
  const heat = answersOf(exampleFamily, 'rebuild').find((answer): answer is FormOf<'heat'> => answer.kind === 'heat');
  test.each([
    ['fixed', 110],
    ['rise', 100],
  ] as const)('a bearing is heated by the school “%s” to %d °C in a room of 20 °C', (school, temperature) => {
    const record = exampleRecord({ sheets: [chosen('bearing fitting', school)] });
    const open = { ...(heat as FormOf<'heat'>), sealed: false };
    const { result } = reckonBearingHeat(heatFor(open, { record, family: exampleFamily }, 20));
    expect(result.temperature_c).toBe(temperature);
  });
  test.each(['fixed', 'rise'] as const)('a sealed one stays under its limit by the school “%s”', (school) => {
    const record = exampleRecord({ sheets: [chosen('bearing fitting', school)] });
    const closed = { ...(heat as FormOf<'heat'>), sealed: true };
    const { result } = reckonBearingHeat(heatFor(closed, { record, family: exampleFamily }, 20));
    expect(result.temperature_c).toBeLessThanOrEqual(bearingHeatLimitsC.sealed);
  });
  test('one that is pressed on cold is heated by nobody, and needs no concession', () => {
    const job = new CoreJob(exampleFile, { ...wornRing, policies: { 'bearing fitting': 'cold' } }).playTo('rebuild');
    const heated = (family: Family) =>
      family.rebuild.find(({ actions }) => actions.some(({ answer }) => answer?.kind === 'heat'));
    const step = heated(job.family);
    const action = step?.actions.find(({ answer }) => answer?.kind === 'heat');
    const stepsBefore = job.family.rebuild.slice(
      0,
      job.family.rebuild.findIndex(({ id }) => id === step?.id),
    );
    job.workThrough('rebuild', stepsBefore);
    const at = step?.actions.findIndex(({ id }) => id === action?.id) ?? 0;
    for (const before of step?.actions.slice(0, at) ?? []) job.answer('rebuild', step as never, before);
    const decided = job.decide('Odile', ['answer-action', bench.answerAction], toolFacts, {
      ...{ tag: job.record.tag, phase: 'rebuild' as const, actionId: action?.id ?? '', typed: '', photoId: null },
      ...{ consumable: '', tool: '', reason: '', notPossible: true, basedOn: 0 },
      cautionsRead: [...(step?.cautions ?? []), ...(action?.cautions ?? [])],
    });
    expect(decided.ok).toBe(true);
    if (decided.ok)
      expect(decided.decision.after.answers.find(({ actionId }) => actionId === action?.id)?.data.reason).toBe(
        'pressed on cold, on the fitting ring',
      );
  });
  test('a clearance may wear to twice its new one, and the source says whose rule that is', () => {
    const derived = overhung.points.find((point) => point.derived);
    const ruled = under('limits for reuse', 'twice', overhung).points.find(({ id }) => id === derived?.id);
    expect(ruled?.derived?.limit_um).toBe(2 * (derived?.derived?.design_um.max ?? 0));
    expect(ruled?.source).toBe('shop’s rule: twice the new clearance');
  });
  test.each([
    // A target of 0.1 mm, pitch 2 mm: a twentieth of a turn. The tolerance of 1.5 mm on a circle of 132 mm is 0.0036 of one.
    ['arc', 'arc_mm', 'mm', (Math.PI * 132) / 20, 1.5],
    ['degrees', 'turn_deg', '°', 18, (1.5 / (Math.PI * 132)) * 360],
    ['dial', 'clearance_mm', 'mm', 0.1, 0.02],
  ])('an end clearance is set by %s: %s in %s', (school, gives, unit, figure, tolerance) => {
    const setting = answersOf(under('end clearance', school, gear), 'rebuild').find(
      (answer): answer is FormOf<'setting'> => answer.kind === 'setting' && answer.sum === 'end-clearance',
    );
    expect(setting).toMatchObject({ gives, unit });
    expect(setting?.tolerance).toBeCloseTo(tolerance, 9);
    const intake = { ...exampleRecord().intake, viscosityMm2S: 100, liquidTemperatureC: 40 };
    const { outcome } = reckonSetting(
      setting as FormOf<'setting'>,
      { record: exampleRecord({ intake }), family: gear },
      findSum,
    );
    expect((outcome?.result as Record<string, number>)[gives]).toBeCloseTo(figure, 6);
  });
  test('near a limit the gauge’s uncertainty counts at critical points, everywhere, or not at all', () => {
    const point = exampleFamily.points.find(({ id, critical }) => critical && id === 'seat-bore');
    const near = Number(point?.reuse_mm?.max) - 0.005;
    const readings = (point?.places ?? []).map(({ plane, angle_deg }) =>
      exampleReading('seat-bore', `${plane}:${angle_deg}`, near, 'as-found', 0.01),
    );
    const verdict = (family: Family) =>
      judgePoint(family.points.find(({ id }) => id === 'seat-bore') as never, { readings, phase: 'as-found' }).verdict;
    expect(verdict(exampleFamily)).toBe('near');
    expect(verdict(under('near a limit', 'as read'))).toBe('reuse');
    expect(verdict(under('near a limit', 'everywhere'))).toBe('near');
  });
});

describe('soft parts by their condition', () => {
  const policies = { 'soft parts': 'by condition' } as const;
  const job = () => new CoreJob(exampleFile, { ...wornRing, policies }).playTo('quote');
  test('are asked to be looked at like critical ones', () => {
    const soft = under('soft parts', 'by condition').parts.filter((part) => part.soft);
    expect(soft.length).toBeGreaterThan(3);
    expect(soft.every(({ critical }) => critical)).toBe(true);
  });
  test('that were looked at and whole are kept, each by a name; the quote names them on a line of nothing', () => {
    const { record, family } = job();
    const kept = proposeScope({ family, record }).filter(({ policy }) => policy === 'kept by condition');
    expect(kept.map(({ partRef }) => partRef).sort()).toEqual(
      exampleFamily.parts
        .filter(({ soft }) => soft)
        .map(({ ref }) => ref)
        .sort(),
    );
    expect(kept[0]).toMatchObject({ action: 'keep', source: 'kept', reason: 'looked at by Odile', parts: [] });
    const line = growLines({ family, record, rates: terms.rates }).find(({ key }) => key === 'kept-by-condition');
    expect([line?.unitPriceMinor, line?.declinable]).toEqual([0, false]);
    expect(line?.plain).toMatch(/no warranty, and that of the repair is half as long/);
  });
  test('on which something was seen are new as ever', () => {
    const one = job();
    const lookless = one.record.looks.filter(({ ref }) => ref !== 'lip-seal');
    const scope = proposeScope({ family: one.family, record: { ...one.record, looks: lookless } });
    expect(scope.find(({ partRef }) => partRef === 'lip-seal')).toMatchObject({
      policy: 'always new',
      action: 'replace',
    });
  });
  test('halve the warranty, and stand in the report', async () => {
    const one = new CoreJob(exampleFile, { ...wornRing, policies });
    const built = await one.play();
    expect(softKept(one.record, one.family).length).toBeGreaterThan(3);
    expect(warrantyMonthsOf(one.record, one.family, 12)).toBe(6);
    expect(warrantyMonthsOf(new CoreJob(exampleFile, wornRing).playTo('quote').record, exampleFamily, 12)).toBe(12);
    expect(built.scope?.filter(({ why }) => why.includes('kept by condition')).length).toBeGreaterThan(3);
    expect(built.policies[0]).toMatch(/by condition, looked at and signed$/);
    expect(one.difference()).toBeNull();
  });
});

describe('departing from the shop’s way', () => {
  const depart = (matter: Matter, school: string, reason: string, basedOn = 0) => {
    const job = new CoreJob(exampleFile, wornRing).playTo('inspect');
    const policy = { matter, school, reason };
    const command = { tag: job.record.tag, basedOn, policy };
    return { job, decided: job.decide('Marek', ['choose-policy', sheets.choosePolicy], null, command) };
  };
  test('takes a name and a reason, and the job works by it at once', () => {
    const { job, decided } = depart('bolt circles', 'once round', 'only four bolts');
    if (!decided.ok) throw decided.refusal;
    const before = job.family;
    job.take(decided.decision);
    expect(torques(job.family).every(({ bolts, pattern }) => bolts === 1 || pattern === 'round the circle, once')).toBe(
      true,
    );
    expect(policiesInForce(job.record).find(({ matter }) => matter === 'bolt circles')).toMatchObject({
      ...{ reason: 'only four bolts', by: 'Marek', isUsual: false },
    });
    // And back again: what was changed is not changed twice.
    const policy = { matter: 'bolt circles', school: 'three passes', reason: 'the inspector asks for it' } as const;
    job.act('Marek', ['choose-policy', sheets.choosePolicy], null, { tag: job.record.tag, basedOn: 1, policy });
    expect(torques(job.family).map(({ pattern }) => pattern)).toEqual(torques(before).map(({ pattern }) => pattern));
  });
  test.each([
    ['without a reason', 'bolt circles', 'once round', ''],
    ['to a school that there is not', 'bolt circles', 'by ear', 'why not'],
    ['to where it is already', 'bolt circles', 'three passes', 'because'],
  ] as const)('%s is refused', (_what, matter, school, reason) =>
    expect(depart(matter, school, reason).decided.ok).toBe(false),
  );
});
