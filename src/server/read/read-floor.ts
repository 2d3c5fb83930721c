import { z } from 'zod';
import { answerLine, standingSchema } from '@/core/lifecycle';
import { readyRange } from '@/core/planning';
import { holders, stations, type Hold } from '@/core/record';
import { listOpenJobs, readShop, searchJobs, type Connection } from '@/db';
import { parseTag } from '@/core/lifecycle';
import type { Context } from '../context';
import { shippedFamilies } from '../families';
import { defineUseCase } from '../use-case';

type Row = Awaited<ReturnType<typeof searchJobs>>[number];

export function dayIn(zone: string, now: Date): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(now);
}

const shortOf = new Map(shippedFamilies.map((family) => [family.id, family.short]));

/** A job as the floor shows it: standing, ready range and the answer line. */
function stripOf(row: Row, { now, zone }: { readonly now: Date; readonly zone: string }) {
  const standing = standingSchema.parse(row.standing);
  const ready = readyRange(standing.remaining, dayIn(zone, now));
  const station = z.enum(stations).parse(row.station);
  const pump = `${shortOf.get(row.familyId) ?? row.maker} ${row.size}`.trim();
  const closedAt = row.closedAt?.toISOString() ?? null;
  const outcome = z.enum(['open', 'repaired', 'declined']).parse(row.outcome);
  const answer = answerLine({ tag: row.tag, pump: `${row.maker} ${row.model}`, owner: row.customer, station, holder: standing.holder, holderSince: row.holderSince.toISOString(), hold: row.hold as Hold | null, outcome, closedAt, waitingFor: standing.waitingFor, ready, promisedOn: row.promisedOn, now: now.toISOString(), zone });
  return { id: row.id, tag: row.tag, pump, maker: row.maker, model: row.model, serial: row.serial, customer: row.customer, station, holder: z.enum(holders).parse(standing.holder), holderSince: row.holderSince.toISOString(), onHold: row.hold !== null, outcome, closedAt, move: standing.move, detail: standing.detail, ready, promisedOn: row.promisedOn, answer };
}
export type FloorStrip = ReturnType<typeof stripOf>;

async function frameOf(context: Context, connection: Connection) {
  const shop = await readShop(connection);
  return { now: context.now(), zone: shop?.zone ?? 'UTC' };
}

const pageSize = 80;

/** Open jobs, by promise, a page of eighty; each with its next move and ready range. */
export const readFloor = defineUseCase({
  verb: 'read-floor',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ after: z.string().max(60).nullable().default(null) }),
  async run(context, { after }) {
    const frame = await frameOf(context, context.database);
    const [promisedOn, id] = after?.split('_') ?? [];
    const rows = await listOpenJobs(context.database, { after: promisedOn && id ? { promisedOn, id } : null, limit: pageSize + 1 });
    const last = rows[pageSize - 1];
    return { today: dayIn(frame.zone, frame.now), strips: rows.slice(0, pageSize).map((row) => stripOf(row, frame)), next: rows.length > pageSize && last ? `${last.promisedOn}_${last.id}` : null };
  },
});

/** Find: tag, serial number, customer or words; the first hit's answer line can be read out. */
export const findJobs = defineUseCase({
  verb: 'find-jobs',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ text: z.string().trim().max(100) }),
  async run(context, { text }) {
    if (!text) return { strips: [] };
    const frame = await frameOf(context, context.database);
    const rows = await searchJobs(context.database, { tag: parseTag(text), text, limit: 12 });
    return { strips: rows.map((row) => stripOf(row, frame)) };
  },
});
