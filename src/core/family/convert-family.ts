import type { Family, FamilyPart, FamilyPoint, Step } from './format';

const byRef = (parts: readonly FamilyPart[]) => new Map(parts.map((part) => [part.ref, part]));

/** All parts of both builds: those that stay, those that leave with the old one, those that come with the new one. */
function partsOfBoth(from: Family, to: Family): FamilyPart[] {
  const [before, after] = [byRef(from.parts), byRef(to.parts)];
  return [
    ...from.parts.map((part) => after.get(part.ref) ?? { ...part, converted: 'leaves' as const, critical: false }),
    ...to.parts.filter(({ ref }) => !before.has(ref)).map((part) => ({ ...part, converted: 'comes' as const })),
  ];
}

/** What stays is measured twice, what leaves only as found, what comes only as left. */
function pointsOfBoth(from: Family, to: Family): FamilyPoint[] {
  const before = new Set(from.points.map(({ id }) => id));
  const after = new Map(to.points.map((point) => [point.id, point]));
  const only = (point: FamilyPoint, phase: FamilyPoint['measured'][number]) =>
    point.measured.includes(phase) ? [{ ...point, measured: [phase] }] : [];
  const both = [
    ...from.points.flatMap((point) => after.get(point.id) ?? only({ ...point, critical: false }, 'as-found')),
    ...to.points.filter(({ id }) => !before.has(id)).flatMap((point) => only(point, 'as-left')),
  ];
  return both.map((point, i) => ({ ...point, number: i + 1 }));
}

/** What agreed with something that the old build never asked is held against what should be, or against nothing. */
function rebuildOf(to: Family, from: Family): Step[] {
  const asked = new Set(from.teardown.flatMap((step) => step.actions.map(({ id }) => id)));
  return to.rebuild.map((step) => ({
    ...step,
    actions: step.actions.map((action) => {
      const { answer } = action;
      if (!answer || !('agrees_with' in answer) || answer.agrees_with === undefined) return action;
      if (asked.has(answer.agrees_with)) return action;
      const { agrees_with: _gone, ...own } = answer;
      return { ...action, answer: own };
    }),
  }));
}

/**
 * A pump that came as one build and goes back as another: taken apart and measured as it came, put together, measured
 * and tested as it goes back, with the parts of both side by side.
 * @param from as it came
 * @param to as it goes back, of the same family and size
 */
export function convertFamily(from: Family, to: Family): Family {
  const known = new Set(to.damage.map(({ part, seen }) => `${part} ${seen}`));
  const drawn = new Set(from.section.bodies.map(({ part }) => part));
  const leaving = from.damage.filter(({ part, seen }) => !known.has(`${part} ${seen}`));
  return {
    ...to,
    parts: partsOfBoth(from, to),
    points: pointsOfBoth(from, to),
    teardown: from.teardown,
    rebuild: rebuildOf(to, from),
    damage: [...to.damage, ...leaving],
    section: {
      ...to.section,
      bodies: [...from.section.bodies, ...to.section.bodies.filter(({ part }) => !drawn.has(part))],
    },
  };
}

/** Where a pump stands in its conversion: as it came until it was inspected, as it goes back from then on. */
export type Side = 'came' | 'goes back';

/** The parts that a pump has on one side of its conversion. */
export const partsOn = (parts: readonly FamilyPart[], side: Side): readonly FamilyPart[] =>
  parts.filter(({ converted }) => converted !== (side === 'came' ? 'comes' : 'leaves'));

/** The section as the pump is drawn on one side of its conversion. */
export function sectionOn({ section, parts }: Pick<Family, 'section' | 'parts'>, side: Side): Family['section'] {
  const here = new Set(partsOn(parts, side).map(({ ref }) => ref));
  return { ...section, bodies: section.bodies.filter(({ part }) => here.has(part)) };
}
