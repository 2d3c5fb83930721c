import * as z from 'zod';
import { offerKinds } from '../../record/supply-enumerations';
import { basedOn, dayField, optionalText, photoId, sentence } from './fields';

const orderNumber = z.string().trim().min(1, 'name the order').max(20);
const amount = z.number('type a whole number').int('whole numbers').min(0).max(1_000_000_000);
const count = z.number('type a count').int('count whole pieces').min(0).max(100_000);
const partNumber = z
  .string()
  .trim()
  .min(1, 'type the number')
  .max(60)
  .refine((text) => /[\p{L}\p{N}]/u.test(text), 'has neither a letter nor a figure');
const currency = z
  .string()
  .trim()
  .regex(/^[A-Z]{3}$/, 'three letters, such as EUR');

/** The plan that was seen, by its fingerprint, and the suppliers whose orders go out. */
export const placeOrdersInput = z.strictObject({
  basedOn: z.string().max(64),
  supplierIds: z.array(z.string().max(36)).min(1, 'choose an order').max(40),
});

export const shopOrderInput = z.strictObject({ number: orderNumber });

export const expediteOrderInput = z.strictObject({ number: orderNumber, wantedOn: dayField, words: sentence(500) });

/** Asks for more packs of a line that is on an order. */
export const raiseOrderLineInput = z.strictObject({
  number: orderNumber,
  position: z.number().int().min(1).max(1000),
  more: z.number('type a count').int('count whole packs').min(1, 'at least one').max(10_000),
  words: sentence(500),
});

/** A letter to the supplier about an order of the shop. */
export const writeAboutOrderInput = z.strictObject({ number: orderNumber, words: sentence(4000) });

/** A picture of a piece of an order as it came, where no job waits for it: the bytes come beside it. */
export const addOrderPhotoInput = z.strictObject({
  number: orderNumber,
  piece: partNumber,
  caption: optionalText(200),
});

/** Which bag of a parcel lies before the scanner. */
export const scanBagInput = z.strictObject({ order: orderNumber, number: partNumber, elastomer: optionalText(40) });

export const cancelOrderLineInput = z.strictObject({
  number: orderNumber,
  position: z.number().int().min(1).max(1000),
  words: sentence(500),
});

/** What of a parcel is right, wrong, or marked otherwise, by number; kits piece by piece. */
export const receiveOrderInput = z.strictObject({
  number: orderNumber,
  counts: z
    .array(
      z.strictObject({
        /** As it was ordered. */
        number: partNumber,
        elastomer: optionalText(40),
        counted: count,
        wrong: count.default(0),
        what: optionalText(300),
        /** What stands on the pieces; empty where nothing does. */
        foundNumber: optionalText(60),
        foundElastomer: optionalText(40),
        foundVariant: optionalText(60),
        lot: optionalText(60),
        /** The picture of what is wrong, in the record of a job that was sent it. */
        photoId: photoId.nullable().default(null),
        accept: z.boolean().default(false),
      }),
    )
    .min(1, 'nothing is counted')
    .max(300),
  /** Where what is for the shelf is laid. */
  bin: optionalText(20),
  note: optionalText(500),
});
export type ReceiveOrder = z.output<typeof receiveOrderInput>;

/** Counts what lies on the shelf, or lays a number there for the first time. */
export const countStockInput = z.strictObject({
  number: partNumber,
  elastomer: optionalText(40),
  title: sentence(191),
  bin: z.string().trim().min(1, 'name the bin').max(20),
  counted: count,
  minimum: count.default(0),
  unitCostMinor: amount.default(0),
  reason: sentence(500),
  basedOn,
});
export type CountStock = z.output<typeof countStockInput>;

export const saveSupplierInput = z.strictObject({
  /** Null for a new one. */
  id: z.string().max(36).nullable().default(null),
  basedOn,
  name: sentence(100),
  contact: optionalText(100),
  email: z.union([z.literal(''), z.string().trim().email('is not a mail address').max(191)]).default(''),
  telephone: optionalText(40),
  currency,
  rate: z.number('type the rate').gt(0, 'must be more than 0').max(1_000_000),
  freightMinor: amount,
  minimumMinor: amount,
  cutOff: z
    .union([z.literal(''), z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time looks like 14:00')])
    .default(''),
  isUsual: z.boolean(),
  isActive: z.boolean(),
});
export type SaveSupplier = z.output<typeof saveSupplierInput>;

export const catalogueKinds = ['suppliers', 'offers', 'numbers'] as const;
export type CatalogueKind = (typeof catalogueKinds)[number];

/** A CSV file of the catalogue, as text. */
export const importCatalogueInput = z.strictObject({
  kind: z.enum(catalogueKinds),
  text: z.string().min(1, 'the file is empty').max(2_000_000, 'the file is larger than 2 MB'),
});

const flag = z
  .string()
  .trim()
  .toLowerCase()
  .refine((text) => ['', 'yes', 'no'].includes(text), 'is yes or no')
  .transform((text) => text === 'yes');
const decimal = (name: string) =>
  z
    .string()
    .trim()
    .regex(/^\d{1,7}(\.\d{1,6})?$/, `${name} is a number with a point, such as 12.50`);
const whole = (name: string) =>
  z
    .string()
    .trim()
    .regex(/^\d{1,6}$/, `${name} is a whole number`);

/** A row of `suppliers.csv`. */
export const supplierRow = z.strictObject({
  name: sentence(100).describe('By which the supplier is known; one row each.'),
  contact: optionalText(100),
  email: z.union([z.literal(''), z.string().trim().email('is not a mail address')]),
  telephone: optionalText(40),
  currency: currency.describe('ISO 4217, such as EUR.'),
  rate: decimal('rate')
    .refine((text) => Number(text) > 0, 'must be more than 0')
    .describe('How many of the shop’s money one of this currency is.'),
  freight: decimal('freight').describe('Of one order, in this currency.'),
  minimum: decimal('minimum').describe('The least that the goods of an order come to; 0 for none.'),
  cut_off: z.union([z.literal(''), z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time looks like 14:00')]),
  usual: flag.describe('yes for the one who is asked for what nobody offers.'),
  active: flag.describe('no for one from whom nothing is bought any more.'),
});

/** A row of `offers.csv`: one piece of one offer. Rows with the same supplier and code are one kit. */
export const offerRow = z.strictObject({
  supplier: sentence(100).describe('The name of a supplier.'),
  code: partNumber.describe('By which it is ordered.'),
  kind: z.enum(offerKinds),
  title: optionalText(191),
  price: z
    .union([z.literal(''), decimal('price')])
    .describe('Of one, in the supplier’s currency; in the first row of an offer.'),
  lead_days: z.union([z.literal(''), whole('lead_days')]),
  least: z.union([z.literal(''), whole('least')]).describe('The fewest that are sold at once; 1 where it is empty.'),
  valid_until: z.union([z.literal(''), dayField]),
  number: partNumber.describe('Of the part that is in it.'),
  elastomer: optionalText(40).describe('Where it is fixed; empty where it is said on the order.'),
  quantity: whole('quantity').describe('How many are in one.'),
});

/** A row of `numbers.csv`. */
export const numberRow = z.strictObject({
  number: partNumber,
  title: optionalText(191),
  elastomer: optionalText(40),
  variant: optionalText(191),
  interchange_group: optionalText(60).describe('Numbers of one group stand for each other.'),
  superseded_by: optionalText(60).describe('The number that took its place.'),
});
