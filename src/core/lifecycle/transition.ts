import { stations, type Hold, type Holder, type JobRecord, type Station } from '../record';
import type { Missing } from './missing';

/** Ways back: each asks for a reason. What was recorded stays. */
export const waysBack = [
  'reopen-teardown',
  'reopen-cleaning',
  'reopen-inspection',
  'reopen-quote',
  'reopen-parts',
  'reopen-rebuild',
  'reopen-test',
  'reopen-report',
  'reopen-declined',
] as const;

export const eventKinds = [
  'begin-teardown',
  'finish-teardown',
  'finish-cleaning',
  'finish-inspection',
  'send-quote',
  'revise-quote',
  'accept-quote',
  'decline-quote',
  'start-rebuild',
  'finish-rebuild',
  'fail-test',
  'pass-test',
  'finish-report',
  'return-as-it-is',
  ...waysBack,
  'close',
  'hold',
  'resume',
] as const;
export type EventKind = (typeof eventKinds)[number];

export type WayBack = (typeof waysBack)[number];
export const isWayBack = (event: EventKind): event is WayBack => (waysBack as readonly EventKind[]).includes(event);

/** Moves that a person makes by themselves; the others follow from sending, answering, deciding or issuing. */
export const personalMoves = [
  'begin-teardown',
  'finish-teardown',
  'finish-cleaning',
  'finish-inspection',
  'revise-quote',
  'start-rebuild',
  'finish-rebuild',
  ...waysBack,
] as const satisfies readonly EventKind[];
export type PersonalMove = (typeof personalMoves)[number];

export interface LifecycleState {
  readonly station: Station;
  readonly hold: Hold | null;
  readonly outcome: JobRecord['outcome'];
  readonly closed: boolean;
}

interface Move {
  readonly from: readonly Station[];
  readonly to?: Station;
  readonly outcome?: JobRecord['outcome'];
  readonly closes?: true;
  /** The verb as the button says it. */
  readonly words: string;
}

/** The whole table of moves; hold and resume are possible at every station that is not closed. */
export const moves: Readonly<Record<EventKind, Move>> = {
  'begin-teardown': { from: ['receive'], to: 'teardown', words: 'Begin teardown' },
  'finish-teardown': { from: ['teardown'], to: 'clean', words: 'Teardown is done' },
  'finish-cleaning': { from: ['clean'], to: 'inspect', words: 'Cleaning is done' },
  'finish-inspection': { from: ['inspect'], to: 'quote', words: 'Inspection is done' },
  'send-quote': { from: ['quote'], to: 'approve', words: 'Send quote' },
  'revise-quote': { from: ['approve'], to: 'quote', words: 'Revise quote' },
  'accept-quote': { from: ['approve'], to: 'parts', words: 'Go on with what is approved' },
  'decline-quote': { from: ['approve', 'parts'], to: 'return', outcome: 'declined', words: 'Return as it is' },
  'start-rebuild': { from: ['parts'], to: 'rebuild', words: 'Start rebuild' },
  'finish-rebuild': { from: ['rebuild'], to: 'test', words: 'Rebuild is done' },
  'fail-test': { from: ['test'], to: 'rebuild', words: 'Back to rebuild' },
  'pass-test': { from: ['test'], to: 'report', outcome: 'repaired', words: 'Test is passed' },
  'finish-report': { from: ['report'], to: 'return', words: 'To return' },
  'return-as-it-is': {
    from: ['parts', 'rebuild', 'test'],
    to: 'return',
    outcome: 'declined',
    words: 'Return as it is',
  },
  'reopen-teardown': { from: ['clean'], to: 'teardown', words: 'Back to teardown' },
  'reopen-cleaning': { from: ['inspect'], to: 'clean', words: 'Back to cleaning' },
  'reopen-inspection': { from: ['quote', 'approve'], to: 'inspect', words: 'Back to inspection' },
  'reopen-quote': { from: ['parts'], to: 'quote', words: 'Back to the quote' },
  'reopen-parts': { from: ['rebuild'], to: 'parts', words: 'Back to parts' },
  'reopen-rebuild': { from: ['test'], to: 'rebuild', words: 'Back to rebuild' },
  'reopen-test': { from: ['report'], to: 'test', outcome: 'open', words: 'Back to test' },
  'reopen-report': { from: ['return'], to: 'report', words: 'Back to the report' },
  'reopen-declined': {
    from: ['return'],
    to: 'quote',
    outcome: 'open',
    words: 'Back to the quote: it is repaired after all',
  },
  close: { from: ['return'], closes: true, words: 'Close the job' },
  hold: { from: stations, words: 'Put on hold' },
  resume: { from: stations, words: 'Take up again' },
};

/** The move that brings a job on from a station, whose gate its page shows. */
export const onward: Readonly<Record<Station, EventKind>> = {
  receive: 'begin-teardown',
  teardown: 'finish-teardown',
  clean: 'finish-cleaning',
  inspect: 'finish-inspection',
  quote: 'send-quote',
  approve: 'accept-quote',
  parts: 'start-rebuild',
  rebuild: 'finish-rebuild',
  test: 'pass-test',
  report: 'finish-report',
  return: 'close',
};

export type Transition =
  | { readonly ok: true; readonly state: LifecycleState; readonly effects: readonly ('holder-changed' | 'closed')[] }
  | {
      readonly ok: false;
      readonly why: 'wrong-station' | 'on-hold' | 'not-on-hold' | 'closed' | 'gate-shut';
      readonly missing: readonly Missing[];
    };

interface Asked {
  readonly event: EventKind;
  /** What the event's gate found missing; the caller reckons it with `gateFor`. */
  readonly missing: readonly Missing[];
  readonly hold?: Hold;
}

const refuse = (why: Exclude<Transition, { ok: true }>['why'], missing: readonly Missing[] = []): Transition => ({
  ok: false,
  why,
  missing,
});

/** The next state of a job, or why there is none. Pure: effects are named, carried out elsewhere. */
export function transition(state: LifecycleState, { event, missing, hold }: Asked): Transition {
  const move = moves[event];
  if (state.closed) return refuse('closed');
  if (event === 'resume')
    return state.hold
      ? { ok: true, state: { ...state, hold: null }, effects: ['holder-changed'] }
      : refuse('not-on-hold');
  if (state.hold) return refuse('on-hold');
  if (event === 'hold')
    return hold ? { ok: true, state: { ...state, hold }, effects: ['holder-changed'] } : refuse('gate-shut');
  if (!move.from.includes(state.station)) return refuse('wrong-station');
  if (missing.length) return refuse('gate-shut', missing);
  const next = {
    ...state,
    station: move.to ?? state.station,
    outcome: move.outcome ?? state.outcome,
    closed: move.closes ?? false,
  };
  return { ok: true, state: next, effects: move.closes ? ['holder-changed', 'closed'] : ['holder-changed'] };
}

/** Events that belong to a state, whether their gates are open or not. */
export function allowedEvents(state: LifecycleState): readonly EventKind[] {
  if (state.closed) return [];
  if (state.hold) return ['resume'];
  return eventKinds.filter((event) => event !== 'resume' && moves[event].from.includes(state.station));
}

/**
 * Who holds a pump at a station. At Parts it is whoever has what is still to come, once everything is seen to:
 * a supplier, another shop, the customer, or we who make it.
 */
export function holderAt(
  state: LifecycleState,
  parts: { readonly toOrder: number; readonly awaited: Holder | null },
): Holder {
  if (state.hold) return state.hold.holder;
  if (state.station === 'parts') return parts.toOrder === 0 ? (parts.awaited ?? 'U') : 'U';
  const fixed: Readonly<Record<Exclude<Station, 'parts'>, Holder>> = {
    receive: 'U',
    teardown: 'B',
    clean: 'B',
    inspect: 'B',
    quote: 'U',
    approve: 'C',
    rebuild: 'B',
    test: 'S',
    report: 'U',
    return: 'U',
  };
  return state.closed ? 'C' : fixed[state.station];
}
