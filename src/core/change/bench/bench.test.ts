import f1 from '../../../../test-support/plain-overhung.json';
import f4 from '@families/f4-bore-hole.json';
import { CoreJob, toolFacts, wornRing, noPin, signerOf, type Person } from '../../../../test-support/core-job';
import { nextAction, workOf } from '../../bench';
import { sayReason, type DomainError } from '../../errors';
import { loadFamily } from '../../family';
import { present } from '../../present';
import { asId, type BenchPhase, type PhotoId } from '../../record';
import { bench } from '..';

const water = { flowM3h: 25, headM: 32, speedRpm: 2900 };
const overhung = () => new CoreJob(loadFamily(f1), wornRing);

interface Sent {
  readonly typed?: string;
  readonly reason?: string;
  readonly notPossible?: boolean;
  readonly photoId?: PhotoId;
  readonly basedOn?: number;
  readonly cautionsRead?: string[];
  readonly consumable?: string;
  readonly ambientC?: number;
}

const entry = (job: CoreJob, phase: BenchPhase, actionId: string, sent: Sent = {}) => {
  const work = workOf(job.record, job.family, phase);
  const step = work.find((one) => one.actions.some(({ action }) => action.id === actionId))?.step;
  return {
    ...{ tag: job.record.tag, phase, actionId, typed: '', photoId: null, consumable: '', tool: '', reason: '' },
    ...{ notPossible: false, cautionsRead: [...(step?.cautions ?? [])], basedOn: 0 },
    ...sent,
  };
};
/** What a person is told who tries it; null where it is taken, and then it stands. */
function tried(job: CoreJob, decide: () => ReturnType<CoreJob['decide']>): string | null {
  const decided = decide();
  if (!decided.ok) return said(decided.refusal);
  job.take(decided.decision);
  return null;
}
const said = ({ code, details }: DomainError) => (details.reason ? sayReason(details.reason) : code);
const answer = (job: CoreJob, who: Person, phase: BenchPhase, actionId: string, sent?: Sent) =>
  tried(job, () =>
    job.decide(who, ['answer-action', bench.answerAction], toolFacts, entry(job, phase, actionId, sent)),
  );
const concede = (job: CoreJob, who: Person, actionId: string, sent: Sent) =>
  tried(job, () =>
    job.decide(who, ['concede-answer', bench.concedeAnswer], toolFacts, entry(job, 'rebuild', actionId, sent)),
  );
const next = (job: CoreJob, phase: BenchPhase) =>
  nextAction(workOf(job.record, job.family, phase))?.action.action.id ?? null;
const stepRow = (job: CoreJob, stepId: string) =>
  present(job.record.steps.findLast((one) => one.stepId === stepId && one.phase !== 'clean'));

/** The rebuild of an overhung pump, done up to a step. */
function rebuiltTo(stepId: string): CoreJob {
  const job = overhung().playTo('rebuild');
  const steps = job.family.rebuild;
  job.workThrough(
    'rebuild',
    steps.slice(
      0,
      steps.findIndex((step) => step.id === stepId),
    ),
  );
  return job;
}
function answerUpTo(job: CoreJob, stepId: string, actionId: string): void {
  const step = present(job.family.rebuild.find((one) => one.id === stepId));
  for (const action of step.actions.slice(
    0,
    step.actions.findIndex((one) => one.id === actionId),
  ))
    job.answer('rebuild', step, action);
}

test('a picture of another job is refused beside any answer, and nothing stands', () => {
  const job = overhung().playTo('teardown');
  const actionId = present(next(job, 'teardown'));
  const other = overhung().playTo('teardown');
  expect(other.record.photos).toHaveLength(0);
  expect(answer(job, 'Ines', 'teardown', actionId, { photoId: asId<PhotoId>('p-of-another') })).toMatch(
    /belongs to another job/,
  );
  expect(next(job, 'teardown')).toBe(actionId);
});

describe('order', () => {
  const job = overhung().playTo('teardown');
  const [first, second] = job.family.teardown;
  const inSecond = present(second?.actions[0]).id;
  test('a later step is refused with what comes first', () =>
    expect(answer(job, 'Odile', 'teardown', inSecond, { typed: '12' })).toBe(
      `Before “${second?.title}” comes “${first?.title}”. An inspector or the coordinator may allow another order, with a reason.`,
    ));
  test('an unknown action and another station are refused', () => {
    expect(answer(job, 'Odile', 'teardown', 'no-such')).toBe('no-such is not an action of teardown in this family.');
    expect(answer(job, 'Odile', 'rebuild', present(job.family.rebuild[0]?.actions[0]).id)).toContain(
      'P-0417 is at Teardown',
    );
  });
  test('an allowed deviation lets the step go first; its reason and name stand beside it', () => {
    const allow = (stepId: string, reason = 'the drain is seized') =>
      tried(job, () =>
        job.decide('Marek', ['allow-deviation', bench.allowDeviation], null, {
          ...{ tag: job.record.tag, phase: 'teardown' as const, stepId, reason },
        }),
      );
    expect(allow(present(first).id)).toBe(`“${first?.title}” waits for no other step.`);
    expect(allow('no-such')).toContain('no-such is not a step of teardown');
    expect(allow(present(second).id)).toBeNull();
    expect(stepRow(job, present(second).id)).toMatchObject({
      ...{ state: 'open', data: { deviation: 'the drain is seized', deviationBy: 'Marek' } },
    });
    const step = present(second);
    job.answer('teardown', step, present(step.actions[0]));
    expect(job.record.answers.map((one) => one.actionId)).toContain(inSecond);
  });
  test('nothing may be allowed over a hold point that nobody signed', () => {
    const rebuilt = rebuiltTo('rotary');
    const step = present(rebuilt.family.rebuild.find((one) => one.id === 'rotary'));
    for (const action of step.actions) rebuilt.answer('rebuild', step, action);
    const after = present(rebuilt.family.rebuild[rebuilt.family.rebuild.indexOf(step) + 1]);
    const over = `“${after.title}” closes over the hold point “${step.title}”, which nobody has signed.`;
    expect(answer(rebuilt, 'Odile', 'rebuild', present(after.actions[0]).id)).toBe(over);
    expect(
      tried(rebuilt, () =>
        rebuilt.decide('Marek', ['allow-deviation', bench.allowDeviation], null, {
          ...{ tag: rebuilt.record.tag, phase: 'rebuild' as const, stepId: after.id, reason: 'hurry' },
        }),
      ),
    ).toBe(over);
  });
});

describe('three truths', () => {
  const job = overhung().playTo('teardown');
  const until = (id: string) => {
    for (;;) {
      const at = nextAction(workOf(job.record, job.family, 'teardown'));
      if (!at || at.action.action.id === id) return;
      job.answer('teardown', at.step.step, at.action.action);
    }
  };
  const finding = () => job.record.findings.find((one) => one.actionId === 'nut-hand');
  test('what is found otherwise than it should be is a finding by itself, and is taken', () => {
    until('nut-hand');
    expect(answer(job, 'Odile', 'teardown', 'nut-hand', { typed: 'right' })).toBeNull();
    expect(finding()).toMatchObject({ kind: 'bench', verdict: 'differs', phase: 'as-found', version: 1 });
    expect(finding()?.words).toContain('right is not right here, it must be left');
  });
  test('corrected, the same finding says that it agrees', () => {
    expect(answer(job, 'Odile', 'teardown', 'nut-hand', { typed: 'left', basedOn: 1 })).toBeNull();
    expect(finding()).toMatchObject({ verdict: 'agrees', version: 2 });
    expect(job.record.findings.filter((one) => one.kind === 'bench')).toHaveLength(1);
  });
  test('a second version of what stands here is refused with what stands', () =>
    expect(answer(job, 'Ines', 'teardown', 'nut-hand', { typed: 'right', basedOn: 1 })).toBe('changed-meanwhile'));
  test('at rebuild it is what should be that must be left, whatever was found', () => {
    const wrong = new CoreJob(loadFamily(f1), {
      ...wornRing,
      captures: { 'nut-hand': 'right' },
    }).playTo('rebuild');
    const steps = wrong.family.rebuild;
    const step = present(steps.find((one) => one.actions.some((action) => action.id === 'nut-hand-left')));
    wrong.workThrough('rebuild', steps.slice(0, steps.indexOf(step)));
    answerUpTo(wrong, step.id, 'nut-hand-left');
    expect(answer(wrong, 'Odile', 'rebuild', 'nut-hand-left', { typed: 'right' })).toContain('it must be left');
    expect(answer(wrong, 'Odile', 'rebuild', 'nut-hand-left', { typed: 'left' })).toBeNull();
  });
});

describe('an answer at rebuild that is not right', () => {
  test('is refused in words; an inspector may let it stand, with a reason', () => {
    const job = rebuiltTo('rotary');
    answerUpTo(job, 'rotary', 'seal-setting-left');
    const far = { typed: '14' };
    expect(answer(job, 'Odile', 'rebuild', 'seal-setting-left', far)).toContain('14 mm differs from 12 mm at teardown');
    expect(answer(job, 'Odile', 'rebuild', 'seal-setting-left', { typed: '0' })).toContain('cannot be meant');
    expect(concede(job, 'Marek', 'seal-setting-left', far)).toBe('A concession needs its reason.');
    expect(concede(job, 'Marek', 'seal-setting-left', { typed: '12.1', reason: 'x' })).toContain('needs no concession');
    expect(concede(job, 'Marek', 'seal-setting-left', { ...far, reason: 'longer sleeve' })).toBeNull();
    const kept = present(job.record.answers.find((one) => one.actionId === 'seal-setting-left'));
    expect(kept).toMatchObject({ conceded: true, personName: 'Marek', data: { reason: 'longer sleeve' }, value: 14 });
  });
  test('a torque outside its window, a bearing too hot, a grease that swells: each is refused by name', () => {
    const hot = rebuiltTo('bearings');
    const reached = (typed: string) => answer(hot, 'Odile', 'rebuild', 'bearings-heat', { typed, ambientC: 20 });
    expect(reached('60')).toContain('60 °C is less than the 103 °C that this fit needs');
    const cold = { typed: '60', ambientC: 20, reason: 'it went on by hand' };
    expect(concede(rebuiltTo('bearings'), 'Marek', 'bearings-heat', cold)).toBeNull();
    // A bearing that the heat spoiled is not let stand.
    expect(concede(hot, 'Marek', 'bearings-heat', { ...cold, typed: '130' })).toContain('passes the limit of 110 °C');
    expect(reached('130')).toContain('130 °C passes the limit of 110 °C');
    expect(answer(hot, 'Odile', 'rebuild', 'bearings-heat', { typed: '105' })).toContain('Type the room temperature');
    const seat = rebuiltTo('seat');
    expect(answer(seat, 'Odile', 'rebuild', 'seat-do', { consumable: 'mineral grease' })).toContain('it swells');
    expect(answer(seat, 'Odile', 'rebuild', 'seat-do', { consumable: 'honey' })).toBe('Choose what was used.');
    const nut = rebuiltTo('impeller-on');
    answerUpTo(nut, 'impeller-on', 'impeller-on-torque');
    expect(answer(nut, 'Odile', 'rebuild', 'impeller-on-torque', { typed: '130' })).toBe(
      '130 N·m is outside the window of 95 to 115 N·m.',
    );
  });
  test('what is not possible at rebuild is said by an inspector, never by the technician alone', () => {
    const job = rebuiltTo('bearings');
    const sent = { notPossible: true, reason: 'heater is broken' };
    expect(answer(job, 'Odile', 'rebuild', 'bearings-heat', sent)).toContain('only an inspector or the coordinator');
    expect(concede(job, 'Marek', 'bearings-heat', { ...sent, reason: '' })).toBe('Say why it is not possible.');
    expect(concede(job, 'Marek', 'bearings-heat', sent)).toBeNull();
    expect(next(job, 'rebuild')).toBe('bearings-do');
  });
  test('points as left are measured before the action that wants them is done', () => {
    const job = overhung().playTo('rebuild');
    const steps = job.family.rebuild;
    const step = present(steps.find((one) => one.actions.some(({ answer: form }) => form?.kind === 'measure')));
    job.workThrough('rebuild', steps.slice(0, steps.indexOf(step)));
    const measure = present(step.actions.find(({ answer: form }) => form?.kind === 'measure'));
    answerUpTo(job, step.id, measure.id);
    expect(answer(job, 'Odile', 'rebuild', measure.id)).toMatch(/^Still to be measured as left: /);
    job.answer('rebuild', step, measure);
    expect(job.record.answers.at(-1)?.actionId).toBe(measure.id);
  });
});

describe('a hold point', () => {
  const job = rebuiltTo('rotary');
  const step = present(job.family.rebuild.find((one) => one.id === 'rotary'));
  const sign = (who: Person, basedOn: number) =>
    tried(job, () =>
      job.decide('Odile', ['sign-hold-point', bench.signHoldPoint], signerOf(who), {
        ...{ tag: job.record.tag, stepId: 'rotary', basedOn, signer: noPin },
      }),
    );
  test('is signed once its step is done, as it was seen, by somebody who did none of it', () => {
    expect(sign('Marek', 0)).toBe(`“${step.title}” is not done yet.`);
    for (const action of step.actions) job.answer('rebuild', step, action);
    expect(sign('Odile', 1)).toContain('Odile did something of this step');
    expect(sign('Marek', 9)).toBe('changed-meanwhile');
    expect(sign('Marek', 1)).toBeNull();
    expect(sign('Ines', 2)).toContain('is signed already, by Marek');
  });
  test('a change after signing makes the signature void, and says whose', () => {
    const version = present(job.record.answers.find((one) => one.actionId === 'seal-setting-left')).version;
    expect(answer(job, 'Ines', 'rebuild', 'seal-setting-left', { typed: '12.2', basedOn: version })).toBeNull();
    expect(stepRow(job, 'rotary')).toMatchObject({ state: 'done', second: null, data: { voided: 'Marek' } });
    // Who changed something worked on it, too.
    expect(sign('Ines', stepRow(job, 'rotary').version)).toContain('Ines did something of this step');
  });
});

describe('taking back', () => {
  const job = overhung().playTo('teardown');
  const step = present(job.family.teardown[0]);
  const undo = (actionId: string, basedOn: number) =>
    tried(job, () =>
      job.decide('Ines', ['undo-answer', bench.undoAnswer], null, {
        ...{ tag: job.record.tag, phase: 'teardown' as const, actionId, basedOn },
      }),
    );
  const open = (stepId: string, basedOn: number, actionId?: string) =>
    tried(job, () =>
      job.decide('Ines', ['open-again', bench.openAgain], null, {
        ...{ tag: job.record.tag, phase: 'teardown' as const, stepId, reason: 'counted twice', basedOn },
        ...(actionId !== undefined && { actionId }),
      }),
    );
  const last = present(step.actions.at(-1)).id;
  test('the last answer goes without a word and leaves its step open', () => {
    for (const action of step.actions) job.answer('teardown', step, action);
    expect(stepRow(job, step.id).state).toBe('done');
    expect(undo('no-such', 1)).toContain('not an action');
    expect(undo(last, 7)).toBe('changed-meanwhile');
    expect(undo(last, 1)).toBeNull();
    expect(stepRow(job, step.id).state).toBe('open');
    expect(next(job, 'teardown')).toBe(last);
    expect(undo(last, 2)).toContain('is not answered');
  });
  test('an earlier one does not; its step is opened again with a reason', () => {
    job.answer('teardown', step, present(step.actions.at(-1)));
    const after = present(job.family.teardown[1]);
    job.answer('teardown', after, present(after.actions[0]));
    expect(undo(last, 3)).toContain('is not the last thing that was answered here');
    const { version } = stepRow(job, step.id);
    expect(open('no-such', version)).toContain('is not a step');
    expect(open(step.id, 0)).toBe('changed-meanwhile');
    expect(open(step.id, version, 'no-such')).toContain('is not an action');
    expect(open(step.id, version)).toBeNull();
    expect(stepRow(job, step.id)).toMatchObject({ state: 'open', data: { reopened: 'counted twice' } });
    expect(next(job, 'teardown')).toBe(present(step.actions[0]).id);
    expect(open(step.id, version + 1)).toBe(`“${step.title}” is open.`);
  });
  test('replay of all that gives the record', () => expect(job.difference()).toBeNull());
});

describe('a stack of stages, counted as this pump is built', () => {
  const job = new CoreJob(loadFamily(f4), {
    ...{ duty: water, build: { counts: { stage: 3 } }, found: {}, dispose: {} },
  }).playTo('teardown');
  test('as many as its stages are right; one fewer is a finding', () => {
    for (;;) {
      const at = present(nextAction(workOf(job.record, job.family, 'teardown')));
      if (at.action.action.id === 'stage-count') break;
      job.answer('teardown', at.step.step, at.action.action);
    }
    expect(answer(job, 'Odile', 'teardown', 'stage-count', { typed: '2' })).toBeNull();
    expect(job.record.findings.at(-1)?.words).toBe(
      'Stages seen through the straps: 2 counted, this pump has 3. Another number is another construction: correct it before going on.',
    );
  });
});
