import { elastomerOf, findPart, type Family } from '../family';
import type { Standing } from '../lifecycle';
import { latestArrival } from '../planning';
import { partsAtRisk, unsettledDecline } from '../quoting';
import type { JobRecord, SupplySource } from '../record';
import { awaited, isFromSupplier, needsOf, stepsBlockedBy, type Need } from '../supply';
import type { SupplyLine } from './catalogue';

/** A supply line with where it comes from. */
export interface SourcedLine extends SupplyLine {
  readonly source: SupplySource;
}

interface Job {
  readonly record: JobRecord;
  readonly family: Family;
  readonly standing: Pick<Standing, 'remaining'>;
}

function lineOf(
  { record, family, standing }: Job,
  need: Need,
  over: Pick<SupplyLine, 'toBuy' | 'isAtRisk'>,
): SourcedLine {
  const part = findPart(family, need.ref);
  const { ref: partRef, name, number, source, quantity, ordered, received, dueOn, leadDays } = need;
  return {
    ...{ tag: record.tag, partRef, name, number, source, quantity, ordered, received, dueOn, leadDays },
    elastomer: (part && elastomerOf(part, record.intake.elastomer)) ?? '',
    neededBy: latestArrival(standing.remaining, record.promisedOn),
    blocks: stepsBlockedBy(partRef, family),
    ...over,
  };
}

/**
 * What of an open job is still to come or to be arranged, with what of it is to be bought; before the answer what is
 * advised, marked as at risk. Nothing is bought while a critical decline waits for a word.
 */
export function supplyLinesOf(job: Job): readonly SourcedLine[] {
  const { record, family } = job;
  if (record.closedAt || !record.quotes.length) return [];
  const isOpen = ['parts', 'rebuild', 'test'].includes(record.station) && !unsettledDecline(record);
  const coming = awaited(needsOf(record, family)).map((need) => {
    const left = isFromSupplier(need)
      ? Math.max(0, Math.min(need.bought, need.quantity) - orderedOf(record, need.ref))
      : 0;
    return lineOf(job, need, { toBuy: isOpen ? left : 0, isAtRisk: false });
  });
  const isBefore = record.station === 'quote' || record.station === 'approve';
  const risk = isBefore ? partsAtRisk(record, family) : null;
  const risked = (risk?.needs ?? []).map((need) =>
    lineOf(job, need, { toBuy: need.quantity - need.ordered, isAtRisk: true }),
  );
  return [...coming, ...risked];
}

/** Pieces of a part that stand on the job's orders. */
const orderedOf = ({ orders }: JobRecord, ref: string) =>
  orders.flatMap(({ lines }) => lines).reduce((sum, line) => sum + (line.partRef === ref ? line.quantity : 0), 0);
