import type { FamilyFile } from './format';

/**
 * What a list of families shows; the rest of the file is read when one is opened.
 * @param drawn what its sections are drawn from, as a word: an address of such a picture has another one when it changes
 */
export function familyCard({ written, ...family }: FamilyFile, drawn: string) {
  const { id, version, title, short, principle, drive, sealing, duty } = family;
  const { nameplate_words, elastomers, axes, sizes, sets, made_from } = family;
  return {
    drawn,
    ...{ id, version, title, short, principle, drive, sealing, duty },
    ...{ nameplate_words, elastomers, axes, sizes, sets, made_from },
    counts: {
      parts: written.parts.length,
      points: written.points.length,
      teardown: written.teardown.length,
      rebuild: written.rebuild.length,
    },
  };
}
export type FamilyCard = ReturnType<typeof familyCard>;
