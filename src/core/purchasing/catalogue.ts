import type { OfferKind } from '../record';

/** Whom the shop buys from. Money is in minor units of the supplier's own currency. */
export interface CatalogueSupplier {
  readonly id: string;
  readonly name: string;
  readonly contact: string;
  readonly email: string;
  readonly telephone: string;
  /** ISO 4217. */
  readonly currency: string;
  /** How many of the shop's money one of theirs is; above 0. */
  readonly rate: number;
  readonly freightMinor: number;
  /** The least that the goods of an order come to; 0 for none. */
  readonly minimumMinor: number;
  /** Until when an order leaves on the same day, such as 14:00 in the shop's zone; empty for any hour. */
  readonly cutOff: string;
  /** Who is asked for what nobody offers. */
  readonly isUsual: boolean;
  readonly isActive: boolean;
}

/** A part that is in one of an offer. */
export interface OfferPiece {
  readonly number: string;
  /** What it is made of, where that is fixed; empty where it is said on the order or does not matter. */
  readonly elastomer: string;
  readonly quantity: number;
}

/** What a supplier sells under one code: a part by itself, a pack of it, or a kit. */
export interface CatalogueOffer {
  readonly id: string;
  readonly supplierId: string;
  readonly code: string;
  readonly kind: OfferKind;
  readonly title: string;
  /** Of one, in the supplier's currency. */
  readonly priceMinor: number;
  readonly leadDays: number;
  /** The fewest that are sold at once, at least 1. */
  readonly least: number;
  /** The last day of the price; null for until further notice. */
  readonly validUntil: string | null;
  readonly pieces: readonly OfferPiece[];
}

/** A number that the shop knows. */
export interface CatalogueNumber {
  readonly number: string;
  readonly title: string;
  readonly elastomer: string;
  readonly variant: string;
  /** Numbers of one group stand for each other; empty for none. */
  readonly interchangeGroup: string;
  /** The number that took its place; empty where it is still made. */
  readonly supersededBy: string;
}

/** What lies on the shelf under one number and elastomer. */
export interface StockItem {
  readonly number: string;
  readonly elastomer: string;
  readonly title: string;
  readonly bin: string;
  readonly quantity: number;
  readonly minimum: number;
  /** What one cost, in minor units of the shop's money. */
  readonly unitCostMinor: number;
}

/** What of a job is still to come or to be arranged. */
export interface SupplyLine {
  readonly tag: string;
  readonly partRef: string;
  readonly name: string;
  readonly number: string;
  readonly elastomer: string;
  readonly quantity: number;
  readonly ordered: number;
  readonly received: number;
  /** How many are still to be bought. */
  readonly toBuy: number;
  readonly leadDays: number;
  readonly dueOn: string | null;
  /**
   * The last day on which it may come for the promise to hold, or the one on which the plan has hands for it; null without
   * a promise.
   */
  readonly neededBy: string | null;
  /** Whether the plan has no hands for it before that day. */
  readonly isByHands?: boolean;
  /** Titles of the steps that wait for it. */
  readonly blocks: readonly string[];
  /** Wanted before the customer has answered. */
  readonly isAtRisk: boolean;
}

/** A line with its day from the plan: where hands are awaited anyway, nothing need come before they are there. */
export function datedByPlan<Line extends Pick<SupplyLine, 'neededBy'>>(
  line: Line,
  planned: { readonly goesOn: string | null; readonly isByHands: boolean } | null,
): Line & Pick<SupplyLine, 'isByHands'> {
  return planned?.goesOn && planned.isByHands ? { ...line, neededBy: planned.goesOn, isByHands: true } : line;
}
