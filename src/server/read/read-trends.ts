import { dateFormat } from '@/words/formats';
import * as z from 'zod';
import { holderNames, stationNames, type Action, type Holder, type Station } from '@/core/record';
import { trendsOf, type TrendJob } from '@/core/trends';
import type { WorkedAt } from '@/core/workload';
import { underWarrantyOf } from '@/core/warranty';
import {
  listAnswers,
  listFirstPromises,
  listHeads,
  listJobsForTrends,
  listRenewedParts,
  listRunCounts,
  listWarrantyJudgements,
  listWorkedThrough,
  type Connection,
  type HeadAt,
} from '@/db';
import { familyOfJob } from '../families';
import { howItHeld } from '../planning/back-test';
import { defineUseCase } from '../use-case';

const months = 24;
const dayMs = 86_400_000;
type Row = Awaited<ReturnType<typeof listJobsForTrends>>[number];

/** A moment by the shop's clock, `YYYY-MM-DDTHH:MM`. */
function clockOf(zone: string): (at: Date) => string {
  const format = dateFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' });
  return (at) => format.format(at).replace(' ', 'T');
}

const readyAt = ({ releasedAt, closedAt }: Row) => releasedAt ?? closedAt;

/** Where each job was from when to when: its head says so with each move. An entry that was made late moves no clock back. */
function staysOf(rows: readonly Row[], heads: readonly HeadAt[], say: (at: Date) => string) {
  const stays = new Map<string, { station: Station; holder: Holder; from: Date; to: Date | null }[]>();
  for (const { id, openedAt } of rows) stays.set(id, [{ station: 'receive', holder: 'U', from: openedAt, to: null }]);
  for (const { jobId, at, station, holder } of heads) {
    const own = stays.get(jobId);
    const last = own?.at(-1);
    if (!last) continue;
    if (station === last.station && holder === last.holder) continue;
    last.to = at > last.from ? at : last.from;
    own?.push({ station, holder, from: last.to, to: null });
  }
  return (row: Row): TrendJob['stays'] => {
    const end = readyAt(row);
    return (stays.get(row.id) ?? []).flatMap(({ station, holder, from, to }) => {
      const left = to ?? end;
      if (left && left < from) return [];
      return [{ station: stationNames[station], holder: holderNames[holder], from: say(from), to: left && say(left) }];
    });
  };
}

/** The earlier job of the same pump under whose warranty each came back. */
function comebacksOf(rows: readonly Row[]): (row: Row) => string | null {
  const plates = new Map<string, Row[]>();
  const plateOf = ({ maker, serialKey }: Row) => `${maker} ${serialKey}`;
  for (const row of rows) if (row.serialKey) plates.set(plateOf(row), [...(plates.get(plateOf(row)) ?? []), row]);
  return (row) => underWarrantyOf(plates.get(plateOf(row)) ?? [], row.openedAt);
}

const worked: ReadonlySet<Action> = new Set(['rework', 'replace', 'make in the shop', 'take from a donor']);

/** What of each job was renewed or worked on, by the names of its family. */
async function renewedOf(connection: Connection, rows: readonly Row[]) {
  const found = await listRenewedParts(
    connection,
    rows.map(({ id }) => id),
  );
  const refsOf = new Map<string, string[]>();
  for (const { jobId, partRef, action } of found)
    if (worked.has(action)) refsOf.set(jobId, [...(refsOf.get(jobId) ?? []), partRef]);
  const names = new Map<string, { readonly title: string; readonly parts: ReadonlyMap<string, string> }>();
  const renewed = new Map<string, Set<string>>();
  for (const { id, familyId, familyVersion } of rows) {
    const key = `${familyId} ${familyVersion}`;
    if (!names.has(key)) {
      const family = await familyOfJob(connection, { familyId, familyVersion, sheets: [] });
      names.set(key, { title: family.title, parts: new Map(family.parts.map(({ ref, name }) => [ref, name])) });
    }
    renewed.set(id, new Set((refsOf.get(id) ?? []).map((ref) => names.get(key)?.parts.get(ref) ?? ref)));
  }
  return {
    of: ({ id }: Row) => [...(renewed.get(id) ?? [])],
    titleOf: ({ familyId, familyVersion }: Row) => names.get(`${familyId} ${familyVersion}`)?.title ?? familyId,
  };
}

/** Minutes of each pump that was timed, and those of its family for the stations where it was. */
function workedByTag(rows: readonly WorkedAt[]): ReadonlyMap<string, NonNullable<TrendJob['worked']>> {
  const byTag = new Map<string, { minutes: number; standard: number }>();
  for (const { tag, station, seconds, standard } of rows) {
    const reckoned = standard?.[station as keyof typeof standard];
    if (reckoned === undefined) continue;
    const own = byTag.get(tag) ?? { minutes: 0, standard: 0 };
    byTag.set(tag, { minutes: own.minutes + seconds / 60, standard: own.standard + reckoned });
  }
  return byTag;
}

async function jobsOf(connection: Connection, rows: readonly Row[], zone: string): Promise<readonly TrendJob[]> {
  const ids = rows.map(({ id }) => id);
  const say = clockOf(zone);
  const [promises, runs, events, answers, renewed, timed, judged] = await Promise.all([
    listFirstPromises(connection, ids),
    listRunCounts(connection, ids),
    listHeads(connection, ids),
    listAnswers(connection, ids),
    renewedOf(connection, rows),
    listWorkedThrough(connection, undefined, 2000),
    listWarrantyJudgements(connection, ids),
  ]);
  const workedOf = workedByTag(timed);
  const judgedOf = new Map(judged.map(({ jobId, judgement, reason }) => [jobId, `${judgement}: ${reason}`]));
  const first = new Map(promises.map(({ jobId, from }) => [jobId, from]));
  const runsOf = new Map(runs.map((row) => [row.jobId, Number(row.runs)]));
  const answerOf = new Map(
    answers.map(({ jobId, sentAt, at }) => [jobId, sentAt && Math.max(0, (at.getTime() - sentAt.getTime()) / dayMs)]),
  );
  const staysOfJob = staysOf(rows, events, say);
  const comebackOf = comebacksOf(rows);
  return rows.map((row) => {
    const ready = readyAt(row);
    return {
      ...{
        tag: row.tag,
        family: renewed.titleOf(row),
        liquid: row.liquid.trim().toLowerCase(),
        opened: say(row.openedAt),
      },
      ...{ ready: ready && say(ready), promised: first.get(row.id) ?? row.promisedOn, stays: staysOfJob(row) },
      ...{ runs: runsOf.get(row.id) ?? 0, comebackOf: comebackOf(row), answerDays: answerOf.get(row.id) ?? null },
      ...{ renewed: renewed.of(row), worked: workedOf.get(row.tag) ?? null, judged: judgedOf.get(row.id) ?? '' },
    };
  });
}

/** The day on which the months that are looked at begin. */
function beginOf(today: string): string {
  const [year = 0, month = 1] = today.split('-').map(Number);
  return new Date(Date.UTC(year, month - months, 1)).toISOString().slice(0, 10);
}

/** What two years of jobs say: for who runs the shop. */
export const readTrends = defineUseCase({
  verb: 'read-trends',
  audience: ['coordinator'],
  input: z.strictObject({}),
  async run({ database, now, shopAtHand }) {
    const zone = (await shopAtHand())?.shop.zone ?? 'UTC';
    const to = clockOf(zone)(now()).slice(0, 10);
    const from = beginOf(to);
    const rows = await listJobsForTrends(database, new Date(`${from}T00:00:00Z`));
    return { ...trendsOf(await jobsOf(database, rows, zone), { from, to }), plan: await howItHeld(database) };
  },
});
export type TrendsShown = Awaited<ReturnType<typeof readTrends.run>>;
