import type { Family } from './schema';

/** What a list of families shows and draws; the rest of the file is read when one is opened. */
export function familyCard(family: Family) {
  const { id, version, title, short, principle, drive, sealing, duty } = family;
  const { nameplate_words, elastomers, variants, stages, section, made_from } = family;
  return {
    ...{ id, version, title, short, principle, drive, sealing, duty },
    ...{ nameplate_words, elastomers, variants, stages, section, made_from },
    parts: family.parts.map((part) => ({ ref: part.ref, class: part.class })),
    points: [],
    counts: {
      parts: family.parts.length,
      points: family.points.length,
      teardown: family.teardown.length,
      rebuild: family.rebuild.length,
    },
  };
}
export type FamilyCard = ReturnType<typeof familyCard>;
