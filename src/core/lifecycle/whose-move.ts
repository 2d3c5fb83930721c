import type { Role } from '../record';
import type { NextMove } from './next-move';
import type { OpenAsk } from './standing';

const desk: readonly Role[] = ['coordinator', 'owner'];
const hands: readonly Role[] = ['technician'];
const eyes: readonly Role[] = ['inspector'];
const supply: readonly Role[] = ['parts'];
const nobody: readonly Role[] = [];

/** Whose each next move is; of nobody here where it is awaited from outside. */
const whose: Readonly<Record<NextMove['code'], readonly Role[]>> = {
  held: nobody,
  prepare: [...desk, ...hands],
  'begin-teardown': hands,
  teardown: hands,
  clean: hands,
  measure: eyes,
  dispose: eyes,
  'close-inspection': eyes,
  'draw-up-quote': desk,
  'send-quote': desk,
  'await-answer': nobody,
  'go-on': desk,
  'order-parts': supply,
  'await-order': nobody,
  'receive-parts': supply,
  'arrange-part': supply,
  'await-part': nobody,
  'start-rebuild': hands,
  'settle-decline': desk,
  'await-supplement': nobody,
  'sign-hold-point': eyes,
  rebuild: hands,
  'measure-as-left': eyes,
  'run-test': [...hands, ...eyes],
  'sign-test': eyes,
  'decide-run': eyes,
  'issue-report': desk,
  dispatch: desk,
  release: desk,
  reassemble: hands,
  'close-here': desk,
  deliver: desk,
};

const whoseAsk: Readonly<Record<OpenAsk['code'], readonly Role[]>> = {
  supplement: nobody,
  question: desk,
  decline: desk,
  order: supply,
  'at-risk': nobody,
  made: nobody,
  donor: nobody,
};

interface Shown {
  readonly next: NextMove;
  readonly asks: readonly OpenAsk[];
}

/**
 * Whether a job needs a person of a role now: its next move is theirs, or something open beside it is. Parts that are on
 * their way need nobody before their day.
 * @param today ISO date in the shop's zone
 */
export function needsRole({ next, asks }: Shown, role: Role, today: string): boolean {
  if (next.code === 'held') return false;
  if (next.code === 'receive-parts' && next.dueOn !== null && next.dueOn > today && !next.short) return false;
  const isUnsent =
    (next.code === 'await-supplement' && !next.isSent) || asks.some((one) => one.code === 'supplement' && !one.isSent);
  if (isUnsent && desk.includes(role)) return true;
  return whose[next.code].includes(role) || asks.some(({ code }) => whoseAsk[code].includes(role));
}
