import type { Station, SupplySource } from '../record';
import { preparationWords, type Preparation } from './next-move';

const unarrangedWords: Readonly<Record<SupplySource, string>> = {
  bought: 'not ordered',
  shelf: 'not taken from the shelf',
  customer: 'not asked for at the customer',
  donor: 'no donor is chosen',
  made: 'made here, and not drawn yet',
  outside: 'not sent out for its work yet',
};
const short = (words: string) => words.slice(0, 60);

/** Everything that can keep a gate shut: a code, and the sentence that says it when it is read. */
const sentences = {
  preparation: ({ what }: { what: Preparation }) => preparationWords[what].words,
  step: ({ step, left, of }: { step: string; left: number; of: number }) =>
    `Step “${step}” is not done${of > 1 && left > 0 ? `, ${left} of ${of} actions left` : ''}`,
  unaccounted: ({ part }: { part: string }) => `${part} is not accounted for`,
  uncleaned: ({ part }: { part: string }) => `${part} is not cleaned`,
  readings: ({ point, left, of }: { point: string; left: number; of: number }) =>
    `${point}: ${left} of ${of} readings left, or waive with a reason`,
  derived: ({ point }: { point: string }) =>
    `${point}: follows from two points that are not yet measured in full, or waive with a reason`,
  undisposed: ({ point, verdict }: { point: string; verdict: string }) =>
    `${point} is ${verdict} and has no disposition`,
  unlooked: ({ part }: { part: string }) => `${part} has not been looked at`,
  'finding-undisposed': ({ finding }: { finding: string }) => `“${short(finding)}” has no disposition`,
  'no-quote': () => 'No quote has been drawn up',
  'no-line': () => 'The quote has no line',
  'no-contact': () => 'The customer has no contact to send it to',
  'finding-unquoted': ({ finding }: { finding: string }) => `“${short(finding)}” costs something and stands on no line`,
  unordered: ({ part, count }: { part: string; count: number }) => `${part}: ${count} not ordered`,
  unarranged: ({ part, source }: { part: string; source: SupplySource }) => `${part}: ${unarrangedWords[source]}`,
  unlaid: ({ count }: { count: number }) =>
    `${count} ${count === 1 ? 'part lies' : 'parts lie'} in no labelled tray, and labels are read at this pump`,
  'number-open': ({ part, found }: { part: string; found: string }) =>
    `${part}: nobody has settled what the number ${found} is`,
  awaited: ({ part, count }: { part: string; count: number }) => `${part}: ${count} still to arrive`,
  'hold-point': ({ step }: { step: string }) => `Hold point “${step}” needs a second person`,
  'left-unmeasured': ({ point, taken }: { point: string; taken: number }) =>
    `As left: ${point} is not measured${taken ? ' in full' : ''}`,
  'left-bad': ({ point, verdict }: { point: string; verdict: string }) => `As left: ${point} is ${verdict}`,
  supplement: ({ number, state }: { number: number; state: string }) =>
    `Supplement ${number} is ${state === 'draft' ? 'not sent' : 'not answered'}`,
  'decline-unsettled': ({ lines }: { lines: string }) =>
    `${lines}: declined though the pump may fail without it; go on with the disclaimer, or return it as it is`,
  'no-run': () => 'No run on the stand since the last rebuild',
  'run-failed': () => 'The run failed: back to rebuild, or a concession with a name',
  'no-failed-run': () => 'No run has been judged a failure',
  'no-report': () => 'The report is not issued',
  unanswered: () => 'The customer has not answered this revision',
  'fate-unsaid': () => 'The owner’s word on what becomes of it is not written down',
  'warranty-unjudged': () => 'It came back within its warranty, and nobody has judged whose fault it is',
  unreleased: () => 'The pump is not released',
  undelivered: () => 'The delivery is not recorded',
} as const;

export type MissingCode = keyof typeof sentences;
export type MissingArguments<Code extends MissingCode> =
  Parameters<(typeof sentences)[Code]> extends readonly [infer About] ? About : undefined;

/** One thing that keeps a gate shut: which it is, what it is about, and the place that opens it. */
export type Missing = {
  readonly [Code in MissingCode]: { readonly code: Code; readonly about: MissingArguments<Code> };
}[MissingCode] & {
  readonly station: Station;
  /** Id of the element on the station's sheet. */
  readonly anchor: string;
};

/** A missing thing as it is shown. */
export interface MissingShown {
  readonly code: MissingCode;
  readonly words: string;
  readonly station: Station;
  readonly anchor: string;
}

/**
 * Makes the words of a missing thing.
 * @example sayMissing({ code: 'no-line', about: undefined, station: 'quote', anchor: 'lines' }).words // 'The quote has no line'
 */
export function sayMissing({ code, about, station, anchor }: Missing): MissingShown {
  const say: (about: never) => string = sentences[code];
  return { code, words: say(about as never), station, anchor };
}
