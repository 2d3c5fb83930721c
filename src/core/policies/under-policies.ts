import type { Family, FamilyPoint, FormOf, Step, StepAction } from '../family';
import { matters, type JobRecord, type Matter } from '../record';
import { matterTable, schoolOfMatter } from './matters';
import { schoolOf } from './in-force';

type Schools = Readonly<Record<Matter, string>>;
type FamilyPart = Family['parts'][number];

/** Words of an action by which a matter is met, for those that are only told. */
const met: Readonly<Partial<Record<Matter, RegExp>>> = {
  'holding the rotor': /\b(hold|block)\b.*\b(shaft|rotor|impeller|nut)\b|\b(shaft|rotor|impeller)\b.*\bheld\b/i,
  'cleaning seal faces': /\b(wipe|clean)\w*\b.*\b(face|seat)s?\b/i,
  'end clearance': /\bend clearance\b/i,
  'surface rust': /\brust\b/i,
};

const wordsOf = ({ do: lines, reason, mistake }: StepAction) => [...lines, reason ?? '', mistake ?? ''].join(' ');

/** What an action says besides, where this job's way is not the usual one. */
function told(action: StepAction, schools: Schools): readonly string[] {
  return (Object.keys(met) as (keyof typeof met)[]).flatMap((matter) => {
    const [usual] = matterTable[matter].schools;
    const school = schoolOfMatter(matter, schools[matter]);
    if (!school || school.id === usual.id || !met[matter]?.test(wordsOf(action))) return [];
    return [`This shop’s way: ${school.words}.`];
  });
}

const first: Readonly<Record<string, RegExp>> = { soap: /soap/i, silicone: /silicone/i, oil: /oil|grease/i };
const lubricates = ({ use, what }: StepAction['consumables'][number]) =>
  /lubric|slide|wet|film|ease/i.test(`${use} ${what}`) || /soap|silicone|oil|grease/i.test(what);

/** Lubricants in the order of the school; what does not suit an elastomer is left out elsewhere, whatever the order. */
function orderedConsumables({ consumables }: StepAction, schools: Schools): StepAction['consumables'] {
  const wanted = first[schools['assembly lubricant']];
  if (!wanted || !consumables.some((one) => lubricates(one) && wanted.test(one.what))) return consumables;
  const rank = ({ what }: StepAction['consumables'][number]) => (wanted.test(what) ? 0 : 1);
  return consumables.toSorted((one, other) => rank(one) - rank(other));
}

/** What seal faces are wiped with by another school, with the elastomers that it does not spoil. */
const faceCleaners: Readonly<Record<string, Pick<StepAction['consumables'][number], 'what' | 'suits'>>> = {
  acetone: { what: 'acetone on lint-free cloth', suits: ['EPDM'] },
  'contact cleaner': { what: 'contact cleaner on lint-free cloth', suits: ['NBR', 'FKM'] },
};
const usualCleaner = /^alcohol on (a )?lint-free cloth/i;

/** The school’s cleaner before the usual one, which stays for the elastomers that the school’s would spoil. */
function withFaceCleaner(consumables: StepAction['consumables'], schools: Schools): StepAction['consumables'] {
  const cleaner = faceCleaners[schools['cleaning seal faces']];
  if (!cleaner) return consumables;
  return consumables.flatMap((usual) => (usualCleaner.test(usual.what) ? [{ ...usual, ...cleaner }, usual] : [usual]));
}

/** How the end clearance is set where the housing is threaded: the same sum, read another way. */
const clearanceWays: Readonly<Record<string, { gives: string; unit: string; title: string }>> = {
  degrees: { gives: 'turn_deg', unit: '°', title: 'Turn for the end clearance' },
  dial: { gives: 'clearance_mm', unit: 'mm', title: 'Travel by the dial for the end clearance' },
};
/** A dial is read to a hundredth: no tolerance is finer than two of its divisions. */
const dialReads = 0.02;

function clearanceUnder(setting: FormOf<'setting'>, schools: Schools): FormOf<'setting'> {
  const way = clearanceWays[schools['end clearance']];
  if (setting.sum !== 'end-clearance' || setting.gives !== 'arc_mm' || !way) return setting;
  const { pitch_mm: pitch, mark_diameter_mm: diameter } = setting.input;
  if (typeof pitch !== 'number' || typeof diameter !== 'number' || setting.tolerance === undefined)
    return { ...setting, ...way };
  // The tolerance was of the arc: the same part of a turn in degrees, and that part of the pitch in travel.
  const turns = setting.tolerance / (Math.PI * diameter);
  const tolerance = way.unit === '°' ? turns * 360 : Math.max(turns * pitch, dialReads);
  return { ...setting, ...way, tolerance };
}

const patterns: Readonly<Record<string, string>> = {
  'once crosswise': 'crosswise, once',
  'once round': 'round the circle, once',
};

/** What an answer asks under the schools: passes of a torque, and whether it is put right or put back. */
function answerUnder(
  action: StepAction,
  phase: 'teardown' | 'rebuild' | 'test',
  schools: Schools,
): StepAction['answer'] {
  const { answer } = action;
  if (answer?.kind === 'setting') return clearanceUnder(answer, schools);
  if (answer?.kind === 'torque' && answer.bolts > 1) {
    const pattern = patterns[schools['bolt circles']];
    if (pattern === undefined) return answer;
    const { passes_pct: _passes, ...once } = answer;
    return { ...once, pattern };
  }
  const isPutBack = phase === 'rebuild' && schools['as found'] === 'as it was';
  if (isPutBack && answer && 'agrees_with' in answer && answer.agrees_with !== undefined && 'should' in answer) {
    const { should: _should, ...asFound } = answer;
    return asFound;
  }
  return answer;
}

function actionUnder(action: StepAction, phase: 'teardown' | 'rebuild' | 'test', schools: Schools): StepAction {
  const answer = answerUnder(action, phase, schools);
  const says = told(action, schools);
  return {
    ...action,
    do: says.length ? [...action.do, ...says] : action.do,
    consumables: withFaceCleaner(orderedConsumables(action, schools), schools),
    ...(answer && { answer }),
  };
}

const stepsUnder = (steps: readonly Step[], phase: 'teardown' | 'rebuild' | 'test', schools: Schools) =>
  steps.map((step) => ({ ...step, actions: step.actions.map((action) => actionUnder(action, phase, schools)) }));

/** A point's limits and guard band under the schools. */
function pointUnder(point: FamilyPoint, schools: Schools): FamilyPoint {
  const near = schools['near a limit'];
  const guard = near === 'critical' ? {} : { guard: near === 'everywhere' };
  if (!point.derived || schools['limits for reuse'] !== 'twice') return { ...point, ...guard };
  const limit_um = 2 * point.derived.design_um.max;
  return {
    ...point,
    ...guard,
    derived: { ...point.derived, limit_um },
    source: 'shop’s rule: twice the new clearance',
  };
}

/** Soft parts that may be kept are looked at like critical ones. */
const partUnder = (part: FamilyPart, schools: Schools): FamilyPart =>
  part.soft && schools['soft parts'] === 'by condition' ? { ...part, critical: true } : part;

const cache = new WeakMap<Family, Map<string, Family>>();
/** The family that one under policies was made of: a job that changes its ways begins from there. */
const bases = new WeakMap<Family, Family>();

function applied(family: Family, schools: Schools): Family {
  return {
    ...family,
    parts: family.parts.map((part) => partUnder(part, schools)),
    points: family.points.map((point) => pointUnder(point, schools)),
    teardown: stepsUnder(family.teardown, 'teardown', schools),
    rebuild: stepsUnder(family.rebuild, 'rebuild', schools),
    test: { ...family.test, steps: stepsUnder(family.test.steps, 'test', schools) },
    ...(schools['as found'] === 'as it was' && { puts_back: true }),
  };
}

/**
 * A family as a job works by it: its steps, limits and sums under the schools that the job follows. The same object
 * where all of them are the usual ones, so that nothing is copied for most jobs.
 */
export function underPolicies(given: Family, record: Pick<JobRecord, 'sheets'>): Family {
  const family = bases.get(given) ?? given;
  const schools = Object.fromEntries(matters.map((matter) => [matter, schoolOf(record, matter)])) as Schools;
  const odd = matters.filter((matter) => schools[matter] !== matterTable[matter].schools[0].id);
  if (!odd.length) return family;
  const key = odd.map((matter) => `${matter}=${schools[matter]}`).join(';');
  const known = cache.get(family) ?? new Map<string, Family>();
  cache.set(family, known);
  const found = known.get(key) ?? applied(family, schools);
  known.set(key, found);
  bases.set(found, family);
  return found;
}
