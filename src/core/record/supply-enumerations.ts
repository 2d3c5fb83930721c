/** Where what a scope item needs comes from. */
export const scopeSources = [
  'bought',
  'made here',
  'donor',
  'our own hands',
  'kept',
  'shelf',
  'customer’s own',
  'outside',
] as const;
export type ScopeSource = (typeof scopeSources)[number];

/** Where a part that is needed comes from. */
export const supplySources = ['bought', 'shelf', 'customer', 'donor', 'made', 'outside'] as const;
export type SupplySource = (typeof supplySources)[number];
/** Sources that a person chooses for a part in place of the proposed one. */
export const chosenSources = ['bought', 'shelf', 'customer', 'donor', 'made'] as const;
export type ChosenSource = (typeof chosenSources)[number];

/** Parts that a shop draws from dimensions alone and makes by itself. */
export const madeShapes = ['cap', 'bush', 'sleeve', 'gasket'] as const;
export type MadeShape = (typeof madeShapes)[number];
/** From what the measures of a part that is made were taken. */
export const measuredFrom = ['old part', 'mating part', 'drawing'] as const;
export type MeasuredFrom = (typeof measuredFrom)[number];

/** Work that leaves the house. */
export const outsideWorks = ['machining', 'balancing', 'coating', 'winding', 'other'] as const;
export type OutsideWork = (typeof outsideWorks)[number];

/** What a number that stands on a part is, beside the parts list. */
export const numberVerdicts = ['as listed', 'superseded', 'interchange', 'another part', 'question'] as const;
export type NumberVerdict = (typeof numberVerdicts)[number];

/** How a supplier sells: a part by itself or in a pack, or a kit of several parts. */
export const offerKinds = ['single', 'kit'] as const;
export type OfferKind = (typeof offerKinds)[number];
/** Where an order stands between the shop and a supplier. */
export const shopOrderStates = ['placed', 'acknowledged', 'ended', 'cancelled'] as const;
export type ShopOrderState = (typeof shopOrderStates)[number];
/** Why what lies on the shelf changed. */
export const stockMoveKinds = ['counted', 'came in', 'taken', 'put back'] as const;
export type StockMoveKind = (typeof stockMoveKinds)[number];
