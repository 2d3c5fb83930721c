import { present } from '@/core/present';
import { chanceFrom } from './chance';
import type { Marked, Supplier, SupplierOrder } from './contract';

const dayMs = 86_400_000;
const addDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * dayMs).toISOString().slice(0, 10);
const daysFrom = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / dayMs);

/** What goes wrong with a supplier, so that it can be tried: each house has its own habit. */
interface Habit {
  /** Percent by which the first line is dearer than the list says. */
  readonly risePct?: number;
  /** Days by which the first parcel is put off when it is asked for. */
  readonly putsOffDays?: number;
  /** The rubber that comes in place of the one that was ordered, in the first parcel. */
  readonly sendsElastomer?: string;
  /** The variant that comes in place of the one that was ordered, in the first parcel. */
  readonly sendsVariant?: string;
}

const habits: Readonly<Record<string, Habit>> = {
  'Tarrowby Bearings': { risePct: 6 },
  'Hollowmere Seals': { sendsElastomer: 'NBR' },
  'Kestrel Yard Castings': { putsOffDays: 4, sendsVariant: 'cast iron' },
};
const habitOf = ({ supplier }: SupplierOrder): Habit => habits[supplier] ?? {};

const slipOf = ({ number }: SupplierOrder) => Math.floor(chanceFrom(`${number}/slip`)() * 3);
const dueOfLine = (order: SupplierOrder, { leadDays }: SupplierOrder['lines'][number]) =>
  addDays(order.placedOn, Math.max(1, leadDays) + slipOf(order));

function dueOf(order: SupplierOrder): string {
  return (
    order.lines
      .map((line) => dueOfLine(order, line))
      .sort()
      .at(-1) ?? addDays(order.placedOn, 1 + slipOf(order))
  );
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

/** What stands on the bag; a rubber part may come in another rubber than was ordered. */
function markedOn(order: SupplierOrder, line: SupplierOrder['lines'][number], isFirst: boolean): Marked {
  const { sendsElastomer, sendsVariant } = habitOf(order);
  const isOther = isFirst && sendsElastomer !== undefined && line.elastomer !== '' && line.elastomer !== sendsElastomer;
  const lot = String(Math.floor(chanceFrom(`${order.number}/${line.lineId}/lot`)() * 9000) + 1000);
  const { partNumber, elastomer, variant = '' } = line;
  const isOtherVariant = isFirst && sendsVariant !== undefined && variant !== '';
  return {
    ...{ number: partNumber, elastomer: isOther ? sendsElastomer : elastomer, lot: `L${lot}` },
    variant: isOtherVariant ? sendsVariant : variant,
  };
}

/** A supplier who acknowledges with dates, delivers on them, and has faults: short, late, dearer, the wrong rubber. */
export const simulatedSupplier: Supplier = {
  async acknowledge(order) {
    const { risePct = 0 } = habitOf(order);
    const lines = order.lines.map((line, i) => {
      const dueOn = dueOfLine(order, line);
      if (i > 0 || !risePct || line.priceMinor === null) return { lineId: line.lineId, dueOn };
      return { lineId: line.lineId, dueOn, priceMinor: Math.round(line.priceMinor * (1 + risePct / 100)) };
    });
    return { reference: `ACK-${order.number}`, dueOn: dueOf(order), lines };
  },
  async parcelBy(order, day) {
    const due = dueOf(order);
    const first = order.lines.every((line) => !order.sentBefore[line.lineId]);
    const { putsOffDays = 0 } = habitOf(order);
    const putOff = first && putsOffDays ? addDays(due, putsOffDays) : due;
    if (day < putOff) return { lines: [], restOn: putOff };
    const short = shortLine(order);
    const lines = order.lines.flatMap((line) => {
      const left = line.quantity - (order.sentBefore[line.lineId] ?? 0);
      const held = first && line.lineId === short ? 1 : 0;
      const quantity = left - held;
      return quantity > 0 ? [{ lineId: line.lineId, quantity, marked: markedOn(order, line, first) }] : [];
    });
    return { lines, restOn: first && short ? addDays(day, 1) : null };
  },
  async expedite(order, wantedOn) {
    const soonest = addDays(order.placedOn, Math.max(1, Math.ceil(daysFrom(order.placedOn, order.dueOn) / 2)));
    if (soonest >= order.dueOn) return { dueOn: order.dueOn, surchargeMinor: 0, words: 'It cannot come sooner.' };
    const dueOn = wantedOn > soonest ? wantedOn : soonest;
    const goods = order.lines.reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0);
    const words = dueOn > wantedOn ? 'Sooner, but not as soon as you asked.' : 'By courier, at the charge named.';
    return { dueOn, surchargeMinor: Math.round(goods * 0.15), words };
  },
  async cancel(order, lines, today) {
    if (daysFrom(today, order.dueOn) < 1) return { lines: [], words: 'It is packed already and leaves today.' };
    return { lines, words: 'Struck off without charge.' };
  },
  async add(order, lines, today) {
    const lead = Math.max(1, ...order.lines.map(({ leadDays }) => leadDays));
    const rest = daysFrom(today, order.dueOn);
    if (rest >= lead) return { lines, dueOn: order.dueOn, words: 'Added; it comes with the rest.' };
    return { lines, dueOn: addDays(today, lead), words: 'Added; it comes by itself, for the rest is on its way.' };
  },
};
