import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import { canonical, chainEvent, gateFor, standingOf, transition, type EventKind, type Missing } from '@/core/lifecycle';
import { type Hold, type JobRecord, stationNames } from '@/core/record';
import { appendEvent, loadJobRecord, saveStanding, type Connection, type Who } from '@/db';
import type { Context } from './context';
import { findFamily } from './families';
import { sha256 } from './fingerprint';

export interface JobChange {
  readonly connection: Connection;
  readonly record: JobRecord;
  readonly family: Family;
  readonly who: Who;
}

export interface Changed<Result> {
  readonly result: Result;
  /** What the event keeps. */
  readonly data: unknown;
  /** A move to another station, made after the change when its gate is open. */
  readonly move?: EventKind;
  readonly hold?: Hold;
  /** The family after the change, where the change is to another version of it. */
  readonly family?: Family;
}

export function whoOf({ actor, now }: Context, name?: string): Who {
  if (actor.kind === 'person') return { personId: actor.personId, personName: actor.name, at: now() };
  return { personId: null, personName: name ?? 'Customer', at: now() };
}

function sayWhy(why: string, record: JobRecord): string {
  if (why === 'on-hold') return `${record.tag} is on hold: ${record.hold!.reason}.`;
  if (why === 'closed') return `${record.tag} is closed.`;
  return `${record.tag} is at ${stationNames[record.station]}.`;
}

function moveOf(record: JobRecord, family: Family, { move, hold }: Changed<unknown>) {
  if (!move) return null;
  const missing: readonly Missing[] = gateFor(move, record, family);
  const next = transition(
    { station: record.station, hold: record.hold, outcome: record.outcome, closed: record.closedAt !== null },
    { event: move, missing, ...(hold && { hold }) },
  );
  if (next.ok) return next.state;
  if (next.why === 'gate-shut')
    throw new DomainError('gate-shut', {
      what: `${next.missing.length} ${next.missing.length === 1 ? 'thing is' : 'things are'} missing for this move.`,
      missing: next.missing,
    });
  throw new DomainError('wrong-state', { what: sayWhy(next.why, record) });
}

async function loadWhole(connection: Connection, tag: string, lock: boolean) {
  const record = await loadJobRecord(connection, tag, { lock });
  if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
  return { record, family: await findFamily(connection, record.familyId, record.familyVersion) };
}

async function saveAfter(
  context: Context,
  connection: Connection,
  { before, family, changed }: { before: JobRecord; family: Family; changed: Changed<unknown> },
) {
  const after = (await loadJobRecord(connection, before.tag))!;
  const moved = moveOf(after, family, changed);
  const now = context.now();
  const closedAt = moved?.closed ? now : after.closedAt ? new Date(after.closedAt) : null;
  const settled: JobRecord = {
    ...after,
    ...(moved && { station: moved.station, hold: moved.hold, outcome: moved.outcome }),
    closedAt: closedAt?.toISOString() ?? null,
  };
  const standing = standingOf(settled, family);
  const since = standing.holder === before.holder ? new Date(before.holderSince) : now;
  await saveStanding(connection, before.id, {
    station: settled.station,
    holder: standing.holder,
    holderSince: since,
    hold: settled.hold,
    outcome: settled.outcome,
    standing,
    closedAt,
  });
}

interface Asked {
  readonly tag: string;
  readonly kind: string;
  /** Name for the event when a customer acts. */
  readonly customerName?: string;
}

/**
 * Changes one job in one transaction: locks it, lets `act` write, makes the move if its gate is open, appends the event
 * chained by hash, and reckons the job's standing anew. All or nothing.
 */
export async function changeJob<Result>(
  context: Context,
  asked: Asked,
  act: (job: JobChange) => Promise<Changed<Result>>,
): Promise<Result & { readonly version: number }> {
  return context.database.transaction(async (connection) => {
    const { record, family } = await loadWhole(connection, asked.tag, true);
    if (context.actor.kind === 'customer' && context.actor.jobId !== record.id) throw new DomainError('not-allowed');
    if (record.closedAt && asked.kind !== 'correct-report')
      throw new DomainError('wrong-state', { what: sayWhy('closed', record) });
    const who = whoOf(context, asked.customerName);
    const changed = await act({ connection, record, family, who });
    await saveAfter(context, connection, { before: record, family: changed.family ?? family, changed });
    const event = chainEvent(
      {
        seq: record.version + 1,
        kind: asked.kind,
        personName: who.personName,
        at: who.at.toISOString(),
        data: canonical({ ...(changed.data as object), ...(changed.move && { move: changed.move }) }),
        previousHash: record.headHash,
      },
      sha256,
    );
    const appended = await appendEvent(connection, record.id, { ...event, personId: who.personId });
    if (!appended) throw new DomainError('changed-meanwhile');
    return { ...changed.result, version: event.seq };
  });
}

export function requireStation(record: JobRecord, ...stations: readonly JobRecord['station'][]): void {
  if (record.hold) throw new DomainError('wrong-state', { what: sayWhy('on-hold', record) });
  if (!stations.includes(record.station))
    throw new DomainError('wrong-state', { what: sayWhy('wrong-station', record) });
}
