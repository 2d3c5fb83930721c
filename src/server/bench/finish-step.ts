import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { elastomersOfStep, suitableConsumables, type Family, type RebuildStep } from '@/core/family';
import { missingForStep, needsOf } from '@/core/parts';
import { rebuildRound, type JobRecord } from '@/core/record';
import { bearingHeat } from '@/core/sums';
import { putStep } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, optionalText, tagField } from '../use-case';

const input = z.strictObject({
  tag: tagField,
  phase: z.enum(['teardown', 'rebuild', 'test']),
  stepId: z.string().max(60),
  cautionsRead: z.array(z.string().max(60)).max(20).default([]),
  torqueNm: z.number('type the torque').gt(0).max(10000).optional(),
  temperatureC: z.number('type the temperature').min(-60).max(300).optional(),
  ambientC: z.number('type the room temperature').min(-30).max(60).optional(),
  consumable: z.string().max(100).optional(),
  note: optionalText(500),
});
type Input = z.infer<typeof input>;

const refuse = (path: string, what: string): never => {
  throw new DomainError('bad-input', { what, issues: [{ path, message: what }] });
};

function checkRebuild(step: RebuildStep, given: Input, record: JobRecord, family: Family): void {
  const missing = missingForStep(step.needs, needsOf(record, family));
  if (missing.length)
    throw new DomainError('part-missing', {
      what: `“${step.title}” waits for ${missing.map((need) => `${need.name} (${need.quantity - need.received}${need.dueOn ? `, due ${need.dueOn}` : ''})`).join(', ')}.`,
    });
  const { torque, heat } = step;
  if (torque && given.torqueNm === undefined)
    refuse('torqueNm', `Type the torque; the window is ${torque.window_nm.min} to ${torque.window_nm.max} N·m.`);
  if (torque && (given.torqueNm! < torque.window_nm.min || given.torqueNm! > torque.window_nm.max))
    refuse(
      'torqueNm',
      `${given.torqueNm} N·m is outside the window of ${torque.window_nm.min} to ${torque.window_nm.max} N·m.`,
    );
  if (heat) checkHeat(heat, given);
  if (step.consumables.length) checkConsumable(step, given, record, family);
}

function checkHeat(heat: NonNullable<RebuildStep['heat']>, given: Input): void {
  if (given.temperatureC === undefined || given.ambientC === undefined)
    return refuse('temperatureC', 'Type the room temperature and the temperature that was reached.');
  const { result } = bearingHeat.compute({ ...heat, ambient_c: given.ambientC, school: 'computed' });
  const limit = heat.sealed ? 80 : 110;
  if (given.temperatureC > limit)
    refuse('temperatureC', `${given.temperatureC} °C passes the limit of ${limit} °C: the bearing is spoiled.`);
  if (given.temperatureC < result.temperature_c - 5)
    refuse(
      'temperatureC',
      `${given.temperatureC} °C is less than the ${result.temperature_c.toFixed(0)} °C that this fit needs.`,
    );
}

function checkConsumable(step: RebuildStep, given: Input, record: JobRecord, family: Family): void {
  const chosen = step.consumables.find((one) => one.what === given.consumable);
  if (!chosen) return refuse('consumable', 'Choose what was used.');
  const suitable = suitableConsumables(step, family, record.intake.elastomer);
  if (suitable.includes(chosen)) return;
  const met = elastomersOfStep(step, family, record.intake.elastomer).filter(
    (elastomer) => !chosen.suits.includes(elastomer),
  );
  refuse(
    'consumable',
    `${chosen.what} does not suit ${met.join(' and ')}: it swells. Use ${suitable.map((one) => one.what).join(' or ') || 'what the maker names'}.`,
  );
}

function checkCautions(cautions: readonly string[], given: Input): void {
  const unread = cautions.filter((caution) => !given.cautionsRead.includes(caution));
  if (unread.length) refuse('cautionsRead', 'Read and acknowledge the caution of this step first.');
}

function checkCaptures(
  step: { readonly title: string; readonly captures: readonly { readonly id: string; readonly ask: string }[] },
  phase: 'teardown' | 'rebuild',
  record: JobRecord,
): void {
  const taken = new Set(record.captures.filter((one) => one.phase === phase).map((one) => one.captureId));
  const left = step.captures.filter((capture) => !taken.has(capture.id));
  if (left.length)
    refuse(
      'captures',
      `Before “${step.title}” is done: ${left.map((capture) => capture.ask.toLowerCase()).join('; ')}.`,
    );
}

function checkStep(given: Input, record: JobRecord, family: Family): void {
  const unknown = () => refuse('stepId', `${given.stepId} is not a step of ${given.phase} in this family.`);
  if (given.phase === 'test') {
    const check = family.test.checks.find((one) => one.id === given.stepId);
    if (!check) return unknown();
    requireStation(record, 'test');
    return checkCautions(check.cautions, given);
  }
  const step = family[given.phase].find((one) => one.id === given.stepId);
  if (!step) return unknown();
  requireStation(record, given.phase);
  checkCautions(step.cautions, given);
  checkCaptures(step, given.phase, record);
  if (given.phase === 'rebuild') checkRebuild(step as RebuildStep, given, record, family);
}

/** Marks a step as done by this person; a rebuild step checks parts, torque, temperature and lubricant first. */
export const finishStep = defineUseCase<Input, { version: number }>({
  verb: 'finish-step',
  audience: ['technician', 'inspector'],
  input: input as z.ZodType<Input>,
  async run(context, given) {
    return changeJob(context, { tag: given.tag, kind: 'finish-step' }, async ({ connection, record, family, who }) => {
      checkStep(given, record, family);
      const { tag: _tag, phase, stepId, cautionsRead, ...rest } = given;
      const data = Object.fromEntries(
        Object.entries({ ...rest, cautions: cautionsRead.join(' ') }).filter(
          ([, value]) => value !== undefined && value !== '',
        ),
      );
      const round = phase === 'rebuild' || phase === 'test' ? rebuildRound(record) : 1;
      await putStep(connection, { jobId: record.id, phase, round, stepId, data, ...who });
      return { result: {}, data: { phase, round, stepId, ...data } };
    });
  },
});
