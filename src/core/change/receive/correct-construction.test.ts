import f1 from '@families/f1-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { sayAnswer, workUntil } from '../../../../test-support/bench-moves';
import { CoreJob, type JobScript } from '../../../../test-support/core-job';
import { workAt } from '../../bench';
import { sayReason } from '../../errors';
import { buildFamily, loadFamily, sayBuild, type Build, type FamilyFile } from '../../family';
import { present } from '../../present';
import { currentQuote } from '../../record';
import { inspection, receive } from '..';

const overhung = loadFamily(f1);
const gear = loadFamily(f6);
const duties = {
  F1: { flowM3h: 25, headM: 32, powerKw: 3.3, speedRpm: 2900 },
  F6: { flowM3h: 16, headM: 60, speedRpm: 400 },
};
const script = (build: Build, family: 'F1' | 'F6'): JobScript => ({
  ...{ build, duty: duties[family], found: {}, dispose: {} },
  ...{ pumpedAt: { temperatureC: 120, viscosityMm2S: 700 }, elastomer: 'FKM' },
});
const jobOf = (file: FamilyFile, axes: Readonly<Record<string, string>> = {}) =>
  new CoreJob(file, script({ axes }, file === gear ? 'F6' : 'F1'));

/** Says that a pump is built otherwise. What is dropped by it, or why it is refused. */
function correct(job: CoreJob, file: FamilyFile, build: Build, reason = 'seen when it was opened') {
  const built = buildFamily(file, build);
  const command = { tag: job.record.tag, familyId: file.id, reason };
  const decided = job.decide('Odile', ['correct-construction', receive.correctConstruction], { built }, command);
  if (!decided.ok) {
    const { reason: why } = decided.refusal.details;
    return why ? sayReason(why) : decided.refusal.code;
  }
  job.take(decided.decision);
  return decided.decision.result.dropped;
}

describe('corrected while work is under way', () => {
  test('what still applies stays; what does not is named, and stays in the record', () => {
    const job = jobOf(overhung).playTo('teardown');
    workUntil(job, 'teardown', 'coupling-position');
    // The nut’s tab and the collar of the seal were answered; it is a bellows held by threadlocker.
    const before = job.record.answers.length;
    const axes = { seal: 'bellows', locking: 'threadlocker' };
    expect(correct(job, overhung, { axes })).toEqual([
      'Tab was bent',
      'Place of the collar',
      'Set screws of the collar',
    ]);
    expect(job.record.answers).toHaveLength(before);
    expect(job.record.answers.some((one) => one.actionId === 'seal-setting')).toBe(true);
    const at = (actionId: string) => workAt(job.record, job.family, { phase: 'teardown', actionId });
    expect(present(at('nut-hand')).at.answer?.typed).toBe('left');
    expect(at('seal-setting')).toBeNull();
    expect(job.difference()).toBeNull();
  });
  test('a step that was done and has more to do is open again', () => {
    const job = jobOf(overhung).playTo('teardown');
    workUntil(job, 'teardown', 'coupling-position');
    const step = () => present(workAt(job.record, job.family, { phase: 'teardown', actionId: 'spring-off' })).work;
    expect(step().isDone).toBe(true);
    correct(job, overhung, { axes: { seal: 'bellows' } });
    expect(step().isDone).toBe(false);
    expect(step().actions.flatMap(({ action, answer }) => (answer ? [] : [action.id]))).toEqual([
      'spring-found',
      'spring-hand',
    ]);
    expect(sayAnswer(job, { phase: 'teardown', actionId: 'spring-found', typed: 'Conical' })).toBeNull();
    expect(sayAnswer(job, { phase: 'teardown', actionId: 'spring-hand', typed: 'with the rotation' })).toBeNull();
    expect(step().isDone).toBe(true);
  });
  test('what was found out and is said otherwise later follows, under the name of who says so', () => {
    const job = jobOf(overhung).playTo('inspect');
    const found = () => present(job.record.answers.find((one) => one.actionId === 'locking-found'));
    expect(found().typed).toBe('Tab washer');
    const { version } = found();
    expect(correct(job, overhung, { axes: { locking: 'threadlocker' } }, 'no tab under the nut')).toEqual(
      expect.arrayContaining(['Tab was bent']),
    );
    expect(found()).toMatchObject({
      typed: 'Threadlocker',
      version: version + 1,
      data: { reason: 'no tab under the nut' },
    });
    expect(job.difference()).toBeNull();
  });
  test('a finding on a part that the pump turns out not to have is neither decided nor quoted any more', () => {
    const job = jobOf(overhung).playTo('inspect');
    const seen = (partRef: string) =>
      job.act('Odile', ['record-finding', inspection.recordFinding], null, {
        ...{ tag: job.record.tag, partRef, words: 'broken off', plain: '', photoId: null },
      });
    const { findingId } = seen('grease-nipple');
    const target = { tag: job.record.tag, target: { findingId }, action: 'replace' as const, reason: 'x', basedOn: 0 };
    job.act('Marek', ['dispose', inspection.dispose], null, target);
    seen('relief-plug');
    correct(job, overhung, { axes: { supply: 'sealed' } });
    job.playTo('approve');
    const parts = present(currentQuote(job.record)).lines.flatMap((line) => line.parts.map(({ ref }) => ref));
    expect(parts).not.toContain('grease-nipple');
    expect(job.record.findings.map(({ partRef }) => partRef)).toEqual(['grease-nipple', 'relief-plug']);
  });
  test('without a reason, as another construction, as it is built already, and under a quote it is refused', () => {
    const job = jobOf(overhung).playTo('teardown');
    workUntil(job, 'teardown', 'guard-screws');
    expect(correct(job, overhung, { axes: { seal: 'bellows' } }, '')).toContain('Say how it was seen, or why');
    expect(correct(job, gear, {})).toContain('recorded by F1; they would stand for nothing in F6');
    expect(correct(job, overhung, {})).toContain('built so, already');
    job.playTo('quote');
    expect(correct(job, overhung, { axes: { seal: 'bellows' } })).toMatch(
      /^Built so, the teardown of P-0417 asks for more/,
    );
    job.playTo('approve');
    expect(correct(job, overhung, { to: { seal: 'cartridge' } })).toBe('P-0417 is at Parts.');
  });
  test('after teardown it is taken where nothing more has to be taken apart', () => {
    const job = jobOf(overhung).playTo('inspect');
    expect(correct(job, overhung, { axes: { supply: 'sealed' } })).toEqual(expect.arrayContaining(['Grease nipple']));
    expect(job.family.parts.some(({ ref }) => ref === 'grease-nipple')).toBe(false);
  });
  test('while nothing is recorded another construction needs no reason', () =>
    expect(correct(jobOf(overhung), gear, {}, '')).toEqual([]));
});

describe('a conversion', () => {
  test('is built of both: taken apart as it came, put together as it goes back', () => {
    const built = buildFamily(gear, { axes: { variant: 'packed' }, to: { variant: 'cartridge' } });
    const converted = (ref: string) => built.parts.find((part) => part.ref === ref)?.converted;
    expect([converted('packing'), converted('cartridge'), converted('rotor')]).toEqual(['leaves', 'comes', undefined]);
    const came = buildFamily(gear, { axes: { variant: 'packed' } });
    const goesBack = buildFamily(gear, { axes: { variant: 'cartridge' } });
    expect(built.teardown.map(({ id }) => id)).toEqual(came.teardown.map(({ id }) => id));
    expect(built.rebuild.map(({ id }) => id)).toEqual(goesBack.rebuild.map(({ id }) => id));
    const measured = (id: string) => built.points.find((point) => point.id === id)?.measured;
    expect([measured('box-bore'), measured('shaft-seal')]).toEqual([['as-found'], ['as-found', 'as-left']]);
    expect(sayBuild(gear, built.version)).toMatch(/^Packed, .*; goes back as Cartridge seal$/);
    expect(buildFamily(gear, { axes: { variant: 'packed' }, to: { variant: 'packed' } })).toEqual(came);
  });
  test.each([
    ['packed to cartridge', gear, { variant: 'packed' }, { variant: 'cartridge' }, 'packing', 'cartridge'],
    ['component seal to packed', gear, { variant: 'component-seal' }, { variant: 'packed' }, 'seal-face', 'packing'],
    ['single to double with flush', overhung, { seal: 'pusher' }, { seal: 'double' }, 'seal-collar', 'outer-face'],
    ['component seal to cartridge', overhung, { seal: 'bellows' }, { seal: 'cartridge' }, 'seal-face', 'cartridge'],
  ] as const)(
    '%s: decided after inspection, on the quote, and in the report',
    async (_what, file, axes, to, out, into) => {
      const job = jobOf(file, axes).playTo('inspect');
      expect(correct(job, file, { axes, to }, 'the customer wants no leakage')).toEqual([]);
      job.playTo('approve');
      const name = (ref: string) => present(job.family.parts.find((part) => part.ref === ref)).name;
      const quote = currentQuote(job.record);
      const lines = present(quote).lines.filter(({ plain }) => plain.startsWith('Comes with the conversion: '));
      const words = lines.map(({ plain }) => plain).join(' ');
      expect(lines.flatMap(({ parts }) => parts.map(({ ref }) => ref))).toContain(into);
      expect(words).toContain(name(into).toLowerCase());
      expect(words).toContain(name(out).toLowerCase());
      expect(present(quote).lines.flatMap(({ parts }) => parts.map(({ ref }) => ref))).not.toContain(out);
      const report = await job.play();
      expect(report.conversion?.out.map((part) => part.name)).toContain(name(out));
      expect(report.conversion?.in.map((part) => part.name)).toContain(name(into));
      expect(report.parts_fitted.map((part) => part.name)).toContain(name(into));
      expect(report.tests.at(-1)?.decision).toBe('passed');
      expect(job.difference()).toBeNull();
    },
  );
});
