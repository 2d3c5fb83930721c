import { reason, refuse, refuseChanged } from '@/core/change/decision';
import type { StockMoveKind } from '@/core/record';
import { lockStock, writeStock, type Connection } from '@/db';
import type { Context } from '../context';
import { forVerb, inTransaction } from '../use-case';

interface Moved {
  readonly number: string;
  readonly elastomer: string;
  readonly kind: StockMoveKind;
  readonly change: number;
  readonly reference: string;
  readonly reason: string;
  /** For a number that lies there for the first time. */
  readonly title?: string;
  readonly bin?: string;
  readonly unitCostMinor?: number;
}

const nameOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.name : 'Puddlestone');

/**
 * Changes what lies on the shelf, with its trace. Refuses to take more than lies there.
 * @returns how many lie there after
 */
export async function moveStock(context: Context, connection: Connection, moved: Moved): Promise<number> {
  const { number, elastomer, kind, change, reference } = moved;
  const row = await lockStock(connection, moved);
  const before = row?.quantity ?? 0;
  const after = before + change;
  if (after < 0) refuse('wrong-state', reason('not-on-shelf', { number, wanted: -change, there: before }));
  const item = {
    ...{ number: row?.number ?? number, elastomer, title: row?.title ?? moved.title ?? number },
    ...{ bin: row?.bin ?? moved.bin ?? '', quantity: after, minimum: row?.minimum ?? 0 },
    unitCostMinor: moved.unitCostMinor ?? row?.unitCostMinor ?? 0,
  };
  await writeStock(connection, item, {
    ...{ id: context.newId<never>(), number, elastomer, kind, change, after, reference, reason: moved.reason },
    ...{ personName: nameOf(context), at: context.now() },
  });
  return after;
}

/** A count of the shelf: what lies there is what was counted; another figure than before says why. */
export const countStock = forVerb('count-stock', async (context, { basedOn, counted, reason: why, ...item }) =>
  inTransaction(context, async (connection) => {
    const row = await lockStock(connection, item);
    if ((row?.version ?? 0) !== basedOn) refuseChanged(row && { quantity: row.quantity }, { quantity: counted });
    const change = counted - (row?.quantity ?? 0);
    const { number, elastomer } = item;
    await writeStock(
      connection,
      { ...item, quantity: counted },
      {
        ...{ id: context.newId<never>(), number, elastomer, kind: 'counted', change, after: counted, reference: '' },
        ...{ reason: why, personName: nameOf(context), at: context.now() },
      },
    );
    return { after: counted, change };
  }),
);
