export {
  buyingPlan,
  buyingTask,
  type BuyingPlan,
  type BuyingTask,
  type PlannedLine,
  type PlannedOrder,
  type Share,
} from './buying-plan';
export { inShopMoney, shelfTag, type BuyingAsked, type ShelfTake } from './buying-task';
export { datedByPlan } from './catalogue';
export type {
  CatalogueNumber,
  CatalogueOffer,
  CatalogueSupplier,
  OfferPiece,
  StockItem,
  SupplyLine,
} from './catalogue';
export { interchangeOf } from './interchange';
export { supplyLinesOf, type SourcedLine } from './supply-lines';
export {
  afterCount,
  endedIfDone,
  openOf,
  pieceId,
  reliabilityOf,
  shareOut,
  standingOf,
  totalOf,
  unsentOf,
  withPieces,
  type Bag,
  type Claimant,
  type Counted,
  type OrderPiece,
  type Reliability,
  type ShopOrder,
  type ShopOrderLine,
} from './shop-order';
export { piecesToCount, shareCount, type JobCount, type PieceToCount } from './receive';
export {
  catalogueColumns,
  catalogueJsonSchema,
  readNumbers,
  readOffers,
  readSuppliers,
  writeNumbers,
  writeOffers,
  writeSuppliers,
  type FileFault,
  type FileRow,
} from './read-catalogue';
export { effectOf, type PromiseEffect } from './effect';
export { costsOf, pieceCost, type JobCost } from './costs';
