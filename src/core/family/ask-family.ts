import type { Family, FamilyPart, FamilyPoint, RebuildStep } from './format';

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

/** Elastomers that a step's lubricant meets: those of its parts, where the job's own choice replaces the usual one. */
export function elastomersOfStep(step: RebuildStep, family: Family, jobElastomer: string): readonly string[] {
  const met = step.parts.flatMap((ref) => {
    const part = findPart(family, ref);
    return part?.elastomer ? [part.elastomer_by_job && jobElastomer ? jobElastomer : part.elastomer] : [];
  });
  return [...new Set(met)];
}

/** Lubricants of a step that every elastomer it meets will stand. */
export function suitableConsumables(
  step: RebuildStep,
  family: Family,
  jobElastomer: string,
): RebuildStep['consumables'] {
  const met = elastomersOfStep(step, family, jobElastomer);
  return step.consumables.filter((one) => met.every((elastomer) => one.suits.includes(elastomer)));
}
