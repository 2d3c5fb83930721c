import { DomainError } from '../errors';
import type { Family } from '../family';
import {
  canonical,
  chainEvent,
  gateFor,
  sayMissing,
  standingOf,
  transition,
  type LifecycleState,
  type Transition,
} from '../lifecycle';
import { headOf, type JobRecord } from '../record';
import { applyPuts, put, type Put } from './change';
import { underPolicies } from '../policies';
import { reason, refuse, type Decider, type Decision, type Given, type Proposal } from './decision';

export type Decided<Result> =
  { readonly ok: true; readonly decision: Decision<Result> } | { readonly ok: false; readonly refusal: DomainError };

function refuseMove(record: JobRecord, { why, missing }: Extract<Transition, { ok: false }>): never {
  const { tag, station, hold } = record;
  if (why === 'gate-shut')
    throw new DomainError('gate-shut', {
      reason: reason('gate-shut', { count: missing.length }),
      missing: missing.map(sayMissing),
    });
  if (why === 'on-hold') return refuse('wrong-state', reason('on-hold', { tag, reason: hold?.reason ?? '' }));
  if (why === 'closed') return refuse('wrong-state', reason('closed', { tag }));
  if (why === 'not-on-hold') return refuse('wrong-state', reason('not-on-hold', { tag }));
  return refuse('wrong-state', reason('other-station', { tag, station }));
}

function moved(record: JobRecord, family: Family, { move, hold }: Proposal<unknown>): LifecycleState {
  const state: LifecycleState = {
    station: record.station,
    hold: record.hold,
    outcome: record.outcome,
    closed: record.closedAt !== null,
  };
  if (!move) return state;
  const missing = gateFor(move, record, family);
  const next = transition(state, { event: move, missing, ...(hold && { hold }) });
  return next.ok ? next.state : refuseMove(record, next);
}

/** The head's row where something of it changed; nothing otherwise. */
function headPut(before: JobRecord, after: JobRecord): readonly Put[] {
  const fields = [
    'station',
    'holder',
    'holderSince',
    'hold',
    'outcome',
    'closedAt',
    'familyId',
    'familyVersion',
  ] as const;
  if (fields.every((field) => canonical(before[field]) === canonical(after[field]))) return [];
  return [put('job', headOf(after))];
}

/** Makes the move, reckons the standing from the record after the change, and settles the job's head by it. */
function settle(given: Given, proposal: Proposal<unknown>) {
  const applied = applyPuts(given.record, proposal.puts);
  const { record: changed } = applied;
  // A job that departs from the shop's way, or is built otherwise, is judged by what it works by from now on.
  const family = underPolicies(proposal.family ?? given.family, changed);
  const { closed, ...state } = moved(changed, family, proposal);
  const closedAt = closed ? (changed.closedAt ?? given.now) : null;
  const named = { familyId: family.id, familyVersion: family.version };
  const settled: JobRecord = { ...changed, ...state, ...named, closedAt };
  const standing = standingOf(settled, family);
  const { holder } = standing;
  const holderSince = holder === given.record.holder ? given.record.holderSince : given.now;
  return { applied, family, standing, settled, held: { ...settled, holder, holderSince } };
}

type Applied = ReturnType<typeof applyPuts>;

/** What was applied with the head's row after it; a head that was put before is put over as a whole. */
function withHead(
  before: JobRecord,
  puts: readonly Put[],
  { applied, head }: { applied: Applied; head: readonly Put[] },
) {
  if (!head.length) return applied;
  if (puts.some((one) => one.put === 'job')) return applyPuts(before, [...puts, ...head]);
  const { record, changes } = applyPuts(applied.record, head);
  return { record, changes: [...applied.changes, ...changes] };
}

/** The decision that follows from a proposal: its event, chained, with the changes; the record and standing after. */
export function settleProposal<Result>(given: Given, verb: string, proposal: Proposal<Result>): Decision<Result> {
  const { record, who, now } = given;
  const { applied, family, standing, settled, held } = settle(given, proposal);
  const head = headPut(record, held);
  const { record: after, changes } = withHead(record, proposal.puts, { applied, head });
  const madeAt = who.at === now ? {} : { madeAt: who.at };
  const { move } = proposal;
  const data = canonical({ ...proposal.note, ...madeAt, ...(move && { move }), changes });
  const { personId, personName } = who;
  const kind = proposal.kind ?? verb;
  const unchained = { seq: record.version + 1, kind, personName, at: now, data, previousHash: record.headHash };
  const event = chainEvent(unchained, given.sha256);
  return {
    event: { ...event, personId },
    changes,
    before: record,
    after: { ...after, version: event.seq, headHash: event.hash },
    settled,
    family,
    standing,
    result: proposal.result,
    outbox: proposal.outbox ?? [],
    texts: proposal.texts ?? {},
  };
}

/** Verbs that a closed job still takes. */
const afterClosing: ReadonlySet<string> = new Set(['correct-report', 'correct-owner', 'give-part']);

/**
 * Decides a command on one job. Pure: the same record, command and facts give the same event.
 * @returns the decision, or a refusal with its code and reason
 * @throws what a rule did not foresee
 */
export function decide<Command, Result, Facts>(
  verb: string,
  decider: Decider<Command, Result, Facts>,
  given: Given<Facts>,
  command: Command,
): Decided<Result> {
  try {
    const { closedAt, tag } = given.record;
    if (closedAt && !afterClosing.has(verb)) refuse('wrong-state', reason('closed', { tag }));
    return { ok: true, decision: settleProposal(given, verb, decider(given, command)) };
  } catch (error) {
    if (error instanceof DomainError) return { ok: false, refusal: error };
    throw error;
  }
}
