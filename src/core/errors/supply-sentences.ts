import { list, plural } from './words';

const faultWords = {
  missing: 'is missing',
  unknown: 'is no dimension of this shape',
  twice: 'stands twice',
  nothing: 'must be more than 0',
  tolerance: 'has a tolerance that cannot be read: a class such as H7 or h6, ±0.1, or +0.02/-0.01',
} as const;

/** Why what is said about the source of a part, its making or its work outside is refused. */
export const supplySentences = {
  'not-needed': ({ part }: { part: string }) =>
    `${part}: nothing that was approved needs it, so nothing is to be had for it.`,
  'ordered-already': ({ part, ordered }: { part: string; ordered: number }) =>
    `${part}: ${ordered} ${plural(ordered, 'is', 'are')} on order already; cancel that first.`,
  'from-whom': ({ part, source }: { part: string; source: string }) =>
    source === 'shelf' ? `${part}: name the bin that it lies in.` : `${part}: name who brings it.`,
  'more-than-needed': ({ part, count, needed }: { part: string; count: number; needed: number }) =>
    `${part}: ${count} ${plural(count, 'is', 'are')} more than the ${needed} that ${plural(needed, 'is', 'are')} needed.`,
  'laid-ready-already': ({ part }: { part: string }) =>
    `${part}: it is here and counted already; say at the part what is wrong with it instead.`,
  'donor-wanted': ({ part }: { part: string }) => `${part}: choose the unit that it comes out of.`,
  'donor-taken': ({ part, unit, by }: { part: string; unit: string; by: string }) =>
    `${part} of ${unit} is taken already, for ${by}: a part goes into one pump.`,
  'donor-own': ({ part, tag }: { part: string; tag: string }) => `${part}: it is of ${tag} itself.`,
  'donor-soft': ({ part }: { part: string }) => `${part}: a soft part is always new, or kept in its own pump.`,
  'donor-of-another': ({ part, unit }: { part: string; unit: string }) =>
    `${part} of ${unit} belongs to another owner, who has not left it to the shop.`,
  'donor-worn': ({ part, unit, wearPct }: { part: string; unit: string; wearPct: number }) =>
    `${part} of ${unit} is worn past its limit: ${wearPct} % of its wear is used.`,
  'donor-unlike': ({ part, found }: { part: string; found: string }) =>
    `${part}: ${found} is neither its number nor one that interchanges with it.`,
  'donor-cracked': ({ part, look }: { part: string; look: string }) =>
    `${part}: at the donor was found “${look}”; it is not offered as a donor part.`,
  'no-source': ({ part }: { part: string }) => `${part}: nobody has said that it comes by another way than an order.`,
  'more-than-chosen': ({ part, count, chosen }: { part: string; count: number; chosen: number }) =>
    `${part}: ${count} counted, but ${chosen} ${plural(chosen, 'was', 'were')} to come; count again, or change the source first.`,
  'wrong-number': ({ part, found, whose }: { part: string; found: string; whose: string }) =>
    `${found} is the number of ${whose}, not of ${part}: it is not laid ready here.`,
  'number-crosses': ({ part, found, number }: { part: string; found: string; number: string }) =>
    `${part}: ${found} stands on it, the list has ${number}. Accept it by name, with a note, or leave it.`,
  'number-crosses-line': ({ part, found, number }: { part: string; found: string; number: string }) =>
    `${part}: ${found} stands on it, ${number} was ordered. If it stands for it, accept it by name; else count it as wrong.`,
  'wrong-how': ({ number, wrong }: { number: string; wrong: number }) =>
    `${number}: say what is wrong with the ${wrong === 1 ? 'piece' : `${wrong} pieces`}.`,
  'no-claim': ({ number }: { number: string }) => `There is no claim ${number} in this job.`,
  'claim-sent': ({ number, to }: { number: string; to: string }) => `${number} was sent to ${to} already.`,
  'wrong-elastomer': ({ part, found, wanted }: { part: string; found: string; wanted: string }) =>
    `${part} is ${found}; this pump needs ${wanted}.`,
  'wrong-variant': ({ part, found, wanted }: { part: string; found: string; wanted: string }) =>
    `${part} is the variant ${found}; ${wanted} was ordered. Count it as wrong.`,
  'sketch-fault': ({
    dimension,
    code,
    beyond,
  }: {
    dimension: string;
    code: keyof typeof faultWords | 'not-inside';
    beyond?: string;
  }) =>
    code === 'not-inside' ? `${dimension} must be smaller than ${beyond ?? ''}.` : `${dimension} ${faultWords[code]}.`,
  'no-made': ({ part }: { part: string }) => `${part}: no sketch is begun, so there is nothing to make it by.`,
  'made-handed-over': ({ part, by }: { part: string; by: string }) =>
    `${part} was handed over by ${by}: it lies with the pump.`,
  'made-not-released': ({ part }: { part: string }) =>
    `${part} holds pressure, lifts or turns: a named person releases its sketch first.`,
  'made-release-idle': ({ part }: { part: string }) => `${part}: its sketch is released already.`,
  'material-wanted': ({ part }: { part: string }) => `${part}: say from which material it is made first.`,
  'made-not-worked': ({ part }: { part: string }) => `${part}: nobody has worked on it yet.`,
  'made-not-right': ({ part, points }: { part: string; points: readonly string[] }) =>
    `${part} is not handed over: ${list(points, 'and')}.`,
  'unknown-dimension': ({ dimension }: { dimension: string }) => `${dimension} is no dimension of this sketch.`,
  'no-outside': ({ number }: { number: string }) => `There is no work outside ${number} in this job.`,
  'outside-away': ({ number, to }: { number: string; to: string }) =>
    `${number} is at ${to}: it is changed when it is back.`,
  'outside-done': ({ number }: { number: string }) => `${number} is back and taken.`,
  'outside-not-sent': ({ number }: { number: string }) => `${number} was not sent yet.`,
  'outside-unmeasured': ({ ask }: { ask: string }) => `“${ask}” must come back measured: type what it is.`,
  'outside-not-right': ({ points }: { points: readonly string[] }) =>
    `It is not as it was asked for: ${list(points, 'and')}. Send it back with the reason, or say in words why it is taken.`,
  'outside-why': ({ to }: { to: string }) => `Say why it goes back to ${to}.`,
  'due-before-sent': ({ on, dueOn }: { on: string; dueOn: string }) => `It cannot be due on ${dueOn}, before ${on}.`,
  'no-number': ({ part }: { part: string }) => `${part}: no number was found on it.`,
  'number-no-question': ({ part, found }: { part: string; found: string }) =>
    `${part}: there is nothing to settle about ${found}.`,
  'no-label': ({ code }: { code: string }) =>
    `“${code}” is not the code of a label: it looks like P-0431, P-0431/front-ring or P-0431#2.`,
  'label-of-another': ({
    code,
    tag,
    part,
    owner,
    own,
  }: {
    code: string;
    tag: string;
    part: string;
    owner: string;
    own: string;
  }) =>
    `${code} belongs to ${tag}${owner && ` of ${owner}`}${part && `: ${part}`}. It is not for ${own}: put it back where it was.`,
  'no-tray': ({ tray, tag }: { tray: string; tag: string }) => `${tag} has no tray ${tray}.`,
  'not-in-tray': ({ part }: { part: string }) => `${part} was not laid in a labelled tray.`,
  'labels-unread': ({ step, parts }: { step: string; parts: readonly string[] }) =>
    `“${step}”: labels are read at this pump. Read the ${plural(parts.length, 'label', 'labels')} of ${list(parts, 'and')} first, so that nothing of another one goes in.`,
} as const;
