import { judgePoints, plainSentence } from '@/core/inspection';
import { standingReadings } from '@/core/bench';
import { putAll, type Change, type Put } from '@/core/change';
import type { Family } from '@/core/family';
import { canonical, chainEvent, type ChainedEvent } from '@/core/lifecycle';
import { present } from '@/core/present';
import type { JobHead, JobRecord, Reading, RecordFrame } from '@/core/record';
import { emptyTables, recordOf } from '@/core/record';
import { asBuiltSchema, buildAsBuilt } from '@/core/report';
import { Rewriter } from './rewriter';
import { keyOf } from './wear';

/** A job that was played whole: its record, its chain, how its family is built. */
export interface Played {
  readonly record: JobRecord;
  readonly family: Family;
  readonly events: readonly ChainedEvent[];
}

/** What a copy goes by in place of what was played. */
export interface Warp {
  readonly tag: JobHead['tag'];
  readonly pump: JobHead['pump'];
  readonly customer: JobHead['customer'];
  readonly contact: JobHead['contact'];
  readonly intake: { readonly equipmentNumber: string; readonly liquid: string; readonly runningHours: number };
  /** The day that was promised, `YYYY-MM-DD`. */
  readonly promisedOn: string;
  /** When each event happened, in their order, in milliseconds since 1970. */
  readonly times: readonly number[];
  /** As found. */
  readonly readings: readonly Reading[];
  /** Flow, head and power of a run on the stand, over those that were played. */
  readonly stand: number;
  /** Words that stand for others wherever they come: numbers of orders and reports, people, earlier tags. */
  readonly words: ReadonlyMap<string, string>;
  readonly shop: { readonly name: string; readonly place: string };
  readonly newId: () => string;
  readonly sha256: (text: string) => string;
}

export interface Warped {
  readonly record: JobRecord;
  readonly events: readonly ChainedEvent[];
  /** The frozen text of each report, by its id. */
  readonly texts: Readonly<Record<string, string>>;
  /** Ids of pictures, of the played job and here. */
  readonly pictures: readonly (readonly [string, string])[];
}

/** Sentences of the findings of points, of what was read and of what is read now. */
function sentences(family: Family, was: readonly Reading[], is: readonly Reading[]): [string, string][] {
  const [before, after] = [was, is].map((readings) => judgePoints({ family, readings, phase: 'as-found' }));
  return present(before).flatMap((state, i): [string, string][] => {
    const now = present(present(after)[i]);
    if (!state.verdict || state.reason === now.reason) return [];
    return [
      [state.reason, now.reason],
      [plainSentence(state), plainSentence(now)],
    ];
  });
}

interface EventData {
  readonly changes?: readonly Change[];
}

/** The rows of one event as they are here. */
function rowsOf(changes: readonly Put[], warp: Warp, typed: ReadonlyMap<string, Reading>): readonly Put[] {
  return changes.map((one): Put => {
    if (one.put === 'job')
      return { ...one, row: { ...one.row, pump: warp.pump, customer: warp.customer, contact: warp.contact } };
    if (one.put === 'intake') return { ...one, row: { ...one.row, ...warp.intake } };
    if (one.put === 'run') {
      const points = one.row.points.map((point) => ({
        ...point,
        dischargeKpa: point.dischargeKpa * warp.stand,
        powerInKw: point.powerInKw * (2 - warp.stand),
      }));
      return { ...one, row: { ...one.row, points } };
    }
    if (one.put !== 'reading') return one;
    const now = typed.get(keyOf(one.row.pointId, one.row.place));
    const was = typed.get(`${keyOf(one.row.pointId, one.row.place)} was`);
    // What was not worked on leaves as it came.
    const isSame = one.row.phase === 'as-found' || one.row.typed === was?.typed;
    return now && isSame ? { ...one, row: { ...one.row, typed: now.typed, value: now.value } } : one;
  });
}

/** Readings of now by point and place, and what was played by the same with `was`. */
function typedBoth(found: readonly Reading[], now: readonly Reading[]): ReadonlyMap<string, Reading> {
  return new Map([
    ...now.map((one) => [keyOf(one.pointId, one.place), one] as const),
    ...found.map((one) => [`${keyOf(one.pointId, one.place)} was`, one] as const),
  ]);
}

/** Fingerprints of what the rows hold now, in place of those of what was played. */
function refrozen(rows: readonly Put[], was: readonly Put[], own: Own): readonly Put[] {
  const { warp, family, rewriter, texts } = own;
  const hashed = (text: string, before: string | null) => {
    const fingerprint = warp.sha256(text);
    if (before) rewriter.knowHash(before, fingerprint);
    return fingerprint;
  };
  return rows.map((one, i): Put => {
    const before = was[i];
    if (one.put === 'quote' && before?.put === 'quote' && one.row.text !== null)
      return { ...one, row: { ...one.row, fingerprint: hashed(one.row.text, before.row.fingerprint) } };
    if (one.put === 'approval' && before?.put === 'approval')
      return { ...one, row: { ...one.row, fingerprint: hashed(one.row.text, before.row.fingerprint) } };
    if (one.put === 'link') return { ...one, row: { ...one.row, tokenHash: warp.sha256(warp.newId()) } };
    if (one.put !== 'report' || before?.put !== 'report') return one;
    const { number, revision, whatChanged, personName: issuedBy, at: issuedAt } = one.row;
    const record = own.recordNow();
    const built = buildAsBuilt({ record, family, shop: warp.shop, number, revision, whatChanged, issuedBy, issuedAt });
    const text = canonical(asBuiltSchema.parse(built));
    texts[one.row.id] = text;
    return { ...one, row: { ...one.row, fingerprint: hashed(text, before.row.fingerprint) } };
  });
}

/** Who is who: the same people, or one in place of another; the owner, the contact and the pump of here. */
function idsOf({ record, events }: Played, warp: Warp): ReadonlyMap<string, string> {
  const { pump, customer, contact } = record;
  const ids = new Map<string, string>([
    [pump.id, warp.pump.id],
    [customer.id, warp.customer.id],
  ]);
  if (contact && warp.contact) ids.set(contact.id, warp.contact.id);
  for (const { data } of events)
    for (const [, id = ''] of data.matchAll(/"personId":"([^"]+)"/g)) ids.set(id, warp.words.get(id) ?? id);
  return ids;
}

function wordsOf({ record, family }: Played, warp: Warp, found: readonly Reading[]): ReadonlyMap<string, string> {
  const { contact, pump, customer, tag } = record;
  const words = new Map([...warp.words, ...sentences(family, found, warp.readings), [tag, warp.tag]]);
  words.set(pump.serial, warp.pump.serial).set(customer.name, warp.customer.name);
  for (const field of ['name', 'email', 'phone'] as const)
    if (contact?.[field] && warp.contact) words.set(contact[field], warp.contact[field]);
  return words;
}

interface Own {
  readonly warp: Warp;
  readonly family: Family;
  readonly rewriter: Rewriter;
  readonly texts: Record<string, string>;
  readonly recordNow: () => JobRecord;
}

/**
 * A played job as one of another pump at another time: the same steps by the same ways, with its own ids, moments,
 * readings, words and papers. Its events are chained anew; replaying them gives the record.
 */
export function warpJob(played: Played, warp: Warp): Warped {
  const { record, family, events } = played;
  const found = standingReadings(record, family).filter(({ phase }) => phase === 'as-found');
  const typed = typedBoth(found, warp.readings);
  const rewriter = new Rewriter(idsOf(played, warp), wordsOf(played, warp, found), warp.newId);
  if (record.promisedOn) rewriter.knowDay('promisedOn', record.promisedOn, warp.promisedOn);
  const tables = emptyTables();
  const frame: RecordFrame = {
    version: 0,
    headHash: '',
    earlierVisits: [],
    lotTerms: null,
    lotMates: [],
    likePumps: [],
  };
  const own: Own = { warp, family, rewriter, texts: {}, recordNow: () => recordOf(tables, frame) };
  const chained: ChainedEvent[] = [];
  for (const [i, { seq, kind, at, data, personName }] of events.entries()) {
    const moment = present(warp.times[i]);
    rewriter.at(Date.parse(at), moment);
    const { changes, ...note } = JSON.parse(data) as EventData;
    const rows = rowsOf(rewriter.value(changes ?? []) as readonly Put[], warp, typed);
    const kept = putAll(tables, refrozen(rows, changes ?? [], own));
    const event = { seq, kind, personName: rewriter.text(personName, ''), at: new Date(moment).toISOString() };
    const body = canonical({ ...(rewriter.value(note) as object), ...(changes && { changes: kept }) });
    chained.push(chainEvent({ ...event, data: body, previousHash: chained.at(-1)?.hash ?? '' }, warp.sha256));
  }
  const last = present(chained.at(-1));
  return {
    record: recordOf(tables, { ...frame, version: last.seq, headHash: last.hash }),
    events: chained,
    texts: own.texts,
    pictures: record.photos.map(({ id }) => [String(id), rewriter.id(String(id))] as const),
  };
}
