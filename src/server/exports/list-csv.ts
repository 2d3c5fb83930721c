import * as z from 'zod';
import { mayAct } from '@/core/access';
import { DomainError } from '@/core/errors';
import { present } from '@/core/present';
import { daySheetsOf, openDaysOf } from '@/core/workload';
import { listAllWorked, listCustomers, listShopOrders } from '@/db';
import type { Context } from '../context';
import { readPlan, readWeeks } from '../planning/read-plan';
import { readFloor } from '../read/read-floor';
import { readOutbox, readShopView } from '../read/read-desks';
import { orderShown, readDonorStock, readOrders, readPartsDesk, readShelf } from '../read/read-parts';
import { readWeek } from '../read/read-week';
import { noteAudit } from '../people/audit';
import { defineUseCase, perform } from '../use-case';
import { writeCsv } from './write-csv';

type Rows = readonly object[];

interface List {
  readonly columns: readonly string[];
  /** Reads as the person who asks: what they may not read they do not get. */
  readonly rows: (context: Context) => Promise<Rows>;
}

const pages = 200;
/** Rows of a list at most: a spreadsheet opens them. */
const mostRows = 20_000;

/** Every page of the floor. */
async function allStrips(context: Context): Promise<Rows> {
  const strips: object[] = [];
  let after: string | null = null;
  for (let page = 0; page < pages; page++) {
    const floor: Awaited<ReturnType<typeof readFloor.run>> = await perform(readFloor, context, { after });
    for (const { ready, asks, ...strip } of floor.strips) strips.push({ ...strip, ...ready, asks: asks.join('; ') });
    after = floor.next;
    if (!after) break;
  }
  return strips;
}

const week = async (context: Context) => perform(readWeek, context, {});

async function dayRows(context: Context): Promise<Rows> {
  const shown = await perform(readPlan, context, {});
  return openDaysOf(shown).flatMap((day) =>
    daySheetsOf(shown, day).flatMap(({ name, lines }) =>
      lines.map(({ beside, ...line }) => ({ day, name, ...line, beside: beside.join(', ') })),
    ),
  );
}

async function weekRows(context: Context): Promise<Rows> {
  const { rows } = await perform(readWeeks, context, {});
  return rows.flatMap(({ name, kind, weeks }) => weeks.map((load) => ({ name, kind, ...load })));
}

const lists: Readonly<Record<string, List>> = {
  floor: {
    columns: [
      ...['tag', 'pump', 'customer', 'station', 'holder', 'holderSince', 'onHold', 'move', 'detail', 'asks'],
      ...['early', 'likely', 'late', 'limit', 'promisedOn', 'atRiskMinor'],
    ],
    rows: allStrips,
  },
  answers: {
    columns: [
      ...['tag', 'pump', 'customer', 'kind', 'revision', 'sentOn', 'days', 'reminded', 'nextReminderOn', 'isDue'],
      ...['validUntil', 'isExpired', 'promisedOn'],
    ],
    rows: async (context) => (await week(context)).answers,
  },
  'going-out': {
    columns: ['tag', 'pump', 'customer', 'station', 'promisedOn', 'plannedOn', 'keptPct', 'limitWords'],
    rows: async (context) => (await week(context)).goingOut,
  },
  'coming-in': {
    columns: ['number', 'supplier', 'state', 'placedOn', 'dueOn', 'open', 'lines'],
    rows: async (context) =>
      (await week(context)).comingIn.map(({ lines, ...order }) => ({ ...order, lines: lines.join('; ') })),
  },
  'at-risk': {
    columns: ['tag', 'pump', 'customer', 'number', 'supplier', 'minor'],
    rows: async (context) => (await week(context)).risks,
  },
  'moved-promises': {
    columns: ['tag', 'pump', 'customer', 'from', 'to', 'reason', 'toldTo', 'personName', 'at'],
    rows: async (context) => (await week(context)).moves,
  },
  'parts-desk': {
    columns: [
      ...['tag', 'pump', 'customer', 'partRef', 'name', 'number', 'elastomer', 'source', 'quantity', 'ordered'],
      ...['received', 'toBuy', 'leadDays', 'dueOn', 'neededBy', 'promisedOn', 'isAtRisk'],
    ],
    rows: async (context) => (await perform(readPartsDesk, context, {})).lines,
  },
  shelf: {
    columns: ['number', 'elastomer', 'title', 'bin', 'quantity', 'reserved', 'minimum', 'unitCostMinor'],
    rows: async (context) => (await perform(readShelf, context, { number: '', elastomer: '' })).items,
  },
  donors: {
    columns: ['tag', 'familyId', 'size', 'partRef', 'name', 'number', 'look', 'wearPct'],
    rows: async (context) => (await perform(readDonorStock, context, { family: '', text: '' })).parts,
  },
  day: {
    columns: ['day', 'name', 'from', 'to', 'tag', 'title', 'beside', 'pump', 'customer', 'promisedOn', 'lateDays'],
    rows: dayRows,
  },
  weeks: { columns: ['name', 'kind', 'monday', 'openMinutes', 'workMinutes', 'pct'], rows: weekRows },
  orders: {
    columns: [
      ...['number', 'supplier', 'state', 'placedOn', 'dueOn', 'open', 'currency', 'goodsMinor', 'freightMinor'],
      ...['totalMinor', 'lines'],
    ],
    rows: async (context) => {
      // Whoever reads the orders may read those that have ended, too.
      const { open } = await perform(readOrders, context, {});
      const ended = await listShopOrders(context.database, ['ended', 'cancelled'], mostRows);
      const shown = [...open, ...ended.map((order) => orderShown(order, []))];
      return shown.map(({ lines, ...order }) => ({ ...order, lines: lines.join('; ') }));
    },
  },
  hours: {
    columns: [
      'tag',
      'station',
      'personName',
      'startedAt',
      'endedAt',
      'minutes',
      'takenMinutes',
      'reason',
      'correctedBy',
    ],
    rows: async (context) => {
      // What each person worked is the coordinator's and the owner's to read.
      if (!mayAct(context.actor, ['coordinator'])) throw new DomainError('not-allowed');
      const minutes = (seconds: number | null) => (seconds === null ? '' : (seconds / 60).toFixed(1));
      return (await listAllWorked(context.database, mostRows)).map(({ seconds, takenSeconds, ...span }) => ({
        ...span,
        ...{ startedAt: span.startedAt.toISOString(), endedAt: span.endedAt.toISOString() },
        ...{ minutes: minutes(seconds), takenMinutes: minutes(takenSeconds) },
      }));
    },
  },
  families: {
    columns: ['id', 'short', 'title', 'version', 'principle', 'drive', 'sealing', 'duty'],
    rows: async (context) => (await perform(readShopView, context, {})).families,
  },
  outbox: {
    columns: ['sentAt', 'to', 'subject', 'attachmentName'],
    rows: async (context) => (await perform(readOutbox, context, { before: null })).mails,
  },
  customers: {
    columns: ['name', 'contactName', 'email', 'phone'],
    rows: async (context) => {
      // Whoever reads the shop may read whom it works for.
      await perform(readShopView, context, {});
      return listCustomers(context.database);
    },
  },
  people: {
    columns: ['name', 'role', 'hasPin'],
    rows: async (context) => (await perform(readShopView, context, {})).people,
  },
  instruments: {
    columns: ['code', 'kind', 'unit', 'uncertainty', 'rangeLow', 'rangeHigh', 'dueOn'],
    rows: async (context) => (await perform(readShopView, context, {})).instruments,
  },
};
export const listNames = Object.keys(lists);

/** A list as CSV (RFC 4180): a row a line, with heads. What a spreadsheet would reckon with is kept a text. */
export const readListCsv = defineUseCase({
  verb: 'read-list-csv',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ name: z.enum(listNames as [string, ...string[]], 'there is no such list') }),
  async run(context, { name }) {
    const list = present(lists[name]);
    const rows = await list.rows(context);
    const text = writeCsv(rows, list.columns);
    await noteAudit(context, { kind: 'exported', words: `the list ${name} as CSV` });
    return { name: `${name}.csv`, bytes: Buffer.from(text) };
  },
});
