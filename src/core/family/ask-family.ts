import type { Family, FamilyPart, FamilyPoint, Step, StepAction } from './format';

export function findPart(family: Family, ref: string): FamilyPart | undefined {
  return family.parts.find((part) => part.ref === ref);
}

/** The points that a setting means by a name: the one point, or the same point of every member of a set. */
export function pointsNamed(family: Family, name: string): readonly FamilyPoint[] {
  return family.points.filter(
    (point) => point.id === name || (point.per !== undefined && point.id.replace(/-\d+$/, '') === name),
  );
}

/** The family whose nameplate words fit best, for receiving; null when none fits. */
export function proposeFamily<One extends Pick<Family, 'nameplate_words'>>(
  families: readonly One[],
  nameplate: string,
): One | null {
  const words = nameplate.toLowerCase();
  const scored = families.map((family) => ({
    family,
    score: family.nameplate_words.filter((word) => words.includes(word)).length,
  }));
  const best = scored.reduce<{ family: One; score: number } | null>(
    (top, one) => (one.score > (top?.score ?? 0) ? one : top),
    null,
  );
  return best?.family ?? null;
}

interface Lubricated {
  readonly action: StepAction;
  readonly step: Step;
  readonly family: Family;
  /** The elastomer chosen for this job's liquid; empty for the usual ones. */
  readonly elastomer: string;
}

/** What a part is made of where it is rubber: the job's own choice, or the usual one; undefined of anything else. */
export const elastomerOf = ({ elastomer, elastomer_by_job }: FamilyPart, chosen: string): string | undefined =>
  elastomer !== undefined && elastomer_by_job && chosen ? chosen : elastomer;

/** Elastomers that what is put on meets: those of the lit parts, where the job's own choice replaces the usual one. */
export function elastomersMet({ action, step, family, elastomer }: Lubricated): readonly string[] {
  const met = (action.lights.length ? action.lights : step.parts).flatMap((ref) => {
    const part = findPart(family, ref);
    return (part && elastomerOf(part, elastomer)) ?? [];
  });
  return [...new Set(met)];
}

/** Consumables of an action that every elastomer it meets will stand. */
export function suitableConsumables(where: Lubricated): StepAction['consumables'] {
  const met = elastomersMet(where);
  return where.action.consumables.filter((one) => met.every((elastomer) => one.suits.includes(elastomer)));
}
