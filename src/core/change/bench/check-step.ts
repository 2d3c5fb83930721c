import { elastomersOfStep, suitableConsumables, type Family, type RebuildStep } from '../../family';
import { missingForStep, needsOf } from '../../parts';
import type { CapturePhase, JobRecord } from '../../record';
import { bearingHeatLimitsC, reckonBearingHeat } from '../../sums';
import { reason, refuse, requireStation } from '../decision';
import type { FinishStep } from '../inputs';

/** How far below the reckoned temperature a bearing may be when it is put on, in °C: it cools on the way. */
const coolingAllowanceC = 5;

interface Asked {
  readonly command: FinishStep;
  readonly record: JobRecord;
  readonly family: Family;
}

function checkParts(step: RebuildStep, { record, family }: Asked): void {
  const missing = missingForStep(step.needs, needsOf(record, family));
  if (!missing.length) return;
  const parts = missing.map(({ name, quantity, received, dueOn }) => ({ name, left: quantity - received, dueOn }));
  refuse('part-missing', reason('parts-wait', { step: step.title, parts }));
}

function checkTorque({ window_nm: window }: NonNullable<RebuildStep['torque']>, { torqueNm }: FinishStep): void {
  if (torqueNm === undefined) return refuse('bad-input', reason('torque-wanted', window), 'torqueNm');
  if (torqueNm < window.min || torqueNm > window.max)
    refuse('bad-input', reason('torque-outside-window', { ...window, torqueNm }), 'torqueNm');
}

function checkHeat(heat: NonNullable<RebuildStep['heat']>, { temperatureC, ambientC }: FinishStep): void {
  if (temperatureC === undefined || ambientC === undefined)
    return refuse('bad-input', reason('temperatures-wanted'), 'temperatureC');
  const { result } = reckonBearingHeat({ ...heat, ambient_c: ambientC, school: 'computed' });
  const limitC = heat.sealed ? bearingHeatLimitsC.sealed : bearingHeatLimitsC.open;
  if (temperatureC > limitC) refuse('bad-input', reason('bearing-too-hot', { temperatureC, limitC }), 'temperatureC');
  const neededC = result.temperature_c;
  if (temperatureC < neededC - coolingAllowanceC)
    refuse('bad-input', reason('bearing-too-cold', { temperatureC, neededC }), 'temperatureC');
}

function checkConsumable(step: RebuildStep, { command, record, family }: Asked): void {
  const chosen = step.consumables.find((one) => one.what === command.consumable);
  if (!chosen) return refuse('bad-input', reason('consumable-wanted'), 'consumable');
  const { elastomer } = record.intake;
  const suitable = suitableConsumables(step, family, elastomer);
  if (suitable.includes(chosen)) return;
  const met = elastomersOfStep(step, family, elastomer).filter((one) => !chosen.suits.includes(one));
  const about = { what: chosen.what, met, suitable: suitable.map((one) => one.what) };
  refuse('bad-input', reason('consumable-swells', about), 'consumable');
}

function checkRebuild(step: RebuildStep, asked: Asked): void {
  checkParts(step, asked);
  if (step.torque) checkTorque(step.torque, asked.command);
  if (step.heat) checkHeat(step.heat, asked.command);
  if (step.consumables.length) checkConsumable(step, asked);
}

function checkCautions(cautions: readonly string[], { cautionsRead }: FinishStep): void {
  if (cautions.some((caution) => !cautionsRead.includes(caution)))
    refuse('bad-input', reason('caution-unread'), 'cautionsRead');
}

function checkCaptures(step: Pick<RebuildStep, 'title' | 'captures'>, phase: CapturePhase, record: JobRecord): void {
  const taken = new Set(record.captures.filter((one) => one.phase === phase).map((one) => one.captureId));
  const left = step.captures.filter((capture) => !taken.has(capture.id));
  if (!left.length) return;
  const about = { step: step.title, asks: left.map((capture) => capture.ask) };
  refuse('bad-input', reason('captures-left', about), 'captures');
}

/**
 * Whether a step may be called done: station, cautions, captures; for a rebuild step also parts, torque, temperature
 * and
 * lubricant. Throws DomainError with the reason where it may not.
 */
export function checkStep({ command, record, family }: Asked): void {
  const { phase, stepId } = command;
  const unknown = () => refuse('bad-input', reason('unknown-step', { step: stepId, phase }), 'stepId');
  if (phase === 'test') {
    const check = family.test.checks.find((one) => one.id === stepId);
    if (!check) return unknown();
    requireStation(record, 'test');
    return checkCautions(check.cautions, command);
  }
  const step = family[phase].find((one) => one.id === stepId);
  if (!step) return unknown();
  requireStation(record, phase);
  checkCautions(step.cautions, command);
  checkCaptures(step, phase, record);
  const rebuilt = phase === 'rebuild' ? family.rebuild.find((one) => one.id === stepId) : undefined;
  if (rebuilt) checkRebuild(rebuilt, { command, record, family });
}
