import * as z from 'zod';
import { catalogueFor } from '@/words/every-language';
import { warrantyMonthsOf, warrantyTerms } from '@/core/warranty';
import { verbs } from '@/contract';
import { tagField } from '@/core/change/inputs';
import { changesOf } from '@/core/change';
import type { Family } from '@/core/family';
import {
  answerLine,
  gateFor,
  jobDetails,
  moves,
  onward,
  sayMissing,
  sayAsk,
  sayMove,
  standingOf,
} from '@/core/lifecycle';
import type { ReadyRange } from '@/core/planning';
import { currentQuote, isConstructionOpen, type JobRecord } from '@/core/record';
import { remembered } from '@/core/remembered';
import { findPlannedPump, listEventsAfter, type Shop } from '@/db';
import type { Context, Decided } from '../context';
import { findJob } from '../find-job';
import { newerFamily } from '../library/newer-family';
import { defineUseCase } from '../use-case';
import { dayIn, readyOf } from './read-floor';

interface Clock {
  readonly now: Date;
  readonly zone: string;
}

function answerOf(
  record: JobRecord,
  standing: ReturnType<typeof standingOf>,
  { now, zone, ready }: Clock & { readonly ready: ReadyRange },
): string {
  const { tag, station, holderSince, hold, outcome, closedAt, promisedOn } = record;
  return answerLine({
    ...{ tag, station, holderSince, hold, outcome, closedAt, promisedOn, zone },
    pump: jobDetails(record.pump),
    lot: record.lot ? { unit: record.lot.unit, of: record.lotMates.length + 1 } : undefined,
    owner: record.customer.name,
    holder: standing.holder,
    waitingFor: sayMove(standing.next, now.toISOString()).waitingFor,
    asks: standing.asks.map((ask) => sayAsk(ask, record.quotes[0]?.currency ?? 'EUR').words),
    ready,
    now: now.toISOString(),
  });
}

/** The warranty of a pump that goes back: as it was released, or as it would be. */
function termsOf(record: JobRecord, family: Family, shopMonths: number) {
  const months = record.returned?.warrantyMonths ?? warrantyMonthsOf(record, family, shopMonths);
  return warrantyTerms(record, family, months);
}

/** What a family says that a customer reads: names and plain words of parts, points, damage and steps. */
const saidBy = remembered(({ parts, points, damage, rebuild, test }: Family): readonly string[] => [
  ...[...parts, ...points, ...damage].map(({ plain }) => plain),
  ...parts.map(({ name }) => name),
  ...[...points, ...rebuild, ...test.steps].map(({ title }) => title),
]);

type Planned = Awaited<ReturnType<typeof findPlannedPump>>;

interface Framed {
  readonly record: JobRecord;
  /** The record as its standing was reckoned, where that was just done. */
  readonly settled?: JobRecord;
  readonly family: Family;
  /** Where it was read a moment ago. */
  readonly shop?: Shop | undefined;
  /** Asked for at the same time. */
  readonly planned?: Planned;
}

/** What a job's page shows that follows from the record, its family and the day: small, and reckoned anew each time. */
async function frameOf(context: Context, given: Framed) {
  const { record, family, planned: askedFor, settled = record } = given;
  const shop = given.shop ?? (await context.shopAtHand())?.shop;
  const newer = isConstructionOpen(record) ? await newerFamily(context.database, record) : null;
  const clock = { now: context.now(), zone: shop?.zone ?? 'UTC' };
  const today = dayIn(clock.zone, clock.now);
  const standing = standingOf(settled, family);
  const findPlanned = () => (askedFor === undefined ? findPlannedPump(context.database, record.tag) : askedFor);
  const planned = record.closedAt ? null : await findPlanned();
  const ready = readyOf(planned, standing.remaining, today);
  const event = onward[record.station];
  const { reminder, evaluation, claim } = shop?.settings.letters ?? {};
  const language = shop?.settings.language ?? 'en';
  const iso = clock.now.toISOString();
  return {
    answer: answerOf(record, standing, { ...clock, ready }),
    // Of its standing only what a sheet shows beside the answer: it goes along with every entry.
    standing: { asks: standing.asks, remaining: standing.remaining },
    ready,
    planned: planned && { limit: planned.limitWords, keptPct: planned.keptPct },
    today,
    zone: clock.zone,
    newerFamily: newer?.version ?? null,
    lengthDisplay: shop?.settings.lengthDisplay ?? ('metric' as const),
    shop: {
      name: shop?.name ?? '',
      place: shop?.place ?? '',
      telephone: shop?.settings.telephone ?? '',
      reminderAfterDays: shop?.settings.reminderAfterDays ?? 7,
      language,
      taxes: [{ name: 'usual', pct: shop?.settings.taxPct ?? 0 }, ...(shop?.settings.taxes ?? [])],
      // Of its letters only those that are drafted on the sheet.
      letters: { ...(reminder && { reminder }), ...(evaluation && { evaluation }), ...(claim && { claim }) },
      currency: shop?.currency ?? 'EUR',
      labourMinorPerHour: shop?.settings.labourMinorPerHour ?? 0,
    },
    gate: {
      event,
      words: moves[event].words,
      missing: record.closedAt ? [] : gateFor(event, settled, family).map(sayMissing),
    },
    warranty: record.station === 'return' ? termsOf(record, family, shop?.settings.warrantyMonths ?? 0) : [],
    openLinks: record.links.filter((link) => !link.revokedAt && link.expiresAt > iso).length,
  };
}
export type JobFrame = Awaited<ReturnType<typeof frameOf>>;

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;

/** Everything a job's page shows: record, family, answer line, gate list, instruments. */
export const readJob = defineUseCase({
  verb: 'read-job',
  audience: staff,
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const [{ record, family }, at, planned] = await Promise.all([
      findJob(context.database, tag),
      context.shopAtHand(),
      findPlannedPump(context.database, tag),
    ]);
    const instruments = at?.tools ?? [];
    const signs: readonly string[] = [...verbs['sign-hold-point'].audience, 'owner'];
    const signers = (at?.people ?? [])
      .filter((person) => person.hasPin && signs.includes(person.role))
      .map(({ id, name, role }) => ({ personId: id, name, role }));
    const frame = await frameOf(context, { record, family, shop: at?.shop, planned });
    // Not in the frame, which goes out again with every change.
    const language = currentQuote(record)?.language ?? frame.shop.language;
    return { record, family, instruments, signers, catalogue: catalogueFor(language, saidBy(family)), ...frame };
  },
});
export type JobView = Awaited<ReturnType<typeof readJob.run>>;

/** Events that are sent at most at once; a page further behind reads the whole job. */
const mostEvents = 200;

/**
 * What changed in a job by what was just decided of it, for a page that shows it as it stood before: nothing is read for
 * it anew. Null where the page shows another version, or the event does not hold its changes.
 */
export async function changedBy(
  context: Context,
  { event, after: record, settled, family, shop: known }: Decided,
  shown: number,
): Promise<JobChanged | null> {
  const puts = changesOf(event);
  if (context.actor.kind !== 'person' || event.seq !== shown + 1 || !puts) return null;
  const { tag, version, headHash } = record;
  const { ahead } = context;
  const [planned, at] = await Promise.all([ahead?.planned(), known ? undefined : ahead?.shop()]);
  const shop = known ?? at?.shop;
  const frame = await frameOf(context, {
    ...{ record, settled, family, shop },
    ...(planned !== undefined && { planned }),
  });
  return { tag, from: shown, version, headHash, puts: [...puts], frame };
}

/** What changed in a job after a version that somebody's page shows; null where it must read the whole job anew. */
export const readChanges = defineUseCase({
  verb: 'read-changes',
  audience: staff,
  input: z.strictObject({ tag: tagField, after: z.coerce.number().int().min(0).max(1e9) }),
  async run(context, { tag, after }) {
    const { record, family } = await findJob(context.database, tag);
    const { version, headHash } = record;
    if (version - after > mostEvents || version < after) return null;
    const events = await listEventsAfter(context.database, record.id, after);
    const changes = events.map(changesOf);
    if (changes.some((one) => one === null)) return null;
    const puts = changes.flatMap((one) => one ?? []);
    return { tag, from: after, version, headHash, puts, frame: await frameOf(context, { record, family }) };
  },
});
/** What changed in a job, from one version to another. */
export type JobChanged = NonNullable<Awaited<ReturnType<typeof readChanges.run>>>;
