import type { Family, FamilyFile, SizeRow } from './format';

/** The number and price of what is sold, in one size; a price, or a number, that a column gives is as it says. */
function soldIn(row: SizeRow | undefined, written: { readonly number?: unknown; readonly price_minor: unknown }) {
  return <Sold extends { readonly number?: string | undefined; readonly price_minor: number }>(sold: Sold): Sold => ({
    ...sold,
    ...(sold.number !== undefined &&
      typeof written.number === 'string' && { number: sold.number + (row?.number_ending ?? '') }),
    ...(typeof written.price_minor === 'number' && {
      price_minor: Math.round(sold.price_minor * (row?.price_times ?? 1)),
    }),
  });
}

/** Parts and kits with the numbers and prices of the size that is built. */
export function sized(cut: Family, { written }: FamilyFile, row: SizeRow | undefined): Family {
  const parts = new Map(written.parts.map((part) => [part.ref, part]));
  const kits = new Map(written.kits.map((kit) => [kit.id, kit]));
  return {
    ...cut,
    parts: cut.parts.map((part) => (part.any_size ? part : soldIn(row, parts.get(part.ref) ?? part)(part))),
    kits: cut.kits.map((kit) => soldIn(row, kits.get(kit.id) ?? kit)(kit)),
  };
}
