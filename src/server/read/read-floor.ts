import { LRUCache } from 'lru-cache';
import * as z from 'zod';
import {
  answerLine,
  dayInZone,
  foundWords,
  needsRole,
  sayAsk,
  sayMove,
  type Standing,
  stateAsked,
} from '@/core/lifecycle';
import { readyRange, type ReadyRange, type Remaining } from '@/core/planning';
import type { Role } from '@/core/record';
import { listJobsIn, listFloorRows, listOpenShown, readFloorVersion, searchJobs, vouchedFor } from '@/db';
import { parseTag } from '@/core/lifecycle';
import type { Context } from '../context';
import { shippedFamilies } from '../families';
import { readStanding, withStandings } from '../standings';
import { sayArchived } from '../find-job';
import { defineUseCase } from '../use-case';

type Row = Awaited<ReturnType<typeof searchJobs>>[number];

export function dayIn(zone: string, now: Date): string {
  return dayInZone(now.toISOString(), zone);
}

const shortOf = new Map(shippedFamilies.map((family) => [family.id, family.short]));

/** The ready range of the plan that stands, which knows the load; before there is one, of the pump alone. */
export function readyOf(planned: ReadyRange | null, remaining: Remaining, today: string): ReadyRange {
  if (!planned) return readyRange(remaining, today);
  const { early, likely, late } = planned;
  return { early, likely, late };
}

interface Frame {
  readonly now: Date;
  readonly zone: string;
  readonly currency: string;
  readonly role: Role | null;
}

/** A job as the floor shows it: standing and ready range. */
export function stripOf(
  row: Omit<Row, 'standing' | 'version'>,
  standing: Standing,
  { now, zone, currency, role }: Frame,
) {
  const today = dayIn(zone, now);
  const said = sayMove(standing.next, today);
  const ready = readyOf(row.planned, standing.remaining, today);
  const pump = `${shortOf.get(row.familyId) ?? row.maker} ${row.size}`.trim();
  return {
    tag: row.tag,
    pump,
    customer: row.customer,
    station: row.station,
    holder: standing.holder,
    holderSince: row.holderSince.toISOString(),
    onHold: row.hold !== null,
    needsMe: role !== null && !row.closedAt && needsRole(standing, role, today),
    outcome: row.outcome,
    move: said.move,
    detail: said.detail,
    asks: standing.asks.map((ask) => sayAsk(ask, currency).words),
    atRiskMinor: standing.asks.reduce((sum, ask) => sum + (ask.code === 'at-risk' ? ask.minor : 0), 0),
    ready,
    limit: row.closedAt ? '' : (row.planned?.limitWords ?? ''),
    promisedOn: row.promisedOn,
  };
}

/** A hit of the search: the strip, its nameplate, and the answer line to read out. */
function hitOf(row: Row, frame: Frame) {
  const standing = readStanding(row.shownHash, row.standing);
  const strip = stripOf(row, standing, frame);
  const { waitingFor } = sayMove(standing.next, frame.now.toISOString());
  const answer = answerLine({
    ...strip,
    pump: `${row.maker} ${row.model}`,
    owner: row.customer,
    hold: row.hold,
    closedAt: row.closedAt?.toISOString() ?? null,
    waitingFor,
    now: frame.now.toISOString(),
    zone: frame.zone,
  });
  return { ...strip, maker: row.maker, model: row.model, serial: row.serial, answer };
}
export type FloorStrip = ReturnType<typeof stripOf>;

export async function floorFrame(context: Context) {
  const shop = (await context.shopAtHand())?.shop;
  const role = context.actor.kind === 'person' ? context.actor.role : null;
  return { now: context.now(), zone: shop?.zone ?? 'UTC', currency: shop?.currency ?? 'EUR', role };
}

/** As many as a shop has open at most; more than these are read on a page of their own. */
const pageSize = 600;

/**
 * Floors that were read: what one shows follows from its version, the day and who looks. Some dozen are enough for a
 * shop's roles; of hundreds of open jobs one takes a third of a megabyte.
 */
const floors = new LRUCache<string, FloorRead>({ max: 24 });

/** Strips that were made: each follows from what its job shows, the plan, the day and who looks. */
const strips = new LRUCache<string, FloorStrip>({ max: 4000 });

interface Asked extends Awaited<ReturnType<typeof readFloorVersion>> {
  readonly after: string | null;
}

/** The strips of jobs in their order; only those are read whose job or plan is another than it was. */
async function stripsOf(
  { database }: Context,
  frame: Frame,
  { open, plan }: { readonly open: Awaited<ReturnType<typeof listOpenShown>>; readonly plan: number },
): Promise<readonly FloorStrip[]> {
  const asked = [plan, dayIn(frame.zone, frame.now), frame.zone, frame.currency, frame.role].join(' ');
  const keyOf = ({ shownHash }: { readonly shownHash: string }) => `${shownHash} ${asked}`;
  const missing = open.filter((one) => !strips.has(keyOf(one))).map(({ id }) => id);
  const read = await withStandings(database, await listFloorRows(database, missing));
  const fresh = new Map(
    read.map(({ row, standing }) => {
      const strip = stripOf(row, standing, frame);
      strips.set(keyOf(row), strip);
      return [row.id, strip];
    }),
  );
  return open.flatMap((one) => fresh.get(one.id) ?? strips.get(keyOf(one)) ?? []);
}

async function floorAt(context: Context, frame: Frame, { version, plan, after }: Asked) {
  const [promisedOn, id] = after?.split('_') ?? [];
  const open = await listOpenShown(context.database, {
    after: promisedOn && id ? { promisedOn, id } : null,
    limit: pageSize + 1,
  });
  const last = open[pageSize - 1];
  return {
    version,
    today: dayIn(frame.zone, frame.now),
    currency: frame.currency,
    strips: await stripsOf(context, frame, { open: open.slice(0, pageSize), plan }),
    next: open.length > pageSize && last ? `${last.promisedOn}_${last.id}` : null,
  };
}
type FloorRead = Awaited<ReturnType<typeof floorAt>>;

/** Open jobs, by promise; each with its next move and ready range. */
export const readFloor = defineUseCase({
  verb: 'read-floor',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ after: z.string().max(60).nullable().default(null) }),
  async run(context, { after }) {
    // Read before the rows: what changes between the two is seen again, not missed.
    const [frame, { version, plan }] = await Promise.all([floorFrame(context), readFloorVersion(context.database)]);
    const { zone, currency, role } = frame;
    const key = [version, dayIn(zone, frame.now), zone, currency, role, after].join(' ');
    const known = floors.get(key);
    if (known) return known;
    return vouchedFor(async () => {
      const read = await floorAt(context, frame, { version, plan, after });
      // What changed between the two stands in the rows and not in the version: such a floor is nobody else's.
      if ((await readFloorVersion(context.database)).version === version) floors.set(key, read);
      return read;
    });
  },
});

const mostFound = 12;

/** A short text that is another one whenever the floor would show something else. */
export const readFloorChanges = defineUseCase({
  verb: 'read-floor-version',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  run: async ({ database }) => ({ version: (await readFloorVersion(database)).version }),
});

/**
 * Find: a tag, any part of a serial or equipment number, a customer or contact, words, or a state such as “late”; the
 * first hit's answer line can be read out.
 */
export const findJobs = defineUseCase({
  verb: 'find-jobs',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ text: z.string().trim().max(100) }),
  async run(context, { text }) {
    if (!text) return { strips: [], of: '', hasMore: false, archived: null };
    const state = stateAsked(text);
    const { database } = context;
    const limit = mostFound + 1;
    const asked = floorFrame(context);
    const [frame, rows] = await Promise.all([
      asked,
      state
        ? asked.then(({ zone, now }) => listJobsIn(database, { state, today: dayIn(zone, now), limit }))
        : searchJobs(database, { tag: parseTag(text), text, limit }),
    ]);
    return {
      strips: rows.slice(0, mostFound).map((row) => hitOf(row, frame)),
      of: state ? foundWords[state] : '',
      hasMore: rows.length > mostFound,
      archived: rows.length ? null : await sayArchived(database, parseTag(text) ?? ''),
    };
  },
});
