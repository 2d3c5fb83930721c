import { dateFormat } from '@/words/formats';
import { buyingPlan, buyingTask, type BuyingAsked, type BuyingPlan, type SupplyLine } from '@/core/purchasing';
import { LRUCache } from 'lru-cache';
import { dayInZone } from '@/core/lifecycle';
import type { OrderPlanResult } from '@/core/sums';
import { listCatalogue, listStock, listSuppliers, readShop, sha256, type Connection } from '@/db';
import type { Context } from '../context';
import { reckonHeavy } from '../sums/reckon-heavy';

/** The time of day in a zone, as HH:MM. */
function timeIn(zone: string, now: Date): string {
  return dateFormat('en-GB', {
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
  const shop = await readShop(connection);
  const [suppliers, catalogue, stock] = await Promise.all([
    listSuppliers(connection),
    listCatalogue({ database, connection }, shop?.catalogueVersion ?? ''),
    listStock(connection),
  ]);
  const zone = shop?.zone ?? 'UTC';
  return {
    ...{ suppliers, ...catalogue, stock },
    ...{ today: dayInZone(now().toISOString(), zone), time: timeIn(zone, now()) },
  };
}

type Sum = NonNullable<ReturnType<typeof buyingTask>['sum']>;
/** What was solved lately, by what was asked: every look at the parts asks the same until something changes. */
const solved = new LRUCache<string, Promise<OrderPlanResult>>({ max: 30 });

function solve(sum: Sum): Promise<OrderPlanResult> {
  const key = sha256(JSON.stringify(sum));
  const known = solved.get(key);
  if (known) return known;
  const asked = reckonHeavy('order-plan', sum).then(({ result }) => result as OrderPlanResult);
  solved.set(key, asked);
  // What was not solved is asked again; what is not proven, on a machine that had little time, a minute later.
  asked.then(
    ({ proven }) => !proven && solved.set(key, asked, { ttl: 60_000 }),
    () => solved.delete(key),
  );
  return asked;
}

/** Draws up the buying plan for some lines; the solver runs in a thread of its own. */
export async function drawUpPlan(
  catalogue: Omit<BuyingAsked, 'lines'>,
  lines: readonly SupplyLine[],
): Promise<BuyingPlan> {
  const asked = { ...catalogue, lines };
  const task = buyingTask(asked);
  return buyingPlan(asked, task, task.sum && (await solve(task.sum)));
}
