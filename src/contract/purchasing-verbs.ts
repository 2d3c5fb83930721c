import * as z from 'zod';
import {
  addOrderPhotoInput,
  cancelOrderLineInput,
  countStockInput,
  expediteOrderInput,
  importCatalogueInput,
  placeOrdersInput,
  raiseOrderLineInput,
  receiveOrderInput,
  saveSupplierInput,
  scanBagInput,
  shopOrderInput,
  writeAboutOrderInput,
} from '@/core/change/inputs';
import { verb } from './verb';

const desk = ['parts', 'coordinator'] as const;
const pieces = z.array(z.object({ lineId: z.string(), quantity: z.number().int() }));

/** Buying over all jobs: the plan, its orders, what comes of them, the shelf and the catalogue. */
export const purchasingVerbs = {
  'place-orders': verb({
    about: 'Places the orders of the buying plan that was seen; one order may be for several jobs and the shelf.',
    audience: desk,
    input: placeOrdersInput,
    result: z.object({ numbers: z.array(z.string()), jobs: z.number().int() }),
  }),
  'take-order-parcel': verb({
    about: 'A parcel of an order arrives, or a new day for it; it is shared out to the jobs that wait.',
    audience: desk,
    input: shopOrderInput,
    result: z.object({ lines: pieces, restOn: z.string().nullable() }),
  }),
  'receive-order': verb({
    about: 'Receiving check of a parcel that is for several jobs or the shelf, piece by piece.',
    audience: ['parts', 'technician'],
    input: receiveOrderInput,
    result: z.object({
      jobs: z.array(z.string()),
      shelf: z.number().int(),
      /** What came wrong and no job claims. */
      wrongForShelf: z.array(z.string()),
      claims: z.array(z.object({ tag: z.string(), number: z.string() })),
    }),
  }),
  'add-order-photo': verb({
    about: 'A picture of a piece as it came that is for the shelf alone; its bytes go to /api/photos/orders.',
    audience: ['parts', 'technician'],
    input: addOrderPhotoInput,
    result: z.object({ photoId: z.string() }),
  }),
  'expedite-order': verb({
    about: 'Asks a supplier for an earlier day; its answer counts at once in every job that waits.',
    audience: desk,
    input: expediteOrderInput,
    result: z.object({ dueOn: z.string(), surchargeMinor: z.number().int(), words: z.string() }),
  }),
  'cancel-order-line': verb({
    about: 'Asks a supplier to strike off what of a line has not left; it is needed again.',
    audience: desk,
    input: cancelOrderLineInput,
    result: z.object({ struck: z.number().int(), words: z.string() }),
  }),
  'raise-order-line': verb({
    about: 'Asks a supplier for more of a line that is on an order; what no job needs goes on the shelf.',
    audience: desk,
    input: raiseOrderLineInput,
    result: z.object({ added: z.number().int(), dueOn: z.string(), words: z.string() }),
  }),
  'write-about-order': verb({
    about: 'Writes to the supplier about an order, such as what came wrong for the shelf.',
    audience: desk,
    input: writeAboutOrderInput,
    result: z.object({ to: z.string() }),
  }),
  'scan-bag': verb({
    about: 'Reads what stands on a bag of a parcel that waits to be counted; nothing is kept.',
    audience: ['parts', 'technician'],
    input: scanBagInput,
    result: z.object({ number: z.string(), elastomer: z.string(), variant: z.string(), lot: z.string() }),
  }),
  'count-stock': verb({
    about: 'Counts what lies on the shelf under a number, with the reason where it is another count.',
    audience: desk,
    input: countStockInput,
    result: z.object({ after: z.number().int(), change: z.number().int() }),
  }),
  'save-supplier': verb({
    about: 'Writes down a supplier, or changes one.',
    audience: desk,
    input: saveSupplierInput,
    result: z.object({ id: z.string() }),
  }),
  'import-catalogue': verb({
    about:
      'Takes a CSV file of the catalogue in: suppliers, offers or numbers; a fault in a line keeps the whole file out.',
    audience: desk,
    input: importCatalogueInput,
    result: z.object({ added: z.number().int(), changed: z.number().int() }),
  }),
} as const;
