import * as z from 'zod';
import { sheetOf, supplySources, type JobRecord, type SupplySource } from '../record';
import { isShutByResidue, liquidStateOf, namesLiquid } from '../residue';
import { sayDay } from './answer-line';

/** What must be there before a pump is opened, in the order in which it is asked for. */
export const preparations = [
  'liquid',
  'residue',
  'begun',
  'cleaning-paper',
  'isolation',
  'energy-caution',
  'liquid-caution',
] as const;
export type Preparation = (typeof preparations)[number];

type Received = Pick<JobRecord, 'intake' | 'acknowledgements' | 'sheets'>;
const isNamed = ({ intake }: Received) => liquidStateOf(intake) === 'named';
const hasRead = ({ acknowledgements }: Received, caution: string) =>
  acknowledgements.some((one) => one.caution === caution);

const isMissing: Readonly<Record<Preparation, (record: Received) => boolean>> = {
  liquid: (record) => isNamed(record) && !namesLiquid(record.intake.liquid),
  residue: isShutByResidue,
  begun: (record) => (record.intake.arrival ?? 'complete') !== 'complete' && !sheetOf(record, 'begun'),
  // The laboratory's word on a residue, by which the opening was allowed, is the paper of a liquid that nobody named.
  'cleaning-paper': (record) => isNamed(record) && record.intake.cleaning === 'none',
  isolation: ({ intake }) => !intake.isolation,
  'energy-caution': (record) => !hasRead(record, 'energy-isolation'),
  'liquid-caution': (record) => !hasRead(record, 'harmful-liquid'),
};

/** What is still missing before a pump may be opened. */
export function openPreparations(record: Received): readonly Preparation[] {
  return preparations.filter((one) => isMissing[one](record));
}

/** What is missing, as the gate says it, and the place on the receiving sheet that opens it. */
export const preparationWords: Readonly<Record<Preparation, { readonly words: string; readonly anchor: string }>> = {
  liquid: { words: 'The liquid is not named: ask for the sheet', anchor: 'liquid' },
  residue: { words: 'What is in it is not known, and nobody has allowed that it is opened', anchor: 'residue' },
  begun: { words: 'What was begun elsewhere is not written down', anchor: 'begun' },
  'cleaning-paper': { words: 'Neither a cleaning declaration nor a safety sheet is here', anchor: 'liquid' },
  isolation: { words: 'Energy isolation is not confirmed', anchor: 'isolation' },
  'energy-caution': { words: 'The technician has not acknowledged the energy caution', anchor: 'cautions' },
  'liquid-caution': { words: 'The technician has not acknowledged the liquid and its hazards', anchor: 'cautions' },
};

const count = z.number().int().min(0);
const day = z.string().nullable();
/** The title of a point that is out, where one is. */
const out = z.string().nullable();

/**
 * The next move of a job: a code with its arguments. It is kept with the job, and its words are made when it is read,
 * by `sayMove`; nothing decides by words.
 */
export const nextMoveSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('held'), reason: z.string() }),
  z.object({ code: z.literal('prepare'), what: z.enum(preparations) }),
  z.object({ code: z.literal('begin-teardown') }),
  z.object({ code: z.literal('teardown'), done: count, of: count }),
  z.object({ code: z.literal('clean'), left: count }),
  z.object({ code: z.literal('measure'), left: count, out }),
  z.object({ code: z.literal('dispose'), open: count, out }),
  z.object({ code: z.literal('close-inspection'), left: count, out }),
  z.object({ code: z.literal('draw-up-quote') }),
  z.object({ code: z.literal('send-quote'), revision: count }),
  z.object({ code: z.literal('await-answer'), revision: count }),
  z.object({ code: z.literal('go-on') }),
  z.object({ code: z.literal('order-parts'), parts: count, longestDays: count }),
  z.object({ code: z.literal('await-order'), parts: count }),
  z.object({ code: z.literal('receive-parts'), parts: count, short: z.string().nullable(), dueOn: day }),
  z.object({ code: z.literal('arrange-part'), part: z.string(), source: z.enum(supplySources), others: count }),
  z.object({
    code: z.literal('await-part'),
    part: z.string(),
    source: z.enum(supplySources),
    dueOn: day,
    others: count,
  }),
  z.object({ code: z.literal('start-rebuild') }),
  z.object({ code: z.literal('settle-decline') }),
  z.object({ code: z.literal('await-supplement'), number: count, isSent: z.boolean() }),
  z.object({ code: z.literal('sign-hold-point'), step: z.string() }),
  z.object({ code: z.literal('rebuild'), step: z.string(), done: count, of: count, isAgain: z.boolean() }),
  z.object({ code: z.literal('measure-as-left'), isAgain: z.boolean() }),
  z.object({ code: z.literal('run-test'), after: z.number().int().nullable() }),
  z.object({ code: z.literal('sign-test'), run: count }),
  z.object({ code: z.literal('decide-run'), run: count }),
  z.object({ code: z.literal('issue-report') }),
  z.object({ code: z.literal('dispatch') }),
  z.object({ code: z.literal('release'), isDeclined: z.boolean() }),
  z.object({ code: z.literal('reassemble') }),
  z.object({ code: z.literal('close-here'), isDonor: z.boolean() }),
  z.object({ code: z.literal('deliver') }),
]);
export type NextMove = z.infer<typeof nextMoveSchema>;
type MoveOf<Code extends NextMove['code']> = Extract<NextMove, { readonly code: Code }>;

/** A move as it is said: the verb, what goes with it, and what is waited for, to go after "waiting for". */
export interface MoveWords {
  readonly move: string;
  readonly detail: string;
  readonly waitingFor: string;
}

const words = (move: string, detail: string, waitingFor: string): MoveWords => ({ move, detail, waitingFor });
const plural = (number: number, one: string, many = `${one}s`) => `${number} ${number === 1 ? one : many}`;
const lower = (text: string) => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
const found = (title: string | null) => (title ? ` · ${lower(title)} out` : '');
const again = (isAgain: boolean) => (isAgain ? ' again after test' : '');
/** Today, for the year of a day; left out where it goes without saying. */
type Today = string | undefined;
const until = (dueOn: string | null, today: Today) => (dueOn ? `, due ${sayDay(dueOn, today)}` : '');

const benchWords = {
  'begin-teardown': () => words('Begin teardown', 'the gate is open', 'a free bench'),
  teardown: ({ done, of }: MoveOf<'teardown'>) =>
    words('Teardown', `step ${Math.min(done + 1, of)} of ${of}`, `teardown, ${done} of ${of} steps done`),
  clean: ({ left }: MoveOf<'clean'>) =>
    words('Clean', `${plural(left, 'part')} left`, `cleaning, ${plural(left, 'part')} left`),
  measure: ({ left, out: title }: MoveOf<'measure'>) =>
    words(`${plural(left, 'point')} left`, `inspection${found(title)}`, `${plural(left, 'point')} to be measured`),
  dispose: ({ open, out: title }: MoveOf<'dispose'>) =>
    words('Decide', `${plural(open, 'disposition')} open${found(title)}`, 'dispositions'),
  'close-inspection': ({ left, out: title }: MoveOf<'close-inspection'>) =>
    words(
      'Close the inspection',
      `${left ? `${plural(left, 'point')} left, none critical` : 'all measured'}${found(title)}`,
      `the inspection to be closed${left ? `, ${plural(left, 'point')} not measured and none critical` : ''}`,
    ),
  'sign-hold-point': ({ step }: MoveOf<'sign-hold-point'>) =>
    words('Hold point', `second person for ${lower(step)}`, `a second person at the hold point ${lower(step)}`),
  rebuild: ({ step, done, of, isAgain }: MoveOf<'rebuild'>) =>
    words(
      step,
      `step ${Math.min(done + 1, of)} of ${of}${again(isAgain)}`,
      `rebuild${again(isAgain)}, ${done} of ${of} steps done`,
    ),
  'measure-as-left': ({ isAgain }: MoveOf<'measure-as-left'>) =>
    words('As-left readings', `then to the stand${again(isAgain)}`, 'the as-left readings'),
};

const andOthers = (others: number) => (others ? ` and ${plural(others, 'other')}` : '');
const on = (dueOn: string | null, start: string, today: Today) => (dueOn ? `, ${start} ${sayDay(dueOn, today)}` : '');

/** Parts to which nobody has seen yet, by their source. */
const arranged: Readonly<Record<SupplySource, { readonly verb: string; readonly waits: (part: string) => string }>> = {
  bought: { verb: 'Order', waits: (part) => `us to order ${part}` },
  shelf: { verb: 'Take from the shelf', waits: (part) => `us to take ${part} from the shelf` },
  customer: { verb: 'Ask the customer', waits: (part) => `us to ask the customer for ${part}` },
  donor: { verb: 'Choose a donor', waits: (part) => `us to find a donor for ${part}` },
  made: { verb: 'Draw', waits: (part) => `us to draw ${part}, which we make ourselves` },
  outside: { verb: 'Send out', waits: (part) => `us to send ${part} out for work` },
};
/** Parts that are still to come, by their source. */
const arriving: Readonly<
  Record<
    SupplySource,
    { readonly verb: string; readonly waits: (part: string, dueOn: string | null, today: Today) => string }
  >
> = {
  bought: { verb: 'Receive', waits: (part, dueOn, today) => `${part} from the supplier${on(dueOn, 'due', today)}` },
  shelf: { verb: 'Lay ready', waits: (part) => `${part} to be laid ready from our shelf` },
  customer: {
    verb: 'Customer’s part',
    waits: (part, dueOn, today) => `${part} that the customer brings${on(dueOn, 'due', today)}`,
  },
  donor: { verb: 'Lay ready', waits: (part) => `${part} to be laid ready from its donor` },
  made: { verb: 'Make', waits: (part, dueOn, today) => `${part} that we make ourselves${on(dueOn, 'done on', today)}` },
  outside: {
    verb: 'From outside',
    waits: (part, dueOn, today) => `${part} from the outside shop${on(dueOn, 'due', today)}`,
  },
};

const deskWords = {
  held: ({ reason }: MoveOf<'held'>) => words('On hold', reason, `the end of the hold: ${reason}`),
  prepare: ({ what }: MoveOf<'prepare'>) => {
    const said = preparationWords[what].words;
    const isAboutLiquid = what === 'liquid' || what === 'cleaning-paper';
    if (what === 'residue') return words('Identify the residue', 'it stays shut', 'a word on what is in it');
    return words(said, '', isAboutLiquid ? 'the liquid to be declared' : `this: ${lower(said)}`);
  },
  'draw-up-quote': () => words('Draw up quote', 'from the dispositions', 'us to draw up the quote'),
  'send-quote': ({ revision }: MoveOf<'send-quote'>) =>
    words('Send quote', `revision ${revision}`, `us to send quote revision ${revision}`),
  'await-answer': ({ revision }: MoveOf<'await-answer'>) =>
    words('Answer', `to quote revision ${revision}`, `approval of quote revision ${revision}`),
  'go-on': () => words('Go on', 'the answer is in', 'us to go on with the answer'),
  'order-parts': ({ parts, longestDays }: MoveOf<'order-parts'>) =>
    words(
      'Order',
      `${plural(parts, 'part')}, longest ${plural(longestDays, 'day')}`,
      `us to order ${plural(parts, 'part')}`,
    ),
  'await-order': ({ parts }: MoveOf<'await-order'>) =>
    words('Hear from the supplier', plural(parts, 'part'), `the supplier to acknowledge ${plural(parts, 'part')}`),
  'receive-parts': ({ parts, short, dueOn }: MoveOf<'receive-parts'>, today: Today) =>
    words(
      'Receive',
      `${short ? `${lower(short)} short` : plural(parts, 'part')}${until(dueOn, today)}`,
      `${plural(parts, 'part')} from the supplier${until(dueOn, today)}`,
    ),
  'arrange-part': ({ part, source, others }: MoveOf<'arrange-part'>) => {
    const { verb, waits } = arranged[source];
    return words(verb, `${lower(part)}${andOthers(others)}`, `${waits(`the ${lower(part)}`)}${andOthers(others)}`);
  },
  'await-part': ({ part, source, dueOn, others }: MoveOf<'await-part'>, today: Today) => {
    const { verb, waits } = arriving[source];
    const detail = `${lower(part)}${until(dueOn, today)}${andOthers(others)}`;
    return words(verb, detail, `${waits(`the ${lower(part)}`, dueOn, today)}${andOthers(others)}`);
  },
  'settle-decline': () =>
    words('Go on or return', 'declined though the pump may fail without it', 'us to say whether it goes on without it'),
  'await-supplement': ({ number, isSent }: MoveOf<'await-supplement'>) =>
    isSent
      ? words('Answer', `to supplement ${number}`, `the answer to supplement ${number}`)
      : words('Send supplement', `${number}, found later`, `us to send supplement ${number}`),
  'start-rebuild': () => words('Start rebuild', 'all parts are in', 'a free bench'),
};

const standWords = {
  'run-test': ({ after }: MoveOf<'run-test'>) =>
    words('Run on the stand', after === null ? 'first run' : `second try after run ${after}`, 'a run on the stand'),
  'sign-test': ({ run }: MoveOf<'sign-test'>) => words('Sign the test', `run ${run} passed`, 'the tester’s signature'),
  'decide-run': ({ run }: MoveOf<'decide-run'>) =>
    words('Decide on run', `run ${run} failed`, 'a decision on the failed run'),
  'issue-report': () => words('Issue report', 'the test is passed', 'us to issue the report'),
  dispatch: () => words('To return', 'the report is issued', 'its way to dispatch'),
  release: ({ isDeclined }: MoveOf<'release'>) =>
    words('Release', isDeclined ? 'declined, goes back as it is' : 'ports blanked and packed', 'release'),
  reassemble: () => words('Put it together', 'it goes back not repaired', 'a bench to put it together'),
  'close-here': ({ isDonor }: MoveOf<'close-here'>) =>
    words('Close the job', isDonor ? 'it stays as a donor' : 'it is scrapped', 'us to close the job'),
  deliver: () => words('Deliver', 'released', 'delivery'),
};

const sentences: { readonly [Code in NextMove['code']]: (move: MoveOf<Code>, today: Today) => MoveWords } = {
  ...benchWords,
  ...deskWords,
  ...standWords,
};

/**
 * The words of a move.
 * @param today ISO date, for days of another year
 * @example sayMove({ code: 'order-parts', parts: 1, longestDays: 9 }) // { move: 'Order', detail: '1 part, longest 9 days', waitingFor: 'us to order 1 part' }
 */
export function sayMove(move: NextMove, today?: string): MoveWords {
  const say: (move: never, today: Today) => MoveWords = sentences[move.code];
  return say(move as never, today);
}
