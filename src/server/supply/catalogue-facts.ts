import { buyingPlan, buyingTask, type BuyingAsked, type BuyingPlan, type SupplyLine } from '@/core/purchasing';
import { dayInZone } from '@/core/lifecycle';
import type { OrderPlanResult } from '@/core/sums';
import { listNumbers, listOffers, listStock, listSuppliers, readShop, type Connection } from '@/db';
import type { Context } from '../context';
import { reckonHeavy } from '../sums/reckon-heavy';

/** The time of day in a zone, as HH:MM. */
function timeIn(zone: string, now: Date): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(now);
}

/** What a buying plan depends on beside what is needed, as it stands now. */
export async function catalogueNow(
  { database, now }: Pick<Context, 'database' | 'now'>,
  connection: Connection = database,
): Promise<Omit<BuyingAsked, 'lines'>> {
  const [suppliers, offers, numbers, stock, shop] = await Promise.all([
    listSuppliers(connection),
    listOffers(connection),
    listNumbers(connection),
    listStock(connection),
    readShop(connection),
  ]);
  const zone = shop?.zone ?? 'UTC';
  return {
    ...{ suppliers, offers, numbers, stock },
    ...{ today: dayInZone(now().toISOString(), zone), time: timeIn(zone, now()) },
  };
}

/** Draws up the buying plan for some lines; the solver runs in a thread of its own. */
export async function drawUpPlan(
  catalogue: Omit<BuyingAsked, 'lines'>,
  lines: readonly SupplyLine[],
): Promise<BuyingPlan> {
  const asked = { ...catalogue, lines };
  const task = buyingTask(asked);
  const solved = task.sum && ((await reckonHeavy('order-plan', task.sum)).result as OrderPlanResult);
  return buyingPlan(asked, task, solved);
}
