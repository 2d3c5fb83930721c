import { findPart, limitsOf, type Family, type FamilyPoint } from '../family';
import { judgePoints } from '../inspection';
import { totalQuote } from '../quoting';
import { comesBefore, type JobRecord, type MeasuringUnit, type Outcome, type Phase } from '../record';
import { approvedLines } from '../supply';
import { partLives, type PartLife, type VisitRenewals } from './part-lives';
import { wearOf, type VisitMeasure, type Wear, type WearLimits } from './wear';

/** A visit of a pump with its family as it was then. */
export interface Visit {
  readonly record: JobRecord;
  readonly family: Family;
}

/** A point over the visits of a pump. */
export interface PointHistory {
  readonly id: string;
  readonly title: string;
  readonly unit: MeasuringUnit;
  readonly decimals: number;
  readonly asNew: WearLimits;
  readonly reuse: WearLimits;
  readonly visits: readonly VisitMeasure[];
  readonly wear: Wear;
}

/** What a visit was, as it is told later. */
export interface VisitTold {
  readonly tag: string;
  readonly day: string;
  readonly closedOn: string | null;
  readonly hours: number | null;
  readonly whyOut: string;
  readonly contact: string | null;
  readonly outcome: Outcome;
  readonly renewed: readonly string[];
  /** What was approved, without tax, in minor units; null where nothing was. */
  readonly netMinor: number | null;
  readonly currency: string;
  readonly reports: readonly string[];
  /** Hours since the visit before; null for the first, or without a meter. */
  readonly hoursSince: number | null;
  /** The judgement of a warranty return; null for none. */
  readonly warranty: string | null;
}

export interface PumpHistory {
  readonly points: readonly PointHistory[];
  readonly lives: readonly PartLife[];
  readonly visits: readonly VisitTold[];
}

const dayOf = (iso: string) => iso.slice(0, 10);

/** The worst reading of each point in a phase of a visit. */
function worstOf({ record, family }: Visit, phase: Phase): ReadonlyMap<string, number> {
  const states = judgePoints({ family, readings: record.readings, phase });
  return new Map(states.flatMap(({ point, worst }) => (worst === null ? [] : [[point.id, worst] as const])));
}

/** Parts that a visit renewed, and why: by its finding, or by rule. */
function renewedIn({ record, family }: Visit): VisitRenewals['renewed'] {
  const isBuilt = record.outcome === 'repaired' && !comesBefore(record.station, 'test');
  if (!isBuilt) return [];
  const refs = new Map<string, string>();
  for (const { parts, findingIds } of approvedLines(record)) {
    const found = record.findings.filter(({ id }) => findingIds.includes(id)).map(({ words }) => words);
    for (const { ref } of parts) refs.set(ref, found[0] ?? refs.get(ref) ?? 'by rule');
  }
  return [...refs].map(([ref, why]) => ({ ref, why, name: findPart(family, ref)?.name ?? ref }));
}

function told(visit: Visit, before: Visit | undefined): VisitTold {
  const { record } = visit;
  const { tag, openedAt, closedAt, intake, contact, outcome } = record;
  const lines = approvedLines(record);
  const quote = record.quotes.find(({ id }) => record.approvals.some(({ quoteId }) => quoteId === id));
  const [hours, earlier] = [intake.runningHours, before?.record.intake.runningHours ?? null];
  const claim = record.sheets.find(({ kind }) => kind === 'warranty');
  return {
    ...{ tag, day: dayOf(openedAt), closedOn: closedAt && dayOf(closedAt), hours, whyOut: intake.whyOut, outcome },
    contact: contact?.name ?? null,
    renewed: renewedIn(visit).map(({ name }) => name),
    netMinor: quote && lines.length ? totalQuote(lines, quote).netMinor : null,
    currency: quote?.currency ?? 'EUR',
    reports: record.reports.map(({ number, revision }) => `${number} ${revision}`),
    hoursSince: hours !== null && earlier !== null && hours > earlier ? hours - earlier : null,
    warranty: claim?.kind === 'warranty' ? claim.body.judgement : null,
  };
}

/** Out first, then what is soonest out, then what is most used up. */
function byUrgency({ wear: a }: PointHistory, { wear: b }: PointHistory): number {
  if (a.isOut !== b.isOut) return a.isOut ? -1 : 1;
  const [x, y] = [a.forecast?.hoursLeft ?? Infinity, b.forecast?.hoursLeft ?? Infinity];
  return x === y ? (b.usedShare ?? 0) - (a.usedShare ?? 0) : x - y;
}

/**
 * What a pump has told over its visits: how each point wears and when it will be out, how long its parts lasted, what each
 * visit was.
 * @param visits in the order in which they were
 */
export function pumpHistory(visits: readonly Visit[]): PumpHistory {
  const last = visits.at(-1);
  if (!last) return { points: [], lives: [], visits: [] };
  const found = visits.map((visit) => worstOf(visit, 'as-found'));
  const left = visits.map((visit) => worstOf(visit, 'as-left'));
  const pointOf = (point: FamilyPoint): PointHistory => {
    const { asNew, reuse, decimals } = limitsOf(point);
    const own = visits.map(({ record }, i): VisitMeasure => ({
      ...{ tag: record.tag, day: dayOf(record.openedAt), hours: record.intake.runningHours },
      ...{ asFound: found[i]?.get(point.id) ?? null, asLeft: left[i]?.get(point.id) ?? null },
    }));
    const said = visits.flatMap(({ record }) =>
      record.readings.flatMap((one) => (one.pointId === point.id && one.uncertainty !== null ? [one.uncertainty] : [])),
    );
    const asked = { visits: own, reuse, asNew, uncertainty: Math.max(10 ** -decimals, ...said) };
    const { id, title, unit } = point;
    return { id, title, unit, decimals, asNew, reuse, visits: own, wear: wearOf(asked) };
  };
  const isMeasured = ({ visits: own }: PointHistory) => own.some((one) => one.asFound !== null || one.asLeft !== null);
  return {
    points: last.family.points.map(pointOf).filter(isMeasured).toSorted(byUrgency),
    lives: partLives(
      visits.map((visit) => ({
        ...{ tag: visit.record.tag, day: dayOf(visit.record.openedAt) },
        ...{ hours: visit.record.intake.runningHours, renewed: renewedIn(visit) },
      })),
    ),
    visits: visits.map((visit, i) => told(visit, visits[i - 1])),
  };
}
