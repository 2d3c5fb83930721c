import { maskList, methodTable, methodsNamed, spoiledBy } from '@/core/cleaning';
import type { Family } from '@/core/family';
import type { CleaningMethod, CleaningRun } from '@/core/record';

const figures: Readonly<Record<string, number>> = {
  ...{ temperature: 60, minutes: 12, strength: 8, pressure: 3, plugged: 2, opened: 2, removed: 0.005, after: 0 },
};
const texts: Readonly<Record<string, string>> = {
  ...{ bath: '1, alkaline', solvent: 'white spirit', acid: 'citric acid', film: '', media: 'glass bead' },
  ...{ tool: 'wooden scraper', place: 'inside of the casing', grit: '400', with: 'warm water, soft brush' },
};

/** What a careful technician writes down of a run by a method. */
export function rightRun(method: CleaningMethod, parts: readonly string[]): CleaningRun {
  const { questions, masks } = methodTable[method];
  const facts = questions.map(({ id, kind }) => [
    id,
    kind === 'tick' ? true : kind === 'number' ? (figures[id] ?? 1) : (texts[id] ?? 'as usual'),
  ]);
  return {
    ...{ method, parts: [...parts] },
    facts: Object.fromEntries(facts) as CleaningRun['facts'],
    masks: masks ? Object.fromEntries(maskList.map((mask) => [mask, 'masked' as const])) : {},
    seen: Object.fromEntries(parts.map((ref) => [ref, 'nothing' as const])),
  };
}

/** The runs by which hard parts become clean: one for each method that is named first for some of them. */
export function rightRuns(parts: Family['parts']): readonly CleaningRun[] {
  const byMethod = new Map<CleaningMethod, string[]>();
  for (const part of parts) {
    const method =
      methodsNamed(part.clean.method).find((one) => spoiledBy(part, { method: one }) === null) ?? 'wash by hand';
    byMethod.set(method, [...(byMethod.get(method) ?? []), part.ref]);
  }
  return [...byMethod].map(([method, refs]) => rightRun(method, refs));
}
