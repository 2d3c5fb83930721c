import type { FamilyFile } from './format';

/** What a list of families shows and draws; the rest of the file is read when one is opened. */
export function familyCard({ written, ...family }: FamilyFile) {
  const { id, version, title, short, principle, drive, sealing, duty } = family;
  const { nameplate_words, elastomers, axes, sizes, sets, made_from } = family;
  const { section, shapes } = written;
  return {
    ...{ id, version, title, short, principle, drive, sealing, duty },
    ...{ nameplate_words, elastomers, axes, sizes, sets, shapes, section, made_from },
    parts: written.parts.map((part) => ({ ref: part.ref, class: part.class })),
    points: [],
    counts: {
      parts: written.parts.length,
      points: written.points.length,
      teardown: written.teardown.length,
      rebuild: written.rebuild.length,
    },
  };
}
export type FamilyCard = ReturnType<typeof familyCard>;
