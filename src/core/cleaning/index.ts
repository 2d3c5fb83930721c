import type { Reason } from '../errors';
import type { Family } from '../family';
import { schoolOf } from '../policies';
import { isShutByResidue } from '../residue';
import { sheetsOf, type CleaningMethod, type CleaningRun, type JobRecord, type SheetOf } from '../record';
import { maskList, methodTable, methodsNamed } from './methods';

export { maskList, methodTable, methodsNamed, type CleaningQuestion } from './methods';

type FamilyPart = Family['parts'][number];
const why = <Code extends Reason['code']>(code: Code, about: Extract<Reason, { code: Code }>['about']) =>
  ({ code, about }) as Reason;

/** The runs of a job, in their order. */
export function cleaningRuns(record: Pick<JobRecord, 'sheets'>): readonly SheetOf<'cleaning'>[] {
  return sheetsOf(record, 'cleaning');
}

/** Parts that are here and go back: what is cleaned. Soft parts go into their bag; what stays where it is, stays. */
export function partsToClean(
  family: Pick<Family, 'parts'>,
  { parts }: Pick<JobRecord, 'parts'>,
): readonly FamilyPart[] {
  const here = new Set(parts.filter(({ state }) => state === 'present' || state === 'broken').map(({ ref }) => ref));
  return family.parts.filter((part) => !part.soft && !part.stays && part.converted !== 'leaves' && here.has(part.ref));
}

/** The method that comes next for a part: the first that its family names and that no run has used on it. */
export function nextMethod(part: FamilyPart, record: Pick<JobRecord, 'sheets'>): CleaningMethod | null {
  const used = new Set(
    cleaningRuns(record)
      .filter(({ body }) => body.parts.includes(part.ref))
      .map(({ body }) => body.method),
  );
  return methodsNamed(part.clean.method).find((method) => !used.has(method)) ?? null;
}

const chloride = /chlor|muriat|\bhcl\b/i;
const ironMedia = /\b(iron|steel|shot|chilled|used)\b/i;

/** Why a method spoils a part: its material, what it is, or what is in the bath; null where nothing speaks against it. */
export function spoiledBy(
  part: FamilyPart,
  { method, facts }: Pick<CleaningRun, 'method'> & Partial<Pick<CleaningRun, 'facts'>>,
): string | null {
  const { spoils, spoilsKinds } = methodTable[method];
  const known = spoils[part.class] ?? spoilsKinds[part.picture] ?? null;
  if (known) return known;
  if (part.soft && method !== 'wash by hand') return 'soft parts do not go into the basket';
  if (part.class !== 'stainless') return null;
  if (method === 'mild acid' && chloride.test(String(facts?.acid ?? '')))
    return 'chloride acid eats holes into stainless steel';
  if (method === 'blasting' && ironMedia.test(String(facts?.media ?? '')))
    return 'iron in the media makes stainless steel rust';
  return null;
}

/** What one answer of a run lacks; null where it is in order. */
function factFault(run: CleaningRun): Reason | null {
  for (const { id, ask, kind, must } of methodTable[run.method].questions) {
    const fact = run.facts[id];
    const isThere = kind === 'tick' ? fact === true : kind === 'number' ? typeof fact === 'number' : Boolean(fact);
    if (must && !isThere) return why('cleaning-fact-wanted', { method: run.method, ask });
    if (typeof fact === 'number' && fact < 0) return why('cleaning-fact-wanted', { method: run.method, ask });
  }
  return null;
}

function maskFault({ method, masks, facts }: CleaningRun): Reason | null {
  if (!methodTable[method].masks) return null;
  const unsaid = maskList.find((mask) => masks[mask] === undefined);
  if (unsaid) return why('mask-unsaid', { mask: unsaid });
  const [plugged, opened] = [Number(facts.plugged), Number(facts.opened)];
  return plugged === opened ? null : why('plugs-left', { plugged, opened });
}

/**
 * Why a run is refused: what is in the pump is not known, a part that the method spoils, an answer or a mask that is
 * missing, plugs that stayed in, a part that nobody looked at afterwards. Null where it may be kept.
 */
export function runFault(
  run: CleaningRun,
  { record, parts }: { readonly record: JobRecord; readonly parts: readonly FamilyPart[] },
): Reason | null {
  if (methodTable[run.method].raisesDust && isShutByResidue(record)) return why('residue-shut', { tag: record.tag });
  for (const part of parts) {
    const spoiled = spoiledBy(part, run);
    if (spoiled) return why('method-spoils', { part: part.name, method: run.method, spoiled });
  }
  if (run.facts.film && schoolOf(record, 'surface rust') === 'all to metal')
    return why('film-under-policy', { film: String(run.facts.film) });
  const unseen = parts.find(({ ref }) => run.seen[ref] === undefined);
  return factFault(run) ?? maskFault(run) ?? (unseen ? why('part-unseen-after-cleaning', { part: unseen.name }) : null);
}

/** What a run says of itself in a line: its method and what was asked of it. */
export function sayRun({ method, facts, masks }: CleaningRun): string {
  const said = methodTable[method].questions.flatMap(({ id, ask, kind, unit }) => {
    const fact = facts[id];
    if (fact === undefined || fact === false || fact === '') return [];
    return kind === 'tick' ? [ask] : [`${ask.toLowerCase()} ${String(fact)}${unit ? ` ${unit}` : ''}`];
  });
  const masked = maskList.filter((mask) => masks[mask] === 'masked');
  return [method, ...said, ...(masked.length ? [`masked: ${masked.join(', ')}`] : [])].join('; ');
}
