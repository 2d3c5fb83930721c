import f6 from '@families/f6-internal-gear.json';
import { said, sayAnswer, signAs, workUntil } from '../../../test-support/bench-moves';
import { CoreJob } from '../../../test-support/core-job';
import { bench } from '../change';
import { buildFamily, loadFamily } from '../family';
import type { Tool } from '../record';

/** An internal gear pump at the bench, in each of its builds, in the words that a technician gets for a wrong move. */
const file = loadFamily(f6);
const variants = ['packed', 'component-seal', 'cartridge', 'motor-speed', 'motor-speed-large'] as const;
const scriptOf = (axes: Readonly<Record<string, string>>) =>
  ({
    build: { axes },
    ...{ duty: { flowM3h: 16, headM: 60, speedRpm: 400 }, found: {}, dispose: {} },
    ...{ pumpedAt: { temperatureC: 120, viscosityMm2S: 700 }, elastomer: 'FKM' },
  }) as const;
const jobOf = (axes: Readonly<Record<string, string>>) => new CoreJob(file, scriptOf(axes));

describe.each(variants)('%s', (variant) => {
  test('goes from receiving to an issued report', async () => {
    const report = await jobOf({ variant }).play();
    expect(report.tests.at(-1)).toMatchObject({ verdict: 'pass', decision: 'passed' });
    expect(report.steps.map((one) => one.title)).toContain('Head with idler');
  });
});

describe('the order of teardown', () => {
  const order = (variant: string) => buildFamily(file, { axes: { variant } }).teardown.map((step) => step.id);
  test('packed and component: head before nut and housing; cartridge: the seal leaves before the head is touched', () => {
    const before = (variant: string, one: string, other: string) =>
      order(variant).indexOf(one) < order(variant).indexOf(other);
    expect(before('packed', 'head-off', 'housing-off')).toBe(true);
    expect(before('component-seal', 'head-off', 'housing-off')).toBe(true);
    expect(before('cartridge', 'housing-off-first', 'cartridge-out')).toBe(true);
    expect(before('cartridge', 'cartridge-out', 'head-off')).toBe(true);
    expect(order('motor-speed')).not.toContain('housing-off');
  });
  test('a cartridge’s screws before its clips are refused with why', () => {
    const job = jobOf({ variant: 'cartridge' }).playTo('teardown');
    workUntil(job, 'teardown', 'clip-count');
    expect(said(job, 'teardown', 'drive-slack', '')).toBe('Before “Drive screws slack” comes “Centring clips seated”.');
  });
});

describe('the tag of the kit', () => {
  test('names the kits of this build alone, and one of another build is a finding', () => {
    const job = jobOf({ variant: 'packed' }).playTo('teardown');
    workUntil(job, 'teardown', 'kit-tag');
    const kits = job.family.kits.map(({ number, title }) => `${number} (${title})`);
    expect(kits.length).toBeGreaterThan(1);
    expect(said(job, 'teardown', 'kit-tag', 'KW6-N99')).toBeNull();
    const finding = job.record.findings.at(-1);
    expect(finding).toMatchObject({ kind: 'bench', actionId: 'kit-tag', verdict: 'differs' });
    expect(JSON.stringify(finding)).toContain(
      `KW6-N99 is no kit of this pump as it is received; its kits are ${kits.slice(0, -1).join(', ')} and ${kits.at(-1)}`,
    );
    expect(said(job, 'teardown', 'kit-tag', job.family.kits[0]?.number?.toLowerCase() ?? '')).toBeNull();
    expect(job.record.answers.findLast((one) => one.actionId === 'kit-tag')?.typed).toBe(job.family.kits[0]?.number);
  });
});

describe('what the pump came with', () => {
  test('is a finding where it is wrong, and is put right by what should be, not by what was found', () => {
    const job = jobOf({ variant: 'packed' }).playTo('teardown');
    const wrong = [
      ['valve-points', 'the discharge'],
      ['recess-way', 'outside'],
      ['lip-cap-way', 'to the rotor'],
      ['large-ends', 'apart'],
      ['ring-count', '3'],
    ] as const;
    const order = job.family.teardown.flatMap((step) => step.actions.map(({ id }) => id));
    for (const [id, typed] of wrong.toSorted((a, b) => order.indexOf(a[0]) - order.indexOf(b[0]))) {
      workUntil(job, 'teardown', id);
      expect(said(job, 'teardown', id, typed)).toBeNull();
      expect(job.record.findings.at(-1)).toMatchObject({ kind: 'bench', actionId: id, verdict: 'differs' });
    }
    workUntil(job, 'teardown', 'bushing-pressed');
    expect(job.record.findings).toHaveLength(5);
    job.workThrough('teardown', job.family.teardown.slice(-1));
    const { tag } = job.record;
    const rows = job.family.parts.map(({ ref }) => ({ partRef: ref, state: 'present' as const, note: '', basedOn: 0 }));
    job.act('Odile', ['account-parts', bench.accountParts], null, { tag, parts: rows });
    job.move('Odile', 'finish-teardown');
    job.playTo('rebuild');
    workUntil(job, 'rebuild', 'lip-cap-left');
    expect(said(job, 'rebuild', 'lip-cap-left', 'to the rotor')).toContain('must be to the shaft’s outer end');
    workUntil(job, 'rebuild', 'valve-points-left');
    expect(said(job, 'rebuild', 'valve-points-left', 'the discharge')).toBe(
      'The cap end of the relief valve faces: the discharge is not right here, it must be the suction. Turned round, it never opens: earlier fitting fault.',
    );
    workUntil(job, 'rebuild', 'ring-count-left');
    expect(said(job, 'rebuild', 'ring-count-left', '3')).toBe('Packing rings put in: 3 counted, this pump has 4.');
    workUntil(job, 'rebuild', 'recess-left');
    expect(said(job, 'rebuild', 'recess-left', 'outside')).toContain('must be to the rotor');
  });
});

describe('rebuild, each kind of wrong move once', () => {
  const job = jobOf({ variant: 'component-seal' }).playTo('rebuild');
  test('the clearance before the housing, and the seal before the head', () => {
    expect(said(job, 'rebuild', 'zero', 'yes')).toContain('Before “End clearance” comes “Housing, nut and tab”');
    expect(said(job, 'rebuild', 'rotor-home', 'yes')).toContain('Before “Component seal” comes “Head with idler”');
  });
  test('a bushing that does not fit its bore', () => {
    workUntil(job, 'rebuild', 'interference');
    expect(said(job, 'rebuild', 'interference', '12')).toBe(
      'Bushing outside less seat bore: 12 µm is outside 25 to 60 µm. Outside the fit: another bushing, or shrink it in.',
    );
    expect(said(job, 'rebuild', 'interference', '9999')).toContain('9999 cannot be meant');
  });
  test('a lubricant that the rubber does not stand', () => {
    const epdm = new CoreJob(file, { ...scriptOf({ variant: 'packed' }), elastomer: 'EPDM' }).playTo('rebuild');
    workUntil(epdm, 'rebuild', 'bearing-greased');
    expect(said(epdm, 'rebuild', 'bearing-greased', '25', { consumable: 'lithium-complex grease, 120 °C' })).toContain(
      'does not suit EPDM: it swells',
    );
  });
  test('a cap that was turned on instead of back by the arc', () => {
    // 0.04 mm of end play at a pitch of 2 mm, on a circle of 124 mm: π · 124 · 0.04 / 2 = 7.79 mm.
    workUntil(job, 'rebuild', 'cap-back');
    expect(said(job, 'rebuild', 'cap-back', '1')).toContain('outside 4 to 9 mm');
    expect(said(job, 'rebuild', 'cap-back', '5')).toContain('7.791');
    expect(said(job, 'rebuild', 'cap-back', '7.8')).toBeNull();
  });
  test('the bearing housing is a hold point: who built it does not sign it, and nothing closes over it unsigned', () => {
    workUntil(job, 'rebuild', 'housing-turn');
    expect(said(job, 'rebuild', 'housing-turn', 'catches at 4')).toContain('The pair is turned round');
    expect(said(job, 'rebuild', 'housing-turn', 'free and even')).toBeNull();
    expect(signAs(job, 'housing-built', 'Odile')).toBe('same-person');
    expect(signAs(job, 'housing-built', 'Marek')).toBeNull();
  });
  test('the idler pin out of place, or on the wrong side of the ports', () => {
    workUntil(job, 'rebuild', 'pin-ports-left');
    expect(said(job, 'rebuild', 'pin-ports-left', '4')).toContain('Pin out of place: no flow, or reversed.');
    workUntil(job, 'rebuild', 'pin-side-left');
    expect(said(job, 'rebuild', 'pin-side-left', 'discharge, crescent, suction')).toContain('the pump runs backwards');
  });
  test('a head whose passes fall, and one past its window', () => {
    workUntil(job, 'rebuild', 'head-on-torque');
    expect(said(job, 'rebuild', 'head-on-torque', '66', { passes: [66, 33] })).toContain('none may be less');
    expect(said(job, 'rebuild', 'head-on-torque', '80', { passes: [40, 80] })).toContain(
      'outside the window of 60 to 72',
    );
  });
  test('a seal that is set too loose by its own readings', () => {
    workUntil(job, 'rebuild', 'reference-seat');
    // The seat at 40 mm, the collar at 15: 25 mm for a seal that is 30 mm free, so 5 mm of compression; at 12, only 2.
    expect(said(job, 'rebuild', 'reference-seat', '40')).toBeNull();
    expect(said(job, 'rebuild', 'reference-collar', '12')).toBeNull();
    expect(said(job, 'rebuild', 'seal-length', '')).toBe('Compression of the seal: 2 mm is outside 4 to 6 mm.');
    expect(said(job, 'rebuild', 'reference-collar', '15')).toBeNull();
    expect(said(job, 'rebuild', 'seal-length', '')).toBeNull();
  });
  test('a nut of the holder that was left slack', () => {
    workUntil(job, 'rebuild', 'holder-torque');
    const small: Tool = {
      ...{ code: 'W-01', kind: 'torque wrench', unit: 'N·m', uncertainty: 0.2, rangeLow: 1, rangeHigh: 12 },
      dueOn: '2027-06-01',
    };
    const even = { rows: Array.from({ length: 4 }, () => ({ torque: '21' })), tool: 'W-01' };
    const tried = { phase: 'rebuild', actionId: 'holder-torque', typed: '', more: even, tools: [small] } as const;
    expect(sayAnswer(job, tried)).toContain('21 N·m lies outside the range of W-01, 1 to 12 N·m');
    const rows = ['21', '21', '15', '21'].map((torque) => ({ torque }));
    expect(said(job, 'rebuild', 'holder-torque', '', { rows })).toBe(
      'Torque of nut 3: 15 N·m is outside 18 to 24 N·m. Uneven nuts tilt the seat.',
    );
  });
  test('the bar that was forgotten in the port', () => {
    workUntil(job, 'rebuild', 'bar-out-left');
    expect(said(job, 'rebuild', 'bar-out-left', 'no')).toContain('The bar is out of the port: no.');
  });
  test('the end clearance by this job’s liquid: 0.1 mm, thick and hot', () => {
    workUntil(job, 'rebuild', 'clearance-end-clearance');
    // 700 mm²/s wants 1.3 times, 120 °C 1.5 times: 0.195 mm; π · 132 · 0.195 / 2 = 40.43 mm.
    expect(said(job, 'rebuild', 'clearance-end-clearance', '27')).toContain('27 mm is set, 40.4323 mm is asked');
    expect(said(job, 'rebuild', 'clearance-end-clearance', '40.4')).toBeNull();
  });
});

describe('on the stand', () => {
  test('only the checks of this build are asked', () => {
    const checks = (variant: string, more: object = {}) =>
      buildFamily(file, { axes: { variant, ...more } }).test.steps.map((step) => step.id);
    expect(checks('packed')).toContain('drip');
    expect(checks('cartridge')).not.toContain('drip');
    expect(checks('cartridge', { jacket: 'yes' })).toContain('jacket-test');
    expect(checks('packed', { 'relief-valve': 'no' })).not.toContain('relief');
  });
  test('a gland that drips too much is run in further; one that leaks is found', () => {
    const job = jobOf({ variant: 'packed' }).playTo('test');
    workUntil(job, 'test', 'static-leak-record');
    const leak = (end: string) =>
      said(job, 'test', 'static-leak-record', '', { rows: [{ start_kpa: '300', end_kpa: end, minutes: '10' }] });
    // 4 L · 5 kPa / 101.325 kPa in ten minutes: 19.7 mL a minute, of 10 allowed.
    expect(leak('295')).toBe('Static leak test with air: leaks. Find the place before it goes on.');
    expect(leak('298')).toBeNull();
    workUntil(job, 'test', 'gland-log');
    const row = (at_min: string, drops_per_min: string) => ({
      at_min,
      turn_deg: '0',
      temperature_c: '28',
      drops_per_min,
    });
    expect(said(job, 'test', 'gland-log', '', { rows: [row('0', '200'), row('10', '150'), row('20', '140')] })).toBe(
      'Log of the gland: tighten. Go on as the sum says.',
    );
  });
});
