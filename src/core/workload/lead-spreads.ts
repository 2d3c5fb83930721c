import type { Spread } from '../planning';
import { quantileBetween } from '../sums/quantile';

/** An order that has come whole. Days as `YYYY-MM-DD`; of an order in several lines the day of the last. */
export interface LeadKept {
  readonly supplier: string;
  readonly placedOn: string;
  /** The day that was acknowledged first; null where none was. */
  readonly firstDueOn: string | null;
  readonly endedOn: string | null;
}

/** Fewer orders of a supplier than this say little: those of all suppliers are taken, or what is usual. */
export const leastLeads = 8;

const dayMs = 86_400_000;

/** The days that an order took over those that were acknowledged; null where that cannot be said. */
function ratioOf({ placedOn, firstDueOn, endedOn }: LeadKept): number | null {
  if (firstDueOn === null || endedOn === null) return null;
  const [placed, due, ended] = [placedOn, firstDueOn, endedOn].map((day) => Date.parse(day) / dayMs) as [
    number,
    number,
    number,
  ];
  return due > placed && ended >= placed ? (ended - placed) / (due - placed) : null;
}

function spreadOf(ratios: readonly number[]): Spread | null {
  if (ratios.length < leastLeads) return null;
  const at = (pct: number) => Math.min(10, Math.max(0.1, quantileBetween(ratios, pct) ?? 1));
  return { p10: at(10), p50: at(50), p90: at(90) };
}

export interface LeadSpreads {
  /** Of all suppliers together; null while there are too few orders. */
  readonly all: Spread | null;
  /** Of each supplier with enough orders of its own. */
  readonly byHouse: Readonly<Record<string, Spread>>;
  /** How many orders they are from. */
  readonly orders: number;
}

/** By what the lead times that suppliers acknowledge vary, from orders that have come whole. */
export function leadSpreads(kept: readonly LeadKept[]): LeadSpreads {
  const ratios = kept.flatMap((order) => {
    const ratio = ratioOf(order);
    return ratio === null ? [] : [{ supplier: order.supplier, ratio }];
  });
  const houses = [...new Set(ratios.map(({ supplier }) => supplier))];
  const byHouse = houses.flatMap((house) => {
    const own = spreadOf(ratios.filter(({ supplier }) => supplier === house).map(({ ratio }) => ratio));
    return own ? [[house, own] as const] : [];
  });
  return {
    all: spreadOf(ratios.map(({ ratio }) => ratio)),
    byHouse: Object.fromEntries(byHouse),
    orders: ratios.length,
  };
}
