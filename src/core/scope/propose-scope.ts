import { partsOn, type Family } from '../family';
import { judgePoints } from '../inspection';
import { madeOf, sourceOf as chosenFor, stepsNeeding } from '../supply';
import { present } from '../present';
import { schoolOf } from '../policies';
import {
  sheetsOf,
  type Action,
  type ChosenSource,
  type Disposition,
  type Finding,
  type JobRecord,
  type Look,
  type ScopeAction,
  type ScopeSource,
  type WorkCentre,
} from '../record';
import { costingFindings, findingsThatStay } from './costing-findings';
import { everywhere, placeOf, type Place } from './levels';
import type { ScopeItem, ScopePolicy, ScopeWork } from './scope-item';

/** What a scope is proposed from: the family as the pump is built, what was found, and how its parts came. */
export interface Proposing {
  readonly family: Family;
  readonly record: Pick<JobRecord, 'findings' | 'parts' | 'readings' | 'looks' | 'sheets'>;
}

type FamilyPart = Family['parts'][number];
type Labour = Family['labour'][number];

const scopeActionOf: Readonly<Record<Action, ScopeAction>> = {
  replace: 'replace',
  rework: 'rework',
  clean: 'clean',
  'make in the shop': 'make',
  'take from a donor': 'take from a donor',
  'reuse as it is': 'keep',
};
const sourceOf: Readonly<Record<ScopeAction, ScopeSource>> = {
  replace: 'bought',
  add: 'bought',
  make: 'made here',
  'take from a donor': 'donor',
  rework: 'our own hands',
  clean: 'our own hands',
  work: 'our own hands',
  keep: 'kept',
};

/** Minutes of work for which a family has no task of its own. */
const standardWork: Readonly<
  Partial<Record<ScopeAction, { readonly minutes: number; title: (name: string) => string }>>
> = {
  rework: { minutes: 60, title: (name) => `Rework ${name.toLowerCase()}` },
  make: { minutes: 150, title: (name) => `Make ${name.toLowerCase()} in the shop` },
  'take from a donor': { minutes: 30, title: (name) => `${name} from a donor, measured like new` },
};

const centreOf = ({ machining, station }: Pick<Labour, 'machining' | 'station'>): WorkCentre => {
  if (machining) return 'machines';
  return station === 'test' ? 'stand' : station === 'report' ? 'desk' : 'bench';
};

/** What the family says of this work on this part, or the standard for it; nothing where a new part only goes in. */
function workOn(family: Family, part: FamilyPart, action: ScopeAction): readonly ScopeWork[] {
  const task = family.labour.find(({ on }) => on?.part === part.ref && scopeActionOf[on.action as Action] === action);
  if (task) return [{ title: task.title, minutes: task.minutes, workCentre: centreOf(task) }];
  const standard = standardWork[action];
  if (!standard) return [];
  const workCentre = action === 'take from a donor' ? 'bench' : 'machines';
  return [{ title: standard.title(part.name), minutes: standard.minutes, workCentre }];
}

const sourceWords: Readonly<Record<ChosenSource, ScopeSource>> = {
  bought: 'bought',
  shelf: 'shelf',
  customer: 'customer’s own',
  donor: 'donor',
  made: 'made here',
};
const outsideActions: ReadonlySet<ScopeAction> = new Set(['rework', 'clean']);

/** Where what an item needs comes from: as a person chose it, or as its action proposes. */
function sourceIn(record: Proposing['record'], { action, partRef, source }: ScopeItem): ScopeSource {
  if (partRef === null || action === 'keep') return source;
  if (outsideActions.has(action))
    return sheetsOf(record, 'outside').some(({ body }) => body.parts.includes(partRef)) ? 'outside' : source;
  const chosen = chosenFor(record, partRef)?.body.source;
  return chosen ? sourceWords[chosen] : source;
}

/** Minutes of a part that is made, where its sketch says them. */
function withSketch(record: Proposing['record'], item: ScopeItem): ScopeItem {
  const minutes = item.action === 'make' && item.partRef ? madeOf(record, item.partRef)?.body.minutesGuess : 0;
  return minutes ? { ...item, work: item.work.map((work) => ({ ...work, minutes })) } : item;
}

interface Given {
  readonly action: ScopeAction;
  readonly policy?: ScopePolicy;
  readonly findings?: readonly Finding[];
  readonly reason?: string;
  readonly place?: Place;
  readonly key?: string;
}

const usesParts: ReadonlySet<ScopeAction> = new Set(['replace', 'add']);
/**
 * Whether the pump may fail in service without it: what is found on a part or a point that the family calls critical, or
 * a critical part that came broken or not at all. What may wait or stay worn in the least option is never critical.
 */
function isCritical(
  { points }: Family,
  { critical }: FamilyPart,
  { policy, findings = [], action, place = everywhere }: Given,
) {
  if (action === 'keep' || action === 'clean' || place !== everywhere) return false;
  const atCritical = findings.some(({ pointId }) => points.some((point) => point.id === pointId && point.critical));
  return atCritical || (critical && (policy === 'came broken' || policy === 'came missing' || findings.length > 0));
}

function itemOn(family: Family, part: FamilyPart, given: Given): ScopeItem {
  const { action, policy = null, findings = [], reason = '', place = everywhere } = given;
  return {
    key: given.key ?? `${action}:${part.ref}`,
    action,
    title: part.name,
    partRef: part.ref,
    parts: usesParts.has(action) ? [{ ref: part.ref, qty: part.quantity }] : [],
    findingIds: findings.map(({ id }) => id),
    policy,
    reason,
    source: sourceOf[action],
    work: workOn(family, part, action),
    ...{ levels: place.levels, instead: place.instead },
    critical: isCritical(family, part, given),
    stepIds: stepsNeeding(family, part.ref),
  };
}

const dispositionOf = ({ disposition }: Finding): Disposition => present(disposition);
const reasonOf = (findings: readonly Finding[]) =>
  [...new Set(findings.map((finding) => dispositionOf(finding).reason))].filter(Boolean).join('; ');

/** The work that was decided on one part: bought new with its fitting, or one item for each thing that is done to it. */
function itemsOfPart(family: Family, part: FamilyPart, findings: readonly Finding[]): readonly ScopeItem[] {
  const isReplaced = findings.some((finding) => dispositionOf(finding).action === 'replace');
  const place = placeOf(findings, family);
  const actions = isReplaced
    ? (['replace'] as const)
    : [...new Set(findings.map((finding) => scopeActionOf[dispositionOf(finding).action]))];
  return actions.map((action) => itemOn(family, part, { action, findings, reason: reasonOf(findings), place }));
}

function byPart(findings: readonly Finding[]): ReadonlyMap<string, readonly Finding[]> {
  const refs = [...new Set(findings.map(({ partRef }) => partRef))];
  return new Map(refs.map((ref) => [ref, findings.filter(({ partRef }) => partRef === ref)]));
}

/** Who looked at a soft part and saw nothing, where this job keeps such parts by condition; null where it is renewed. */
function keptByCondition(part: FamilyPart, { parts, looks, sheets, findings }: Proposing['record']): Look | null {
  if (!part.soft || schoolOf({ sheets }, 'soft parts') !== 'by condition') return null;
  const isWhole = parts.some(({ ref, state }) => ref === part.ref && state === 'present');
  const isFound = findings.some(({ partRef, phase }) => partRef === part.ref && phase === 'as-found');
  const look = looks.find(({ ref, seen }) => ref === part.ref && seen === 'nothing') ?? null;
  return isWhole && !isFound ? look : null;
}

/** Soft parts that are kept by condition, each by the name of who looked at it. */
function softKept({ family, record }: Proposing): readonly ScopeItem[] {
  return partsOn(family.parts, 'goes back').flatMap((part) => {
    const look = keptByCondition(part, record);
    if (!look) return [];
    return [
      itemOn(family, part, { action: 'keep', policy: 'kept by condition', reason: `looked at by ${look.personName}` }),
    ];
  });
}

const isGiven = (record: Proposing['record'], ref: string) =>
  sheetsOf(record, 'given').some(({ key, body }) => key === ref && body.to !== '');

/** How a part came, and how it is renewed for that alone; null for one that goes on. */
function renewal(part: FamilyPart, record: Proposing['record']): ScopePolicy | null {
  if (part.converted === 'comes') return 'conversion';
  const state = record.parts.find(({ ref }) => ref === part.ref)?.state ?? 'present';
  if (part.converted || state === 'not fitted') return null;
  if (part.soft) return keptByCondition(part, record) ? null : 'always new';
  if (isGiven(record, part.ref)) return 'given away';
  if (state === 'broken') return 'came broken';
  return state === 'missing' ? 'came missing' : null;
}

/** What is renewed whatever was measured: soft parts, what came broken or not at all, what a conversion brings. */
function renewals(
  { family, record }: Proposing,
  costing: ReadonlyMap<string, readonly Finding[]>,
): readonly ScopeItem[] {
  return family.parts.flatMap((part) => {
    const policy = renewal(part, record);
    if (!policy) return [];
    const findings = costing.get(part.ref) ?? [];
    const note = record.parts.find(({ ref }) => ref === part.ref)?.note ?? '';
    const action = policy === 'conversion' ? 'add' : 'replace';
    return [
      itemOn(family, part, { action, policy, findings, reason: [note, reasonOf(findings)].filter(Boolean).join('; ') }),
    ];
  });
}

const asNewOnly: Place = { levels: ['as new'], instead: 'kept' };

/**
 * What would be new besides in a repair as new: parts that were reworked, and parts near their limit that go on
 * otherwise.
 */
function asNew({ family, record }: Proposing, items: readonly ScopeItem[]): readonly ScopeItem[] {
  const reworked = items.filter(({ action }) => action === 'rework').flatMap(({ partRef }) => partRef ?? []);
  const gone = new Set(items.filter(({ parts }) => parts.length).flatMap(({ partRef }) => partRef ?? []));
  const near = judgePoints({ family, readings: record.readings, phase: 'as-found' })
    .filter(({ verdict }) => verdict === 'near')
    .map(({ point }) => point.part);
  const wanted = new Set([...reworked, ...near].filter((ref) => !gone.has(ref)));
  return partsOn(family.parts, 'goes back')
    .filter(({ ref, stays }) => wanted.has(ref) && !stays)
    .map((part) =>
      itemOn(family, part, {
        ...{ action: 'replace', policy: 'as new', place: asNewOnly, key: `renew:${part.ref}` },
        reason: reworked.includes(part.ref) ? 'reworked' : 'near its limit',
      }),
    );
}

/** What a rework gives way to in a repair as new. */
function withoutAsNew(items: readonly ScopeItem[], renewed: readonly ScopeItem[]): readonly ScopeItem[] {
  const refs = new Set(renewed.map(({ partRef }) => partRef));
  return items.map((item) =>
    item.action === 'rework' && refs.has(item.partRef)
      ? {
          ...item,
          levels: item.levels.filter((level) => level !== 'as new'),
          instead: item.instead || 'with a new part',
        }
      : item,
  );
}

/** Standing work of the family on the whole unit: teardown, inspection, rebuild, test. */
function standingWork({ labour }: Family): readonly ScopeItem[] {
  return labour
    .filter(({ on }) => !on)
    .map((task) => ({
      ...{ key: `work:${task.id}`, action: 'work', title: task.title, partRef: null, parts: [], findingIds: [] },
      ...{ policy: 'every repair', reason: '', source: 'our own hands', stepIds: [], critical: false, ...everywhere },
      work: [{ title: task.title, minutes: task.minutes, workCentre: centreOf(task) }],
    }));
}

/** What is kept or only cleaned, with the reason that was given for it. */
function keptParts({ family, record }: Proposing, done: ReadonlySet<string | null>): readonly ScopeItem[] {
  const kept = findingsThatStay(record.findings, family).filter(({ disposition }) => disposition);
  return [...byPart(kept)].flatMap(([ref, findings]) => {
    const part = family.parts.find((one) => one.ref === ref);
    if (!part || done.has(ref)) return [];
    const [first] = findings;
    const action = scopeActionOf[dispositionOf(present(first)).action];
    return [itemOn(family, part, { action, findings, reason: reasonOf(findings) })];
  });
}

/**
 * The scope that the record proposes: what was decided on findings, what policies renew, what a repair as new would
 * renew besides, what is kept with its reason, and the standing work. One item a key, in the order of the work.
 */
export function proposeScope(given: Proposing): readonly ScopeItem[] {
  const { family, record } = given;
  const costing = byPart(costingFindings(record.findings, family));
  const renewed = renewals(given, costing);
  const renewedRefs = new Set(renewed.map(({ partRef }) => partRef));
  const own = [...costing]
    .filter(([ref]) => !renewedRefs.has(ref))
    .flatMap(([ref, findings]) => itemsOfPart(family, present(family.parts.find((one) => one.ref === ref)), findings));
  const decided = [...own, ...renewed];
  const better = asNew(given, decided);
  const touched = new Set(decided.map(({ partRef }) => partRef));
  const items = [
    ...withoutAsNew(own, better),
    ...renewed,
    ...better,
    ...keptParts(given, touched),
    ...softKept(given),
    ...standingWork(family),
  ];
  return items.map((item) => withSketch(record, { ...item, source: sourceIn(record, item) }));
}
