export { cautionFooter, cautions, findCaution, type Caution } from './cautions';
export { elastomersOfStep, findPart, pointsNamed, proposeFamily, suitableConsumables } from './ask-family';
export { loadFamily } from './load-family';
export {
  familyJsonSchema,
  familySchema,
  type Capture,
  type Family,
  type FamilyPart,
  type FamilyPoint,
  type RebuildStep,
  type SectionBody,
  type Setting,
  type TeardownStep,
  type Variant,
} from './schema';
export {
  drawSection,
  type Drawn,
  type SectionBreak,
  type SectionDrawing,
  type SectionPin,
  type SectionShape,
} from './section';
export { buildFamily, compareVersions, readBuild, writeBuild, type Build } from './variant';
export { familyCard, type FamilyCard } from './card';
