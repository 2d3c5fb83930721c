import f4 from '@families/f4-bore-hole.json';
import { said, signAs, workUntil } from '../../../test-support/bench-moves';
import { CoreJob } from '../../../test-support/core-job';
import { bench } from '../change';
import { buildFamily, loadFamily, type Step } from '../family';
import { present } from '../present';
import { nextAction, workOf } from '.';

/** A bore-hole pump of nine stages at the bench, in the words that a technician gets for each wrong move. */
const file = loadFamily(f4);
const script = {
  build: { counts: { stage: 9 } },
  ...{ duty: { flowM3h: 30, headM: 110, speedRpm: 2900 }, found: {}, dispose: {} },
} as const;
const family = buildFamily(file, script.build);
const stepOf = (phase: 'teardown' | 'rebuild', id: string): Step =>
  present(family[phase].find((step) => step.id === id));

describe('its stages', () => {
  test('come off from the last to the first and go on from the first to the last, each a step of its own', () => {
    const stages = (phase: 'teardown' | 'rebuild') =>
      family[phase].flatMap((step) => (step.member?.set === 'stage' ? [step.member.number] : []));
    expect(stages('teardown')).toEqual([9, 8, 7, 6, 5, 4, 3, 2, 1]);
    expect(stages('rebuild')).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(stepOf('rebuild', 'stage-on-4').title).toBe('Stage on, stage 4');
  });
  test('agree each with its own tray, and count one of each part', () => {
    const washer = present(stepOf('rebuild', 'stage-on-4').actions.find((one) => one.id === 'washer-in-4'));
    expect(washer.answer).toMatchObject({ kind: 'choice', agrees_with: 'washer-side-4' });
    const cone = present(stepOf('teardown', 'stage-off-4').actions.find((one) => one.id === 'cone-count-4'));
    expect(cone.answer).toMatchObject({ kind: 'count', of: 'split-cone', expect: 1 });
    const counted = present(stepOf('rebuild', 'package').actions.find((one) => one.id === 'cone-package'));
    expect(counted.answer).toMatchObject({ expect: 9 });
  });
});

describe('the size of the nameplate', () => {
  test.each([
    ['six-inch', 100, 120, 'with the recess', 'A 16', 'M26x1.5'],
    ['four-inch', 45, 55, 'flat', 'A 12', 'M18x1.5'],
    ['eight-inch', 190, 220, 'with the recess', 'A 20', 'M38x1.5'],
  ])('%s: cone nut %d to %d N·m, plate %s, spacer %s', (size, min, max, side, spacer, thread) => {
    const built = buildFamily(file, { size, counts: { stage: 3 } });
    const asks = built.rebuild.flatMap((step) => step.actions);
    const answer = (id: string) => present(asks.find((one) => one.id === id)).answer;
    expect(answer('stage-torque-2')).toMatchObject({ window_nm: { min, max }, thread });
    expect(answer('plate-side-left')).toMatchObject({ should: side });
    expect(answer('plate-spacer')).toMatchObject({ should: spacer });
  });
});

describe('teardown', () => {
  const job = new CoreJob(file, script).playTo('teardown');
  test('goes in its order', () =>
    expect(said(job, 'teardown', 'motor-nuts', '4')).toContain('Before “Motor” comes “Cable guard”'));
  test('a stage fewer than the nameplate says is a finding: the construction is corrected', () => {
    workUntil(job, 'teardown', 'stage-count');
    expect(said(job, 'teardown', 'stage-count', '8')).toBeNull();
    expect(job.record.findings.at(-1)).toMatchObject({ kind: 'bench', verdict: 'differs' });
    expect(job.record.findings.at(-1)?.words).toBe(
      'Stages seen through the straps: 8 counted, this pump has 9. Another number is another construction: correct it before going on.',
    );
    expect(said(job, 'teardown', 'stage-count', '9')).toBeNull();
  });
  test('a washer that lies upside down is a finding, and never what is put back', () => {
    workUntil(job, 'teardown', 'washer-side-9');
    expect(said(job, 'teardown', 'washer-side-9', 'up, to the next stage')).toBeNull();
    expect(job.record.findings.at(-1)?.words).toContain('must be down, into the nut. Put together wrong before.');
  });
  test('a cone that slipped is a finding at that stage alone', () => {
    workUntil(job, 'teardown', 'cone-mark-9');
    expect(said(job, 'teardown', 'cone-mark-9', 'bright ring: it slipped')).toBeNull();
    expect(job.record.findings.at(-1)).toMatchObject({ actionId: 'cone-mark-9', verdict: 'differs' });
  });
  test('insulation that is not to be meant is refused; a low one is a finding', () => {
    const fresh = new CoreJob(file, script).playTo('teardown');
    workUntil(fresh, 'teardown', 'insulation-before-1');
    expect(said(fresh, 'teardown', 'insulation-before-1', '-5')).toContain('-5 cannot be meant');
    expect(said(fresh, 'teardown', 'insulation-before-1', '30000')).toContain('cannot be meant');
    expect(said(fresh, 'teardown', 'insulation-before-1', '0.4')).toBeNull();
    expect(fresh.record.findings.at(-1)?.words).toContain('0.4 MΩ is outside at least 20 MΩ');
    const leads = present(fresh.family.teardown[0]).actions.filter((one) => one.member?.set === 'lead');
    expect(leads.map((one) => one.title)).toEqual([
      'Insulation to earth, lead U',
      'Insulation to earth, lead V',
      'Insulation to earth, lead W',
    ]);
  });
});

describe('rebuild', () => {
  const job = new CoreJob(file, script).playTo('rebuild');
  const refused = (id: string, typed: string, more?: object) => said(job, 'rebuild', id, typed, more);
  test('the plate lies as the size wants it, whatever was found, and is signed before anything stands on it', () => {
    workUntil(job, 'rebuild', 'plate-side-left');
    expect(refused('plate-side-left', 'flat')).toBe(
      'Side of the plate that is up: flat is not right here, it must be with the recess. The wrong side shifts both depths: every later float is false.',
    );
    workUntil(job, 'rebuild', 'plate-photo');
    job.answer('rebuild', stepOf('rebuild', 'plate'), present(stepOf('rebuild', 'plate').actions.at(-1)));
    expect(refused('bearing-in-1', 'to the bottom')).toBe(
      '“Chambers fitted with bearing and ring” closes over the hold point “Build plate”, which nobody has signed.',
    );
    signAs(job, 'plate', 'Marek');
  });
  test('ring and bearing have their way round', () => {
    workUntil(job, 'rebuild', 'ring-in-3');
    expect(refused('ring-in-3', 'down', { consumable: 'soapy water' })).toContain('it must be up');
    expect(refused('ring-in-3', 'up')).toBe('Choose what was used.');
  });
  test('stage 4: water on the taper, a torque short, a cone that slips, a washer upside down', () => {
    workUntil(job, 'rebuild', 'taper-dry-4');
    expect(refused('taper-dry-4', 'no')).toContain('It slips under load.');
    expect(refused('stage-torque-4', '110')).toMatch(/^Before “Cone nut to torque” comes /);
    workUntil(job, 'rebuild', 'stage-torque-4');
    expect(refused('stage-torque-4', '88')).toBe('88 N·m is outside the window of 100 to 120 N·m.');
    workUntil(job, 'rebuild', 'no-slip-4');
    expect(refused('no-slip-4', 'no')).toContain('This stage back, new cone.');
    workUntil(job, 'rebuild', 'washer-in-4');
    expect(refused('washer-in-4', 'up, to the next stage')).toContain('must be down, into the nut');
    workUntil(job, 'rebuild', 'chamber-turns-4');
    expect(refused('chamber-turns-4', 'grit')).toContain('Off again: grit or a burr lies under it.');
  });
  test('the next stage opens when the row of this one is complete', () => {
    expect(refused('washer-out-5', '')).toContain('Before “Stage on, stage 5” comes “Stage on, stage 4”');
    workUntil(job, 'rebuild', 'washer-out-5');
    const tried = workOf(job.record, job.family, 'rebuild').find((one) => one.step.id === 'stage-on-4');
    expect([tried?.isDone, tried?.actions.every((one) => one.answer)]).toEqual([true, true]);
  });
  test('a cone that slipped after all takes its whole stage back, with a reason', () => {
    const row = present(job.record.steps.findLast((one) => one.stepId === 'stage-on-4'));
    job.act('Odile', ['open-again', bench.openAgain], null, {
      ...{ tag: job.record.tag, phase: 'rebuild', stepId: 'stage-on-4', reason: 'the impeller slipped' },
      basedOn: row.version,
    });
    expect(refused('washer-out-5', '')).toContain('comes “Stage on, stage 4”');
    expect(nextAction(workOf(job.record, job.family, 'rebuild'))?.action.action.id).toBe('washer-out-4');
  });
  test('straps go on by passes, none less than the one before', () => {
    workUntil(job, 'rebuild', 'straps-torque');
    const straps = (passes?: number[]) => refused('straps-torque', '18', passes && { passes });
    expect(straps()).toBe('Type the torque of each of the 3 passes; none may be less than the one before it.');
    expect(straps([5, 11])).toContain('each of the 3 passes');
    expect(straps([11, 5, 18])).toContain('none may be less');
    expect(straps([5, 11, 18])).toBeNull();
  });
  test('the float is judged from the readings as left; out of its window it stops the pump', () => {
    workUntil(job, 'rebuild', 'depths-left');
    const tight = new CoreJob(file, { ...script, left: { 'shaft-up': '70.0', 'shaft-down': '74.0' } }).playTo(
      'rebuild',
    );
    workUntil(tight, 'rebuild', 'float-judged');
    // 74.0 − 70.0 = 4.0 mm, over 3.8
    expect(said(tight, 'rebuild', 'float-judged', '')).toBe('Float of the shaft: 4 mm is outside 1.5 to 3.8 mm.');
    workUntil(job, 'rebuild', 'turn-mid');
    expect(refused('turn-mid', 'catches at 4')).toContain('try in mid float first');
    expect(refused('turn-mid', 'heavy and even')).toContain('heavy and even');
  });
  test('everything that was done gives the record again', () => {
    workUntil(job, 'rebuild', 'plate-stamped');
    expect(job.difference()).toBeNull();
  });
});
