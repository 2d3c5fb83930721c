import { present } from '../present';
import { pointsNamed, type Family, type Setting } from '../family';
import type { JobRecord } from '../record';
import { findSum, SumRefusal, type Outcome } from '../sums';

/** A setting with this job's own numbers, or what it waits for. */
export interface ReckonedSetting {
  readonly setting: Setting;
  readonly outcome: Outcome<unknown> | null;
  readonly waits: string;
}

/**
 * What a setting takes from the job: readings as left, or as found where none is left yet, or a position of teardown.
 */
export function takenFrom(
  from: Setting['from'][string],
  { record, family }: { readonly record: JobRecord; readonly family: Family },
): number | readonly number[] | null {
  if (from.capture)
    return (
      (
        record.captures.findLast((one) => one.phase === 'rebuild' && one.captureId === `${from.capture}-left`) ??
        record.captures.find((one) => one.captureId === from.capture)
      )?.valueMm ?? null
    );
  const ids = new Set(pointsNamed(family, from.point ?? '').map((point) => point.id));
  const own = record.readings.filter((reading) => ids.has(reading.pointId));
  const left = own.filter((reading) => reading.phase === 'as-left');
  const values = (left.length ? left : own).map((reading) => reading.valueMm);
  if (!values.length) return null;
  return from.as === 'list' ? values : values.reduce((sum, value) => sum + value, 0) / values.length;
}

/**
 * Reckons a setting from the family's inputs and the job's readings and positions; never throws for what a job can
 * hold.
 */
export function reckonSetting(setting: Setting, record: JobRecord, family: Family): ReckonedSetting {
  const taken = Object.entries(setting.from).map(
    ([field, from]) => [field, takenFrom(from, { record, family }), from] as const,
  );
  const open = taken
    .filter(([, value]) => value === null)
    .map(([, , from]) => from.capture ?? pointsNamed(family, from.point ?? '')[0]?.title ?? from.point);
  if (open.length) return { setting, outcome: null, waits: `waits for ${open.join(', ').toLowerCase()}` };
  const sum = present(findSum(setting.sum));
  const read = sum.input.safeParse({
    ...setting.input,
    ...Object.fromEntries(taken.map(([field, value]) => [field, value])),
  });
  if (!read.success)
    return {
      setting,
      outcome: null,
      waits: read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
    };
  try {
    return { setting, outcome: sum.compute(read.data), waits: '' };
  } catch (error) {
    // A sum that needs a solver is reckoned on the sums page; what the sum refuses is said.
    return {
      setting,
      outcome: null,
      waits: error instanceof SumRefusal ? error.message : 'is reckoned on the Sums page',
    };
  }
}

/** The figure that the step wants, in words. */
export function sayFigure(outcome: Outcome<unknown>, { gives, unit }: Setting): string {
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
