import { present } from '../present';
import { pointsNamed, type Family, type Setting } from '../family';
import type { JobRecord } from '../record';
import { standingReadings } from './rounds';
import { latestAnswer } from './work';
import { SumRefusal, type FindSum, type Outcome } from '../sums';

/** A setting with this job's own numbers, or what it waits for. */
export interface ReckonedSetting {
  readonly setting: Setting;
  readonly outcome: Outcome<unknown> | null;
  readonly waits: string;
  /** The place on the receiving sheet that says what it waits for; null where it waits for nothing of that. */
  readonly saidAt: 'duty' | 'liquid' | null;
  /** The sum needs a solver, which no bench has: it is reckoned on the sums page, and holds no step up. */
  readonly needsSolver: boolean;
}

interface Job {
  readonly record: JobRecord;
  readonly family: Family;
}

/** The value of an action: of the one at rebuild that asks the same again, where that is answered, else its own. */
function valueAt(actionId: string, { record, family }: Job): number | null {
  const again = family.rebuild
    .flatMap((step) => step.actions)
    .find(({ answer }) => answer && 'agrees_with' in answer && answer.agrees_with === actionId);
  const left = again && latestAnswer(record, 'rebuild', again.id);
  const own = latestAnswer(record, 'rebuild', actionId) ?? latestAnswer(record, 'teardown', actionId);
  return left?.value ?? own?.value ?? null;
}

function factOf(fact: NonNullable<Setting['from'][string]['job']>, { intake }: JobRecord): number | null {
  const { duty } = intake;
  const facts = {
    speed_rpm: duty?.speedRpm,
    flow_m3h: duty?.flowM3h,
    head_m: duty?.headM,
    power_kw: duty?.powerKw,
    liquid_temperature_c: intake.liquidTemperatureC,
    viscosity_mm2_s: intake.viscosityMm2S,
  };
  return facts[fact] ?? null;
}

/** What a fact of the job is called where it is not written down yet. */
const factNames: Readonly<Record<NonNullable<Setting['from'][string]['job']>, string>> = {
  speed_rpm: 'the speed of the duty',
  flow_m3h: 'the flow of the duty',
  head_m: 'the head of the duty',
  power_kw: 'the power of the duty',
  liquid_temperature_c: 'the temperature of the liquid',
  viscosity_mm2_s: 'the viscosity of the liquid',
};

/** Where receiving writes a fact of the job down. */
const saidAtOf = (fact: keyof typeof factNames) =>
  fact === 'liquid_temperature_c' || fact === 'viscosity_mm2_s' ? ('liquid' as const) : ('duty' as const);

function nameOf(from: Setting['from'][string], family: Family): string {
  if (from.job !== undefined) return factNames[from.job];
  const steps = [...family.teardown, ...family.rebuild];
  const action = steps.flatMap((step) => step.actions).find((one) => one.id === from.action);
  const { answer } = action ?? {};
  if (answer) return 'ask' in answer ? answer.ask : (from.action ?? '');
  return pointsNamed(family, from.point ?? '')[0]?.title ?? from.point ?? from.action ?? '';
}

/**
 * What a setting takes from the job: readings as left, or as found where none is left yet, or a position of teardown.
 */
export function takenFrom(from: Setting['from'][string], { record, family }: Job): number | readonly number[] | null {
  if (from.action !== undefined) {
    const value = valueAt(from.action, { record, family });
    return value !== null && from.as === 'list' ? [value] : value;
  }
  if (from.job !== undefined) return factOf(from.job, record);
  const ids = new Set(pointsNamed(family, from.point ?? '').map((point) => point.id));
  const own = standingReadings(record, family).filter((reading) => ids.has(reading.pointId));
  const left = own.filter((reading) => reading.phase === 'as-left');
  const values = (left.length ? left : own).map((reading) => reading.value);
  if (!values.length) return null;
  return from.as === 'list' ? values : values.reduce((sum, value) => sum + value, 0) / values.length;
}

/**
 * Reckons a setting from the family's inputs and the job's readings and positions; never throws for what a job can
 * hold.
 */
export function reckonSetting(setting: Setting, { record, family }: Job, findSum: FindSum): ReckonedSetting {
  const taken = Object.entries(setting.from).map(
    ([field, from]) => [field, takenFrom(from, { record, family }), from] as const,
  );
  const waiting = (waits: string, needsSolver = false, saidAt: ReckonedSetting['saidAt'] = null) => ({
    ...{ setting, outcome: null, waits, needsSolver, saidAt },
  });
  const open = taken.filter(([, value]) => value === null).map(([, , from]) => from);
  if (open.length) {
    const names = open
      .map((from) => nameOf(from, family))
      .join(', ')
      .toLowerCase();
    const { job } = open.find((from) => from.job !== undefined) ?? {};
    return waiting(`waits for ${names}`, false, job === undefined ? null : saidAtOf(job));
  }
  const sum = present(findSum(setting.sum));
  const read = sum.input.safeParse({
    ...setting.input,
    ...Object.fromEntries(taken.map(([field, value]) => [field, value])),
  });
  if (!read.success)
    return waiting(read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '));
  try {
    return { setting, outcome: sum.compute(read.data), waits: '', needsSolver: false, saidAt: null };
  } catch (error) {
    if (error instanceof SumRefusal) return waiting(error.message);
    if (sum.needsSolver) return waiting('is reckoned on the Sums page', true);
    throw error;
  }
}

/** The figure that the step wants, in words. */
export function sayFigure(
  outcome: Outcome<unknown>,
  { gives, unit }: { readonly gives: string; readonly unit: string },
): string {
  const value = (outcome.result as Readonly<Record<string, unknown>>)[gives];
  if (typeof value === 'number') return `${Number(value.toPrecision(4))} ${unit}`;
  if (Array.isArray(value))
    return (
      value
        .map((one) =>
          typeof one === 'object' && one
            ? Object.values(one as object)
                .reverse()
                .join(' × ')
            : String(one),
        )
        .join(', ') || 'none'
    );
  return String(value ?? '—');
}
