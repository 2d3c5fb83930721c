import { planSentences } from './plan-sentences';
import { sheetSentences } from './sheet-sentences';
import { supplySentences } from './supply-sentences';
import { list, plural } from './words';
import { optionNames, stationNames, type OptionLevel, type Station } from '../record';

interface Window {
  readonly min: number;
  readonly max: number;
}
interface OpenWindow {
  readonly min: number | undefined;
  readonly max: number | undefined;
}
/** What an action asks, and what an answer that is not right means. */
interface Told {
  readonly ask: string;
  readonly means: string;
}
interface Measured {
  readonly value: number;
  readonly unit: string;
}
/** Null where a tool has no such end. */
interface ToolRange {
  readonly min: number | null;
  readonly max: number | null;
}
interface Off {
  readonly by: number;
  readonly tolerance: number;
}

const toldMeaning = (means: string) => (means ? ` ${means}` : '');
const saidValue = (value: number, unit: string) => `${Number(value.toPrecision(6))}${unit && ` ${unit}`}`;
function saidWindow({ min, max }: OpenWindow, unit: string): string {
  if (min === undefined) return `at most ${saidValue(max ?? 0, unit)}`;
  return max === undefined ? `at least ${saidValue(min, unit)}` : `${saidValue(min, '')} to ${saidValue(max, unit)}`;
}

const saidRange = ({ min, max }: ToolRange, unit: string) =>
  saidWindow({ min: min ?? undefined, max: max ?? undefined }, unit);

/**
 * Why a command is refused: a code with its arguments, and the sentence that says it. Core decides by codes; the words
 * are made when an answer is read, by `sayReason`.
 */
const sentences = {
  ...planSentences,
  ...sheetSentences,
  ...supplySentences,
  'on-hold': ({ tag, reason }: { tag: string; reason: string }) => `${tag} is on hold: ${reason}.`,
  'not-on-hold': ({ tag }: { tag: string }) => `${tag} is not on hold.`,
  closed: ({ tag }: { tag: string }) => `${tag} is closed.`,
  'other-station': ({ tag, station }: { tag: string; station: Station }) => `${tag} is at ${stationNames[station]}.`,
  'gate-shut': ({ count }: { count: number }) =>
    `${count} ${plural(count, 'thing is', 'things are')} missing for this move.`,
  'unknown-caution': ({ caution }: { caution: string }) => `There is no caution "${caution}".`,
  'unknown-part': ({ part }: { part: string }) => `${part} is not in the parts list of this family.`,
  'unknown-point': ({ point }: { point: string }) => `${point} is not a point of this family.`,
  'unknown-step': ({ step, phase }: { step: string; phase: string }) =>
    `${step} is not a step of ${phase} in this family.`,
  'unknown-place': ({ point, place }: { point: string; place: string }) => `${point} has no place ${place}.`,
  'unknown-instrument': ({ instrument }: { instrument: string }) => `There is no instrument ${instrument}.`,
  'rows-wanted': ({ ask, least, given }: { ask: string; least: number; given: number }) =>
    `${ask}: ${given} of ${least} ${plural(least, 'row is', 'rows are')} filled in.`,
  'cell-wanted': ({ ask, row, column }: { ask: string; row: string; column: string }) =>
    `${ask}: ${column} of ${row} is not filled in.`,
  'cell-unread': ({ row, column, sentence }: { row: string; column: string; sentence: string }) =>
    `${column} of ${row}: ${sentence}`,
  'cell-outside': (given: { row: string; column: string; means: string } & Measured & OpenWindow) =>
    `${given.column} of ${given.row}: ${saidValue(given.value, given.unit)} is outside ${saidWindow(given, given.unit)}.${toldMeaning(given.means)}`,
  'rows-apart': (given: { column: string; by: number; agree: number; unit: string; means: string }) =>
    `${given.column}: the rows lie ${saidValue(given.by, given.unit)} apart, ${saidValue(given.agree, given.unit)} may be.${toldMeaning(given.means)}`,
  'row-rises': (given: { column: string; row: string; before: number; means: string } & Measured) =>
    `${given.column} of ${given.row}: ${saidValue(given.value, given.unit)} is more than the ${saidValue(given.before, given.unit)} before it; it must fall.${toldMeaning(given.means)}`,
  'record-unreckoned': ({ ask, sentence }: { ask: string; sentence: string }) => `${ask}: ${sentence}`,
  'record-judged': ({ ask, verdict, means }: Told & { verdict: string }) => `${ask}: ${verdict}.${toldMeaning(means)}`,
  'tool-wanted': ({ kind }: { kind: string }) => `Say which ${kind} it was done with.`,
  'tool-of-another-kind': ({ tool, kind, wanted }: { tool: string; kind: string; wanted: string }) =>
    `${tool} is a ${kind}; here a ${wanted} is used.`,
  'tool-of-another-unit': ({ tool, unit, given }: { tool: string; unit: string; given: string }) =>
    `${tool} shows ${unit}, and ${given} is asked here.`,
  'tool-overdue': ({ tool, kind, dueOn }: { tool: string; kind: string; dueOn: string }) =>
    `${tool} (${kind}) was due on ${dueOn}: take another, or an inspector or the coordinator concedes it.`,
  'tool-out-of-range': ({ tool, value, unit, min, max }: { tool: string; value: number; unit: string } & ToolRange) =>
    `${saidValue(value, unit)} lies outside the range of ${tool}, ${saidRange({ min, max }, unit)}: take another, or an inspector or the coordinator concedes it.`,
  'unknown-finding': () => 'This finding is not of this job.',
  'unknown-line': () => 'This line is not in the draft.',
  'point-not-in-phase': ({ point, phase }: { point: string; phase: string }) => `${point} is not measured ${phase}.`,
  'place-twice': ({ point, place }: { point: string; place: string }) =>
    `${point} at ${place} stands twice in what was sent; send each place once.`,
  'seen-already': ({ part, words }: { part: string; words: string }) =>
    `${part}: “${words}” was found on it; nothing seen would contradict that.`,
  'part-twice': ({ part }: { part: string }) => `${part} stands twice in what was sent; send each part once.`,
  'line-twice': ({ line }: { line: string }) => `${line} is counted twice in what was sent; count each line once.`,
  'not-a-length': ({ sentence }: { sentence: string }) => sentence,
  'length-out-of-reach': ({ typed, least, most }: { typed: string; least: number; most: number }) =>
    `${typed} lies outside ${least} to ${most} mm, which is all that a pump of this shop measures.`,
  'not-a-number': ({ typed, unit }: { typed: string; unit: string }) =>
    `"${typed}" is not a number${unit ? ` in ${unit}; type it without the unit` : ''}.`,
  'not-a-count': ({ typed }: { typed: string }) => `"${typed}" is not a count.`,
  'not-a-choice': ({ choices }: { choices: readonly string[] }) => `Choose ${list(choices, 'or')}.`,
  'nothing-typed': ({ ask }: { ask: string }) => `${ask}: nothing is typed yet.`,
  'picture-wanted': ({ ask }: { ask: string }) => `${ask}: take or choose a picture first.`,
  'not-yes-or-no': ({ ask }: { ask: string }) => `${ask}: answer yes or no.`,
  'check-wrong': ({ ask, typed, means }: Told & { typed: string }) =>
    `${ask}: ${typed}.${toldMeaning(means)} Put it right, or an inspector or the coordinator concedes it.`,
  'not-as-it-should': ({ ask, typed, should, means }: Told & { typed: string; should: string }) =>
    `${ask}: ${typed} is not right here, it must be ${should}.${toldMeaning(means)}`,
  'kit-of-another': ({ ask, typed, kits }: { ask: string; typed: string; kits: readonly string[] }) =>
    `${ask}: ${typed} is no kit of this pump as it is received; its kits are ${list(kits, 'and')}. Look at the plate, and at how it is built.`,
  'not-as-found': ({ ask, typed, found, means }: Told & { typed: string; found: string }) =>
    `${ask}: ${typed} does not agree with ${found} at teardown.${toldMeaning(means)} Look again.`,
  'count-differs': ({ ask, typed, expected, means }: Told & { typed: string; expected: number }) =>
    `${ask}: ${typed} counted, this pump has ${expected}.${toldMeaning(means)}`,
  'outside-window': ({ ask, value, unit, min, max, means }: Told & Measured & OpenWindow) =>
    `${ask}: ${saidValue(value, unit)} is outside ${saidWindow({ min, max }, unit)}.${toldMeaning(means)}`,
  'off-from-should': (given: Told & Measured & Off & { should: number }) =>
    `${given.ask}: ${saidValue(given.value, given.unit)} is ${saidValue(given.by, given.unit)} off from ${saidValue(given.should, given.unit)}, allowed ${saidValue(given.tolerance, given.unit)}.${toldMeaning(given.means)}`,
  'off-from-found': (given: Told & Measured & Off & { found: number }) =>
    `${given.ask}: ${saidValue(given.value, given.unit)} differs from ${saidValue(given.found, given.unit)} at teardown by ${saidValue(given.by, given.unit)}, allowed ${saidValue(given.tolerance, given.unit)}. Measure again.`,
  'below-found': (given: Told & Measured & { found: number }) =>
    `${given.ask}: ${saidValue(given.value, given.unit)} is less than ${saidValue(given.found, given.unit)} at teardown.${toldMeaning(given.means)}`,
  'not-a-value': ({ sentence }: { sentence: string }) => sentence,
  'not-to-be-meant': ({ typed, unit, min, max }: { typed: string; unit: string; min: number; max: number }) =>
    `${typed} cannot be meant: here it lies between ${saidValue(min, '')} and ${saidValue(max, unit)}. Look where the point stands.`,
  'turns-badly': ({ ask, typed, means }: Told & { typed: string }) => `${ask}: ${typed}.${toldMeaning(means)}`,
  'marks-apart': ({ ask }: { ask: string }) =>
    `${ask}: the marks are not in line. Take it apart and turn it to its mark.`,
  'not-as-asked': (given: { title: string; done: number; asked: number; unit: string; tolerance: number }) =>
    `${given.title}: ${saidValue(given.done, given.unit)} is set, ${saidValue(given.asked, given.unit)} is asked, allowed ${saidValue(given.tolerance, given.unit)} off.`,
  'unknown-action': ({ action, phase }: { action: string; phase: string }) =>
    `${action} is not an action of ${phase} in this family.`,
  'step-comes-first': ({ step, first }: { step: string; first: readonly string[] }) =>
    `Before “${step}” comes ${first.map((title) => `“${title}”`).join(' and ')}. An inspector or the coordinator may allow another order, with a reason.`,
  'hold-point-first': ({ step, first }: { step: string; first: string }) =>
    `“${step}” closes over the hold point “${first}”, which nobody has signed.`,
  'action-comes-first': ({ action, first }: { action: string; first: readonly string[] }) =>
    `Before “${action}” comes ${first.map((title) => `“${title}”`).join(' and ')}.`,
  'points-left': ({ points }: { points: readonly string[] }) => `Still to be measured as left: ${points.join(', ')}.`,
  'setting-waits': ({ title, waits }: { title: string; waits: string }) => `${title}: ${waits}.`,
  'passes-wanted': ({ count }: { count: number }) =>
    `Type the torque of each of the ${count} passes; none may be less than the one before it.`,
  'why-not-possible': () => 'Say why it is not possible.',
  'conceded-here': ({ phase }: { phase: string }) =>
    `At ${phase} only an inspector or the coordinator can say that something is not possible.`,
  'concession-needless': ({ ask }: { ask: string }) => `${ask}: this is right as it is and needs no concession.`,
  'nothing-to-concede': () => 'Nothing speaks against the gauge: keep the reading without a concession.',
  'nothing-answered': ({ action }: { action: string }) => `“${action}” is not answered.`,
  'not-the-last-answer': ({ action }: { action: string }) =>
    `“${action}” is not the last thing that was answered here; open its step again, with a reason.`,
  'step-open-already': ({ step }: { step: string }) => `“${step}” is open.`,
  'nothing-comes-first': ({ step }: { step: string }) => `“${step}” waits for no other step.`,
  'picture-of-another-job': () => 'The picture belongs to another job.',
  'caution-unread': () => 'Read and acknowledge the caution of this step first.',
  'torque-wanted': ({ min, max }: Window) => `Type the torque; the window is ${min} to ${max} N·m.`,
  'torque-outside-window': ({ torqueNm, min, max }: Window & { torqueNm: number }) =>
    `${torqueNm} N·m is outside the window of ${min} to ${max} N·m.`,
  'temperatures-wanted': () => 'Type the room temperature and the temperature that was reached.',
  'bearing-too-hot': ({ temperatureC, limitC }: { temperatureC: number; limitC: number }) =>
    `${temperatureC} °C passes the limit of ${limitC} °C: the bearing is spoiled.`,
  'bearing-too-cold': ({ temperatureC, neededC }: { temperatureC: number; neededC: number }) =>
    `${temperatureC} °C is less than the ${neededC.toFixed(0)} °C that this fit needs.`,
  'consumable-wanted': () => 'Choose what was used.',
  'consumable-swells': (given: { what: string; met: readonly string[]; suitable: readonly string[] }) =>
    `${given.what} does not suit ${list(given.met, 'and')}: it swells. Use ${list(given.suitable, 'or') || 'what the maker names'}.`,
  'parts-wait': (given: { step: string; parts: readonly { name: string; left: number; dueOn: string | null }[] }) =>
    `“${given.step}” waits for ${given.parts.map(({ name, left, dueOn }) => `${name} (${left}${dueOn ? `, due ${dueOn}` : ''})`).join(', ')}.`,
  'not-a-hold-point': ({ step }: { step: string }) => `${step} is not a hold point.`,
  'step-not-done': ({ step }: { step: string }) => `“${step}” is not done yet.`,
  'same-person': ({ person }: { person: string }) =>
    `${person} did something of this step; somebody else signs the hold point.`,
  'signed-already': ({ step, person }: { step: string; person: string }) =>
    `“${step}” is signed already, by ${person}.`,
  'confirmed-already': ({ person }: { person: string }) => `Isolation is confirmed already, by ${person}.`,
  'other-put-here': ({ person, theirs, yours }: { person: string; theirs: string; yours: string }) =>
    `${person} put ${theirs} here meanwhile; you typed ${yours}.`,
  'other-said': ({ person, theirs }: { person: string; theirs: string }) => `${person} said “${theirs}” meanwhile.`,
  'other-changed-quote': () => 'Somebody else changed this quote meanwhile.',
  'recorded-by-family': ({ tag, family, other }: { tag: string; family: string; other: string }) =>
    `${tag} has steps, captures or parts recorded by ${family}; they would stand for nothing in ${other}.`,
  'built-so-already': ({ tag, family }: { tag: string; family: string }) => `${tag} is ${family}, built so, already.`,
  'built-otherwise': ({ ask, typed, received }: { ask: string; typed: string; received: string }) =>
    `${ask}: ${typed}, and it was received as ${received}. Say that it is built otherwise: what still applies stays.`,
  'why-built-otherwise': ({ tag }: { tag: string }) => `Say how it was seen, or why: something is recorded of ${tag}.`,
  'quote-drawn-up': ({ tag }: { tag: string }) =>
    `A quote of ${tag} is drawn up for the way it is built; it is not changed under it.`,
  'teardown-asks-more': ({ tag, open }: { tag: string; open: readonly string[] }) =>
    `Built so, the teardown of ${tag} asks for more than was done: ${open.join('; ')}.`,
  'keeps-version': ({ tag, version }: { tag: string; version: string }) =>
    `${tag} has steps, captures or parts recorded by version ${version}; it keeps that version.`,
  'no-newer-version': ({ family, version }: { family: string; version: string }) =>
    `There is no newer version of ${family} than ${version}.`,
  'no-draft': () => 'There is no draft of a quote. Draw one up first.',
  'discount-above-nothing': () => 'A discount is below nothing: type it with a minus.',
  'price-below-nothing': () => 'Only a discount has a price below nothing: choose “discount” as its kind.',
  'nothing-proposed': ({ line }: { line: string }) => `“${line}” is as it is proposed: there is nothing to take.`,
  'option-of-no-line': ({ option }: { option: OptionLevel }) =>
    `No line makes “${optionNames[option]}” differ from the others: it is not offered beside them.`,
  'advised-not-offered': ({ option }: { option: OptionLevel }) =>
    `“${optionNames[option]}” is not offered, so it cannot be advised.`,
  'valid-until-past': ({ day }: { day: string }) => `${day} is past: the offer would be void when it is read.`,
  'option-wanted': ({ options }: { options: readonly OptionLevel[] }) =>
    `Say which is chosen: ${list(
      options.map((option) => optionNames[option]),
      'or',
    )}.`,
  'option-not-offered': ({ option }: { option: OptionLevel }) => `“${optionNames[option]}” is not offered.`,
  'critical-declined': ({ lines }: { lines: readonly string[] }) =>
    `Without ${list(lines, 'and')} the pump may fail in service, and the repair has no warranty. Say that it is to be left out all the same.`,
  'no-supplement': () => 'There is no such supplement on this job.',
  'no-contact-for-it': ({ tag }: { tag: string }) =>
    `${tag} has no contact to send it to: name one, or record the answer by telephone.`,
  'no-line-left': () => 'No line is left to be answered: put one back, or take the supplement back.',
  'no-answer-yet': () => 'There is no answer yet that could be put right.',
  'answered-by-link': ({ name }: { name: string }) =>
    `${name} answered and signed by the link: that stands. A new revision asks again.`,
  'ordered-by-answer': () => 'Parts were ordered by this answer: it stands. What is different now makes a supplement.',
  'no-decline-to-settle': () => 'Nothing critical was declined that is still to be settled.',
  'decline-unsettled': ({ lines }: { lines: readonly string[] }) =>
    `${list(lines, 'and')} was declined, without which the pump may fail: say first whether it goes back as it is, or on with the disclaimer.`,
  'unknown-question': () => 'This question is not of this job.',
  'question-answered': ({ person, answer }: { person: string; answer: string }) =>
    `${person} has answered it already: “${answer}”`,
  'questions-open': ({ most }: { most: number }) =>
    `${most} questions wait for their answer already. Please ring the shop.`,
  'way-back-reason': ({ words }: { words: string }) => `${words}: say why.`,
  'supplement-first': ({ step, supplement }: { step: string; supplement: number }) =>
    `“${step}” waits for the answer to supplement ${supplement}. The other steps go on.`,
  'at-risk-above': ({ value, limit }: { value: string; limit: string }) =>
    `What would be ordered is worth ${value}, more than the ${limit} that you allow at risk.`,
  'at-risk-too-late': () => 'The customer has answered: what is approved is ordered without a risk.',
  'no-quote-waiting': () => 'There is no quote waiting for an answer.',
  'answered-already': () => 'This quote has been answered already.',
  'newer-revision-sent': () => 'A newer revision of this quote has been sent.',
  'line-not-in-quote': () => 'A line that is declined is not in this quote.',
  'line-not-declinable': ({ line }: { line: string }) =>
    `“${line}” belongs to every repair and cannot be declined alone.`,
  'all-ordered': () => 'Everything is ordered already.',
  'ordered-meanwhile': ({ number }: { number: string }) =>
    `${number} was ordered, or is no longer needed, since the plan was drawn up. Look at the plan again.`,
  'nobody-offers': ({ parts }: { parts: readonly string[] }) =>
    `Nobody in the catalogue offers ${parts.join(', ')}. Name a supplier who is asked for such parts, or put an offer in.`,
  'plan-moved': () =>
    'The plan is another since you saw it: something was ordered, needed or priced anew. Look at it again.',
  'order-moved': ({ order }: { order: string }) => `${order} was changed while the supplier was asked. Ask again.`,
  'no-such-order': ({ order }: { order: string }) => `There is no order ${order}.`,
  'order-not-open': ({ order }: { order: string }) => `${order} has no day that could be moved.`,
  'not-sooner': ({ wantedOn, dueOn }: { wantedOn: string; dueOn: string }) =>
    `${wantedOn} is not sooner than ${dueOn}, which is acknowledged.`,
  'all-left': ({ title }: { title: string }) => `All of ${title} has left the supplier; nothing can be struck off.`,
  'no-bag': ({ number, order }: { number: string; order: string }) =>
    `No bag of ${number} out of ${order} waits to be counted. Read it by eye and type what stands on it.`,
  'nobody-to-write': ({ supplier }: { supplier: string }) =>
    `${supplier} has no mail address in the catalogue. Write one down there, or ring them.`,
  'not-added': ({ title, supplier }: { title: string; supplier: string }) =>
    `${supplier} adds nothing more of ${title} to this order. Order it anew.`,
  'not-in-parcel': ({ number, order }: { number: string; order: string }) =>
    `${number} is not in a parcel of ${order} that is to be counted.`,
  'not-on-shelf': ({ number, wanted, there }: { number: string; wanted: number; there: number }) =>
    `Of ${number} only ${there} lie on the shelf; ${wanted} cannot be taken. Count the bin, or take fewer.`,
  'supplier-name-taken': ({ name }: { name: string }) => `There is a supplier ${name} already.`,
  'left-already': ({ number, open, quantity }: { number: string; open: number; quantity: number }) =>
    `Of ${number} only ${open} have not left the supplier; ${quantity} cannot be struck off.`,
  'not-an-order-of': ({ tag, order }: { tag: string; order: string }) => `${order} is not an order of ${tag}.`,
  'line-not-on-order': ({ order }: { order: string }) => `A counted line is not on ${order}.`,
  'more-than-open': ({ counted, number, open }: { counted: number; number: string; open: number }) =>
    `${counted} of ${number} counted, but only ${open} are open.`,
  'nothing-on-its-way': ({ order }: { order: string }) => `Nothing of ${order} is on its way.`,
  'acknowledged-already': ({ order }: { order: string }) => `${order} is acknowledged already.`,
  'nothing-corrected': ({ what, value }: { what: string; value: string }) =>
    `The ${what} is “${value}” already: there is nothing to put right.`,
  'promise-moved-meanwhile': ({ from }: { from: string }) =>
    `The promise stands at ${from} by now: somebody moved it. Look at it again.`,
  'promise-past': ({ day }: { day: string }) => `${day} is past: nothing can be promised for it.`,
  'promise-same': ({ day }: { day: string }) => `${day} is promised already.`,
  'nobody-to-tell': () => 'The job has no contact with a mail address: telephone, and move it without a mail.',
  'pump-in-house': ({ serial, tag }: { serial: string; tag: string }) =>
    `${serial} is in the house as ${tag} and was not given back: work goes on there, or it is delivered first. What was entered is kept.`,
  'no-duty': () =>
    'The duty (flow, head, speed) is not written down at receiving; the stand has nothing to test against.',
  'run-not-open': ({ run }: { run: number }) => `Run ${run} is not waiting for a decision.`,
  'run-failed-by-sum': ({ run }: { run: number }) =>
    `Run ${run} failed by the sum: send it back, or give a concession with its reason.`,
  'say-why-back': () => 'Say why it goes back to rebuild.',
  'concession-reason': () => 'A concession needs its reason.',
  'issued-already': ({ number }: { number: string }) =>
    `Report ${number} is issued already; a correction makes a new revision.`,
  'no-report': () => 'No report is issued yet.',
  'released-already': ({ tag }: { tag: string }) => `${tag} is released already.`,
  'not-released': ({ tag }: { tag: string }) => `${tag} is not released yet.`,
  'delivered-too-early': ({ day }: { day: string }) => `${day} lies before the pump came in.`,
} as const;

export type ReasonCode = keyof typeof sentences;
export type ReasonArguments<Code extends ReasonCode> =
  Parameters<(typeof sentences)[Code]> extends readonly [infer Given] ? Given : Record<never, never>;
/** A reason as core gives it: which one, and what it is about. */
export type Reason = {
  readonly [Code in ReasonCode]: { readonly code: Code; readonly about: ReasonArguments<Code> };
}[ReasonCode];

/**
 * The sentence of a reason.
 * @example sayReason({ code: 'closed', about: { tag: 'P-0417' } }) // 'P-0417 is closed.'
 */
export function sayReason(reason: Reason): string {
  const say: (about: never) => string = sentences[reason.code];
  return say(reason.about as never);
}
