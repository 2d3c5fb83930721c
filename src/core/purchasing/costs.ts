import type { Family } from '../family';
import { sheetsOf, type JobRecord, type QuoteLine } from '../record';
import { approvedLines, numberKey } from '../supply';
import { timesPrice } from '../money';
import type { StockItem } from './catalogue';
import type { ShopOrder, ShopOrderLine } from './shop-order';

/** One kind of cost of a job: what its quote reckoned with, and what it came to; null where nobody knows yet. */
export interface JobCost {
  readonly what: string;
  readonly quotedMinor: number | null;
  readonly trueMinor: number | null;
  /** Of which orders, or what is missing. */
  readonly note: string;
}

interface Asked {
  readonly record: JobRecord;
  readonly family: Family;
  readonly orders: readonly ShopOrder[];
  readonly stock: readonly StockItem[];
  /** What an hour of hands costs the shop, minor units; null where the owner has not said it. */
  readonly wageMinorPerHour: number | null;
  /** Minutes that were worked on it at the bench and the desk. */
  readonly workedMinutes: number;
}

/**
 * What one piece of a line cost, in the shop's money, with its fraction: of a kit, its share by the pieces' list prices,
 * or by their count where no list names one of them. Null while the price is not said.
 */
export function pieceCost(
  line: ShopOrderLine,
  number: string,
  { rate, listPriceOf }: { readonly rate: number; readonly listPriceOf: (number: string) => number | null },
): number | null {
  const price = line.saidPriceMinor ?? line.priceMinor;
  if (price === null) return null;
  const weights = line.pieces.map((piece) => listPriceOf(piece.number));
  const isListed = weights.every((weight) => weight !== null && weight > 0);
  const weightOf = (i: number) => (isListed ? (weights[i] ?? 1) : 1);
  const whole = line.pieces.reduce((sum, piece, i) => sum + piece.quantity * weightOf(i), 0);
  const at = line.pieces.findIndex((piece) => numberKey(piece.number) === numberKey(number));
  if (at < 0 || whole <= 0) return null;
  return (price * line.quantity * rate * weightOf(at)) / whole;
}

const sumOf = (amounts: readonly number[]) => amounts.reduce((sum, one) => sum + one, 0);

/** What the approved lines of some kinds reckoned that the shop would pay. */
function quotedCost(lines: readonly QuoteLine[], kinds: readonly QuoteLine['kind'][]): number | null {
  const own = lines.filter(({ kind }) => kinds.includes(kind));
  if (!own.length) return null;
  const known = own.filter(({ unitCostMinor }) => unitCostMinor !== null);
  return sumOf(known.map(({ quantity, unitCostMinor }) => timesPrice(quantity, unitCostMinor ?? 0)));
}

/** What was bought for the job: its own pieces of each order, at the price that was acknowledged. */
function bought({ record, family, orders }: Asked) {
  const listed = new Map(family.parts.map(({ number, price_minor }) => [numberKey(number), price_minor]));
  const listPriceOf = (number: string) => listed.get(numberKey(number)) ?? null;
  const costs = record.orders.flatMap(({ number, lines }) => {
    const order = orders.find((one) => one.number === number);
    return lines.map((own) => {
      const line = order?.lines.find(({ pieces }) =>
        pieces.some((piece) => numberKey(piece.number) === numberKey(own.number)),
      );
      const each = order && line ? pieceCost(line, own.number, { rate: order.rate, listPriceOf }) : null;
      return each === null ? null : each * own.quantity;
    });
  });
  const open = costs.filter((one) => one === null).length;
  return { minor: Math.round(sumOf(costs.map((one) => one ?? 0))), open };
}

/** What was taken off the shelf for the job, at what it cost. */
function fromShelf({ record, family, stock }: Asked): number {
  const taken = sheetsOf(record, 'source').filter(({ body }) => body.source === 'shelf' && body.here);
  return sumOf(
    taken.map(({ key, body }) => {
      const number = body.here?.number || family.parts.find(({ ref }) => ref === key)?.number || '';
      const item = stock.find((one) => numberKey(one.number) === numberKey(number));
      return (body.here?.count ?? 0) * (item?.unitCostMinor ?? 0);
    }),
  );
}

/** What parts that were made here took of hands and material; null where the wage is not said. */
function madeCost({ record, wageMinorPerHour }: Asked): number | null {
  const made = sheetsOf(record, 'made').map(({ body }) => body);
  if (!made.length) return null;
  if (wageMinorPerHour === null) return null;
  const minutes = sumOf(made.flatMap(({ worked }) => worked.map((one) => one.minutes)));
  return timesPrice(minutes / 60, wageMinorPerHour) + sumOf(made.map(({ materialMinor }) => materialMinor));
}

const tenths = (hours: number) => Math.round(hours * 10) / 10;

/** What the hours that were sold cost the shop, and those that were worked; null where the wage is not said. */
function handsCost({ wageMinorPerHour, workedMinutes }: Asked, lines: readonly QuoteLine[]): JobCost {
  const hours = sumOf(
    lines.filter(({ kind, unit }) => unit === 'h' && ['labour', 'test'].includes(kind)).map(({ quantity }) => quantity),
  );
  const at = (worked: number) =>
    worked > 0 && wageMinorPerHour !== null ? timesPrice(worked, wageMinorPerHour) : null;
  const said = `${tenths(workedMinutes / 60)} h worked, ${tenths(hours)} h sold`;
  return {
    ...{ what: 'Our hands', quotedMinor: at(hours), trueMinor: at(workedMinutes / 60) },
    note: wageMinorPerHour === null ? `${said}; what an hour costs is not said` : said,
  };
}

/**
 * What a job costs the shop: its hands, parts, what is made here, work outside; quoted beside true, minor units of the
 * shop's money.
 */
export function costsOf(asked: Asked): readonly JobCost[] {
  const { record } = asked;
  const lines = approvedLines(record);
  const parts = bought(asked);
  const shelf = fromShelf(asked);
  const outside = sheetsOf(record, 'outside').map(({ body }) => body);
  const open = parts.open ? `${parts.open} ${parts.open === 1 ? 'line has' : 'lines have'} no price yet` : '';
  const hands = handsCost(asked, lines);
  const others = [
    {
      ...{ what: 'Parts', quotedMinor: quotedCost(lines, ['part']), note: open },
      trueMinor: record.orders.length || shelf ? parts.minor + shelf : null,
    },
    { what: 'Made here', quotedMinor: quotedCost(lines, ['made']), trueMinor: madeCost(asked), note: '' },
    {
      ...{ what: 'Work outside', quotedMinor: quotedCost(lines, ['outside', 'machining']) },
      ...{ trueMinor: outside.length ? sumOf(outside.map(({ priceMinor }) => priceMinor)) : null, note: '' },
    },
  ].filter(({ quotedMinor, trueMinor }) => quotedMinor !== null || trueMinor !== null);
  return asked.workedMinutes > 0 || hands.quotedMinor !== null ? [hands, ...others] : others;
}
