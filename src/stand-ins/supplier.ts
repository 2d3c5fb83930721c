import { present } from '@/core/present';
import { chanceFrom } from './chance';
import type { Supplier, SupplierOrder } from './contract';

const addDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

function dueOf(order: SupplierOrder): string {
  const longest = Math.max(1, ...order.lines.map((line) => line.leadDays));
  const slip = Math.floor(chanceFrom(`${order.number}/slip`)() * 3);
  return addDays(order.placedOn, longest + slip);
}

/**
 * About one order in three is a piece short on its first parcel, never its only piece; the rest follows a day later.
 */
function shortLine({ number, lines }: SupplierOrder): string | null {
  const chance = chanceFrom(`${number}/short`);
  if (chance() > 0.36 || lines.reduce((sum, line) => sum + line.quantity, 0) < 2) return null;
  const ids = lines.map((line) => line.lineId).sort();
  return present(ids[Math.floor(chance() * ids.length)]);
}

/** A supplier who acknowledges with a date, delivers on that day, and is sometimes short. */
export const simulatedSupplier: Supplier = {
  async acknowledge(order) {
    return { reference: `ACK-${order.number}`, dueOn: dueOf(order) };
  },
  async parcelBy(order, day) {
    const due = dueOf(order);
    if (day < due) return { lines: [], restOn: due };
    const short = shortLine(order);
    const first = order.lines.every((line) => !order.sentBefore[line.lineId]);
    const lines = order.lines.flatMap((line) => {
      const left = line.quantity - (order.sentBefore[line.lineId] ?? 0);
      const held = first && line.lineId === short ? 1 : 0;
      return left - held > 0 ? [{ lineId: line.lineId, quantity: left - held }] : [];
    });
    return { lines, restOn: first && short ? addDays(day, 1) : null };
  },
};
