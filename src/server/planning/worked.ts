import { LRUCache } from 'lru-cache';
import * as z from 'zod';
import type { Actor } from '@/core/access';
import type { Verb } from '@/contract';
import { tagField } from '@/core/change/inputs';
import { reason, refuse } from '@/core/change/decision';
import { usualMinutes, workPiece, workStations, type WorkStation } from '@/core/workload';
import {
  addWorked,
  correctWorked,
  extendingWorked,
  extendWorked,
  findWorked,
  lastWorkOf,
  listPeople,
  listWorked,
  readShop,
  stationOfTag,
  type Along,
  type WorkedRow,
} from '@/db';
import type { Context } from '../context';
import { findJob } from '../find-job';
import { defineUseCase, forVerb, inTransaction } from '../use-case';

/** Entries that end a piece of work with one's hands or head on a pump. */
const handsOn: ReadonlySet<Verb> = new Set([
  ...(['answer-action', 'undo-answer', 'account-parts', 'clean-parts', 'sign-hold-point', 'find-later'] as const),
  ...(['record-readings', 'read-gauge', 'judge-point', 'look-at-parts', 'record-finding'] as const),
  ...(['draw-up-quote', 'add-line', 'change-line', 'strike-line', 'change-quote', 'send-quote'] as const),
  ...(['run-test', 'decide-run', 'issue-report'] as const),
]);

const ofJob = z.object({ tag: z.string() });
const isTimed = (station: string | null): station is WorkStation => workStations.some((one) => one === station);

type Worker = Extract<Actor, { readonly kind: 'person' }>;

/** Of which pump and by whom an entry of a verb would be work; null where it is none. */
function workIn({ actor, workSeconds }: Context, verb: Verb, input: unknown) {
  const read = ofJob.safeParse(input);
  if (workSeconds === undefined || !handsOn.has(verb) || actor.kind !== 'person' || !read.success) return null;
  return { tag: read.data.tag, actor, workSeconds };
}

/**
 * Carries out an entry and writes down the work that it ends: from when the person turned to it until it was made. An
 * entry is never lost for that: what cannot be written down is said in the log.
 */
export async function timing<Result>(
  context: Context,
  { verb, input }: { readonly verb: Verb; readonly input: unknown },
  run: (context: Context) => Promise<Result>,
): Promise<Result> {
  const work = workIn(context, verb, input);
  if (!work) return run(context);
  const { tag, actor, workSeconds } = work;
  let station: string | null = null;
  let isKept = false;
  // Where the pump stood when it was worked on: an entry may move it.
  const decided: Context['decided'] = (decision) => {
    if (decision.before.tag === tag) station ??= decision.before.station;
    context.decided?.(decision);
  };
  const along: Context['along'] = ({ before }) => {
    if (before.tag !== tag || !isTimed(before.station)) return null;
    return goingOn(context, { actor, tag, station: before.station, workSeconds }, (isMet) => (isKept = isMet));
  };
  const answer = await run({ ...context, decided, along });
  if (isKept) return answer;
  try {
    station ??= await stationOfTag(context.database, tag);
    if (isTimed(station)) await keepPiece(context, { actor, tag, station, workSeconds });
  } catch (error) {
    console.error('[worked]', error);
  }
  return answer;
}

/** The last piece of work of each person, as this copy wrote it; whether it is still the last is asked with the next. */
const lastPieces = new LRUCache<string, WorkedRow>({ max: 500 });

interface Piece {
  readonly actor: Worker;
  readonly tag: string;
  readonly station: WorkStation;
  readonly workSeconds: number;
}

/** The piece of work that an entry ends, after the last one of its person. */
function pieceAfter({ entry, now }: Context, { tag, station, workSeconds }: Piece, last: WorkedRow | null) {
  const madeAt = entry?.madeAt ? new Date(entry.madeAt) : now();
  return workPiece(last && { ...last, to: last.endedAt }, { tag, station, madeAt, secondsSince: workSeconds });
}

/** How the last piece of work that is known of a person goes on with an entry; null where none is, or it ended. */
function goingOn(context: Context, piece: Piece, done: (isMet: boolean) => void): Along | null {
  const { personId } = piece.actor;
  const known = lastPieces.get(personId);
  if (!known) return null;
  const { isMore, to, seconds } = pieceAfter(context, piece, known);
  if (!isMore) return null;
  return {
    statement: extendingWorked(known, { to, seconds }),
    done: (isMet) => {
      if (isMet) lastPieces.set(personId, { ...known, endedAt: to });
      done(isMet);
    },
  };
}

/** Writes down a piece of work: the last one goes on, or a new one begins. */
async function keepPiece(context: Context, piece: Piece): Promise<void> {
  const { database, newId } = context;
  const { actor, tag, station } = piece;
  const { personId, name: personName } = actor;
  const goOn = async (last: WorkedRow) => {
    const { isMore, to, seconds } = pieceAfter(context, piece, last);
    if (!isMore || !(await extendWorked(database, last, { to, seconds }))) return false;
    lastPieces.set(personId, { ...last, endedAt: to });
    return true;
  };
  const known = lastPieces.get(personId);
  if (known && (await goOn(known))) return;
  const last = await lastWorkOf(database, personId);
  if (last && (await goOn(last))) return;
  const { from, to, seconds } = pieceAfter(context, piece, last);
  const row = {
    ...{ id: newId(), tag, station, personId, personName, startedAt: from, endedAt: to, seconds },
    ...{ takenSeconds: null, reason: '', correctedBy: null },
  };
  await addWorked(database, row);
  lastPieces.set(personId, { ...row, version: 1 });
}

const nameOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.name : 'Puddlestone');

export const correctWorkedMinutes = forVerb('correct-worked', (context, { id, basedOn, minutes, reason: why }) =>
  inTransaction(context, async (connection) => {
    const row = await findWorked(connection, id);
    if (!row) refuse('not-found', reason('no-worked'));
    const { seconds, takenSeconds } = row;
    const isDone = await correctWorked(connection, {
      ...{ id, version: basedOn, seconds: Math.round(minutes * 60), takenSeconds: takenSeconds ?? seconds },
      ...{ reason: why, correctedBy: nameOf(context) },
    });
    if (!isDone) refuse('changed-meanwhile', reason('worked-changed', { name: row.personName }));
    return { version: basedOn + 1 };
  }),
);

export const addWorkedMinutes = forVerb(
  'add-worked',
  async (context, { tag, station, personId, day, minutes, ...row }) => {
    await findJob(context.database, tag);
    const person = (await listPeople(context.database)).find((one) => one.id === personId);
    if (!person) refuse('bad-input', reason('no-worker', { id: personId }), 'personId');
    const id: string = context.newId();
    const startedAt = new Date(`${day}T12:00:00Z`);
    await inTransaction(context, (connection) =>
      addWorked(connection, {
        ...{ id, tag, station, personId, personName: person.name, startedAt, endedAt: startedAt },
        ...{ seconds: Math.round(minutes * 60), takenSeconds: null, reason: row.reason, correctedBy: nameOf(context) },
      }),
    );
    return { id };
  },
);

/** The work on a pump, piece by piece, and by station beside what its family reckons. */
export const readWorked = defineUseCase({
  verb: 'read-worked',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tag: tagField }),
  async run({ database }, { tag }) {
    const { family } = await findJob(database, tag);
    const [rows, shop, people] = await Promise.all([
      listWorked(database, tag),
      readShop(database),
      listPeople(database),
    ]);
    const minutesOf = (station: string) =>
      rows.reduce((sum, row) => sum + (row.station === station ? row.seconds / 60 : 0), 0);
    return {
      zone: shop?.zone ?? 'UTC',
      people: people.map(({ id, name }) => ({ id: id, name })),
      stations: workStations
        .map((station) => ({
          station,
          minutes: Math.round(minutesOf(station)),
          standard: usualMinutes(family, station),
        }))
        .filter(({ minutes, standard }) => minutes > 0 || standard > 0),
      pieces: rows.map(({ startedAt, endedAt, seconds, takenSeconds, ...row }) => ({
        ...row,
        ...{ startedAt: startedAt.toISOString(), endedAt: endedAt.toISOString() },
        ...{ minutes: Math.round(seconds / 60), taken: takenSeconds === null ? null : Math.round(takenSeconds / 60) },
      })),
    };
  },
});
export type WorkedShown = Awaited<ReturnType<typeof readWorked.run>>;
