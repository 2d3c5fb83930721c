import { reckonSetting } from '../../bench/reckon-setting';
import { elastomersMet, findPart, suitableConsumables, type FormOf, type Step, type StepAction } from '../../family';
import { judgePoint } from '../../inspection';
import { missingOf, needsOf, unreadOf } from '../../supply';
import { openSupplements, type JobRecord } from '../../record';
import { heatFor } from '../../bench/heat';
import { bearingHeatLimitsC, findSum, reckonBearingHeat } from '../../sums';
import { readValue, standingReadings, type Judged } from '../../bench';
import { reason, refuse, type Given } from '../decision';
import type { AnswerAction } from '../inputs';

/** How far below the reckoned temperature a bearing may be when it is put on, in °C: it cools on the way. */
const coolingAllowanceC = 5;

/** Where labels are read, each part is known by its label before it goes in. */
function checkLabels(step: Step, refs: readonly string[], { record, family }: Pick<Given, 'record' | 'family'>): void {
  if (record.station !== 'rebuild') return;
  const unread = unreadOf(refs, record, 'rebuild');
  if (!unread.length) return;
  const parts = unread.map((ref) => findPart(family, ref)?.name ?? ref);
  refuse('wrong-state', reason('labels-unread', { step: step.title, parts }));
}

/** Parts that were asked for and are not in the house stop the step that takes them. */
export function checkParts(step: Step, refs: readonly string[], { record, family }: Given): void {
  const missing = missingOf(refs, needsOf(record, family));
  if (!missing.length) return checkLabels(step, refs, { record, family });
  const parts = missing.map(({ name, quantity, received, dueOn }) => ({ name, left: quantity - received, dueOn }));
  refuse('part-missing', reason('parts-wait', { step: step.title, parts }));
}

/** A step that waits for the answer to a supplement is not done before it; the others go on. */
export function checkSupplements(step: Step, { record }: Given): void {
  const open = openSupplements(record).find(({ supplement }) => supplement?.stops.includes(step.id));
  if (open) refuse('wrong-state', reason('supplement-first', { step: step.title, supplement: open.revision }));
}

/** A picture beside an answer is one of this job, whatever the answer is. */
export function checkOwnPicture({ photoId }: AnswerAction, record: JobRecord): void {
  if (photoId !== null && !record.photos.some((photo) => photo.id === photoId))
    refuse('wrong-job', reason('picture-of-another-job'), 'photoId');
}

/** What asks for a picture gets one. */
export function checkPhoto({ ask }: FormOf<'photo'>, { photoId }: AnswerAction): void {
  if (photoId === null) refuse('bad-input', reason('picture-wanted', { ask }), 'photoId');
}

/** Every place of every point: as found where the pump comes apart, as left where it goes together. */
export function checkMeasured(
  { points }: FormOf<'measure'>,
  { record, family }: Given,
  { phase: benchPhase }: AnswerAction,
): void {
  const phase = benchPhase === 'teardown' ? 'as-found' : 'as-left';
  const left = family.points
    .filter((point) => points.includes(point.id) && point.measured.includes(phase))
    .map((point) => judgePoint(point, { readings: standingReadings(record, family), phase }))
    .filter((state) => state.taken < state.wanted);
  if (left.length) refuse('bad-input', reason('points-left', { points: left.map((one) => one.point.title) }), 'typed');
}

/** Where a torque goes on by passes, one figure a pass, rising to the last. */
export function checkPasses({ passes_pct }: FormOf<'torque'>, { passes }: AnswerAction): void {
  if (!passes_pct || passes_pct.length < 2) return;
  const isRising = passes?.every((torque, i) => i === 0 || torque >= (passes[i - 1] ?? 0));
  if (passes?.length !== passes_pct.length || !isRising)
    refuse('bad-input', reason('passes-wanted', { count: passes_pct.length }), 'passes');
}

/**
 * The temperature that a bearing reached. One that is spoiled by it is refused; one that is too cold for its fit is
 * not right, and may be conceded where it went on all the same.
 */
export function judgeHeat(form: FormOf<'heat'>, { typed, ambientC }: AnswerAction, given: Given): Judged {
  const read = readValue(typed, '°C');
  if (!read.ok || ambientC === undefined) return refuse('bad-input', reason('temperatures-wanted'), 'typed');
  const { result } = reckonBearingHeat(heatFor(form, given, ambientC));
  const temperatureC = read.value;
  const limitC = form.sealed ? bearingHeatLimitsC.sealed : bearingHeatLimitsC.open;
  if (temperatureC > limitC) refuse('bad-input', reason('bearing-too-hot', { temperatureC, limitC }), 'typed');
  const neededC = result.temperature_c;
  const isCold = temperatureC < neededC - coolingAllowanceC;
  const wrong = isCold ? reason('bearing-too-cold', { temperatureC, neededC }) : null;
  return { typed, value: temperatureC, unit: '°C', refused: null, wrong };
}

/** The figure of a setting for this job; null where the sum gives none that is a number. */
export function askedFigure(form: FormOf<'setting'>, given: Given): number | null {
  const { outcome, waits, needsSolver } = reckonSetting(form, given, findSum);
  if (needsSolver) return null;
  if (!outcome) return refuse('bad-input', reason('setting-waits', { title: form.title, waits }), 'typed');
  const figure = (outcome.result as Readonly<Record<string, unknown>>)[form.gives];
  return typeof figure === 'number' ? figure : null;
}

/** What is put on or in must be named, and stood by every elastomer that it meets. */
export function checkConsumable(
  action: StepAction,
  step: Step,
  { given: { record, family }, command }: { readonly given: Given; readonly command: AnswerAction },
): void {
  if (!action.consumables.length) return;
  const chosen = action.consumables.find((one) => one.what === command.consumable);
  if (!chosen) return refuse('bad-input', reason('consumable-wanted'), 'consumable');
  const where = { action, step, family, elastomer: record.intake.elastomer };
  const suitable = suitableConsumables(where);
  if (suitable.includes(chosen)) return;
  const met = elastomersMet(where).filter((one) => !chosen.suits.includes(one));
  const about = { what: chosen.what, met, suitable: suitable.map((one) => one.what) };
  refuse('bad-input', reason('consumable-swells', about), 'consumable');
}
