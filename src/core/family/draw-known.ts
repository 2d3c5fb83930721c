import { cutToBuild } from './build-family';
import { knownBuild, versionOf, wholeBuild, type Build } from './build-words';
import type { FamilyFile } from './format';
import { drawSection } from './section';
import type { SectionDrawing } from './section-drawing';

/**
 * The section of a family as a pump of a build has it, without points, to choose or compare by: what the family does
 * not know of the build, or is out of range, is drawn as usual.
 */
export function drawKnown(file: FamilyFile, build: Build): SectionDrawing {
  const whole = wholeBuild(file, knownBuild(file, build));
  const { section, shapes, parts } = file.written;
  return drawSection({
    ...{ shapes, sets: file.sets, version: versionOf(file, whole), section: cutToBuild(section, file, whole) },
    parts: parts.map((part) => ({ ref: part.ref, class: part.class })),
    points: [],
  });
}
