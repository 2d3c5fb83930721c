import type { Family } from '../family';
import type { JobRecord, QuoteLine, SupplySource } from '../record';
import { remembered } from '../remembered';
import { approvedLines } from './approved';
import { madeOf, notBackFrom, proposedSource, sourceOf } from './sources';

export interface Need {
  readonly ref: string;
  readonly name: string;
  readonly number: string;
  /** Where it comes from; of what comes from two places, the one that a person chose. */
  readonly source: SupplySource;
  readonly quantity: number;
  /** How many somebody has seen to: ordered, chosen from elsewhere, begun in the shop, sent out. */
  readonly ordered: number;
  /** How many of them are to be bought. */
  readonly bought: number;
  /** How many are in the house, counted. */
  readonly received: number;
  readonly dueOn: string | null;
  readonly leadDays: number;
}

type Supplied = Pick<JobRecord, 'orders' | 'sheets'>;
type Line = Pick<QuoteLine, 'parts'> & Partial<Pick<QuoteLine, 'itemKeys' | 'key'>>;

interface Standing {
  readonly begun: number;
  readonly here: number;
  readonly dates: readonly string[];
}

const nothing: Standing = { begun: 0, here: 0, dates: [] };
const dated = (day: string, isOpen: boolean) => (day && isOpen ? [day] : []);

/** What is on order for a part, and what of it has come. */
function standingOrdered(ref: string, { orders }: Supplied): Standing {
  const lines = orders.flatMap((order) =>
    order.lines
      .filter(({ partRef }) => partRef === ref)
      .map((line) => ({ ...line, dueOn: line.dueOn ?? order.dueOn ?? '' })),
  );
  return {
    begun: lines.reduce((sum, { quantity }) => sum + quantity, 0),
    here: lines.reduce((sum, { received }) => sum + received, 0),
    dates: lines.flatMap(({ dueOn, received, quantity }) => dated(dueOn, received < quantity)),
  };
}

/** What comes from the shelf, the customer or a donor. */
function standingChosen(ref: string, record: Supplied): Standing {
  const chosen = sourceOf(record, ref)?.body;
  if (!chosen || chosen.source === 'bought' || chosen.source === 'made') return nothing;
  const here = chosen.here?.count ?? 0;
  return { begun: chosen.count, here, dates: dated(chosen.dueOn, here < chosen.count) };
}

/** What the shop makes by itself. */
function standingMade(ref: string, record: Supplied, quantity: number): Standing {
  const made = madeOf(record, ref)?.body;
  if (!made || proposedOr(record, ref, 'made') !== 'made') return nothing;
  const isDone = made.handedOver !== null;
  return { begun: quantity, here: isDone ? quantity : 0, dates: dated(made.dueOn, !isDone) };
}

const proposedOr = (record: Supplied, ref: string, proposed: SupplySource): SupplySource =>
  sourceOf(record, ref)?.body.source ?? proposed;

interface Wanted {
  readonly quantity: number;
  readonly proposed: SupplySource;
}

/** What lines need, by part: what they buy, and what they have made or taken from a donor. */
function wantedBy(lines: readonly Line[], family: Family): ReadonlyMap<string, Wanted> {
  const wanted = new Map<string, Wanted>();
  const add = (ref: string, qty: number, proposed: SupplySource) =>
    wanted.set(ref, { quantity: (wanted.get(ref)?.quantity ?? 0) + qty, proposed });
  for (const { parts, itemKeys = [], key = '' } of lines) {
    for (const { ref, qty } of parts) add(ref, qty, 'bought');
    for (const { ref, source } of (itemKeys.length ? itemKeys : [key]).flatMap((one) => proposedSource(one) ?? []))
      // Its hours and its material are two lines of one part.
      if (!wanted.has(ref)) add(ref, family.parts.find((part) => part.ref === ref)?.quantity ?? 1, source);
  }
  return wanted;
}

/** Of a need what is bought: the rest of what comes from the shelf, the customer or a donor; all of what is ordered. */
function boughtOf(
  quantity: number,
  source: SupplySource,
  [ordered, chosen]: readonly [Standing, Standing, Standing],
): number {
  if (source === 'bought') return quantity;
  if (source === 'made' || (source === 'donor' && !chosen.begun)) return ordered.begun;
  return Math.max(0, quantity - chosen.begun);
}

function needOf(ref: string, { quantity, proposed }: Wanted, given: { record: Supplied; family: Family }): Need {
  const { record, family } = given;
  const part = family.parts.find((one) => one.ref === ref);
  const standing = [
    standingOrdered(ref, record),
    standingChosen(ref, record),
    standingMade(ref, record, quantity),
  ] as const;
  const chosen = proposedOr(record, ref, proposed);
  const sum = (key: 'begun' | 'here') => standing.reduce((total, one) => total + one[key], 0);
  const dates = standing.flatMap((one) => one.dates).sort();
  return {
    ...{ ref, name: part?.name ?? ref, number: part?.number ?? '', source: chosen },
    ...{ quantity, ordered: sum('begun'), received: sum('here'), dueOn: dates.at(-1) ?? null },
    bought: boughtOf(quantity, chosen, standing),
    leadDays: part?.lead_days ?? 0,
  };
}

/** Parts that left the house for work and are not back. */
function outsideNeeds(record: Supplied, family: Family): readonly Need[] {
  return notBackFrom(record).map(({ ref, dueOn, isSent }) => {
    const part = family.parts.find((one) => one.ref === ref);
    return {
      ...{ ref, name: part?.name ?? ref, number: part?.number ?? '', source: 'outside', quantity: 1 },
      ...{ ordered: isSent ? 1 : 0, bought: 0, received: 0, dueOn: dueOn || null, leadDays: 0 },
    };
  });
}

/**
 * What must be had for some lines of a quote, wherever it comes from, with what is seen to and what is here. Parts that
 * are out of the house for work are needed too.
 */
export function needsOfLines(lines: readonly Line[], record: Supplied, family: Family): readonly Need[] {
  const wanted = wantedBy(lines, family);
  const own = [...wanted].map(([ref, one]) => needOf(ref, one, { record, family }));
  return [...own, ...outsideNeeds(record, family).filter(({ ref }) => !wanted.has(ref))];
}

/** What must be had for a job: the parts of the approved lines, with what is seen to and what has arrived. */
export function needsOf(
  { approvals, quotes, orders, sheets }: Pick<JobRecord, 'approvals' | 'quotes' | 'orders' | 'sheets'>,
  family: Family,
): readonly Need[] {
  return needsOfApproved(quotes, approvals, orders, sheets, family);
}

/** Gate, next move and remaining work all ask for it. */
const needsOfApproved = remembered(
  (
    quotes: JobRecord['quotes'],
    approvals: JobRecord['approvals'],
    orders: JobRecord['orders'],
    sheets: JobRecord['sheets'],
    family: Family,
  ) => needsOfLines(approvedLines({ quotes, approvals }), { orders, sheets }, family),
);

/** Needs to which nobody has seen yet. */
const unseenTo = (needs: readonly Need[]) => needs.filter((need) => need.ordered < need.quantity);
/** What is on order, or to be ordered; a rest of it at least. */
export const isFromSupplier = ({ source, bought }: Need) => source === 'bought' || bought > 0;
/** What is to be bought and nobody has ordered. */
export const toOrder = (needs: readonly Need[]) => unseenTo(needs).filter(isFromSupplier);
/** What is made, comes from a donor or leaves for work, and nobody has begun. */
export const toArrange = (needs: readonly Need[]) => unseenTo(needs).filter((need) => !isFromSupplier(need));
export const awaited = (needs: readonly Need[]) => needs.filter((need) => need.received < need.quantity);

/** Of some parts those that are not in the house yet: what was asked for is not received in full. */
export function missingOf(refs: readonly string[], needs: readonly Need[]): readonly Need[] {
  return awaited(needs).filter((need) => refs.includes(need.ref));
}
