import { knownBuild, wholeBuild, writeBuild, type Build, type FamilyCard } from '@/core/family';

/** A construction as it is chosen on a screen: counts as they are typed. */
export interface Construction {
  readonly familyId: string;
  readonly axes: Readonly<Record<string, string>>;
  /** The row of the size table; empty for the usual one. */
  readonly row: string;
  readonly counts: Readonly<Record<string, string>>;
}

export const usualConstruction: Omit<Construction, 'familyId'> = { axes: {}, row: '', counts: {} };

/** A build as a screen shows it. */
export function showBuild({ axes = {}, size = '', counts = {} }: Build): Omit<Construction, 'familyId'> {
  const typed = Object.entries(counts).map(([set, count]) => [set, String(count)]);
  return { axes, row: size, counts: Object.fromEntries(typed) as Record<string, string> };
}

function typedCounts({ counts }: Construction): Record<string, number> {
  const typed = Object.entries(counts).filter(([, text]) => text.trim());
  return Object.fromEntries(typed.map(([set, text]) => [set, Number(text)]));
}

/** What is sent of a construction: only what was chosen, counts as typed, for the door to judge. */
export function sentBuild(construction: Construction) {
  const { axes, row: size } = construction;
  const counts = typedCounts(construction);
  return {
    ...(Object.keys(axes).length && { axes: { ...axes } }),
    ...(size && { size }),
    ...(Object.keys(counts).length && { counts }),
  };
}

/** The build that a screen can draw: what the family does not know, or is out of range, is as usual. */
export function readConstruction(family: FamilyCard, construction: Construction): Build {
  const { axes, row } = construction;
  return knownBuild(family, { axes, counts: typedCounts(construction), ...(row && { size: row }) });
}

/** What differs in the way it goes back, by axis; nothing where it goes back as it came. */
export function sentConversion(family: FamilyCard, came: Construction, goesBack: Construction | null) {
  if (!goesBack) return {};
  const whole = (construction: Construction) => wholeBuild(family, readConstruction(family, construction)).axes;
  const before = whole(came);
  const to = Object.fromEntries(Object.entries(whole(goesBack)).filter(([axis, choice]) => before[axis] !== choice));
  return Object.keys(to).length ? { to } : {};
}

/**
 * Where the picture of a family’s section is, as a pump of a construction has it: it never changes at this address. Words
 * of a build are plain letters, figures and lines, so that they stand in it as they are.
 */
export function pictureOf(family: FamilyCard, construction?: Construction): string {
  const version = writeBuild(family.version, construction ? readConstruction(family, construction) : {});
  return `/files/section/${family.id}/${version}?${new URLSearchParams({ drawn: family.drawn })}`;
}
