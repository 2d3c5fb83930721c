export { cautionFooter, cautions, findCaution, type Caution } from './cautions';
export { elastomersOfStep, findPart, pointsNamed, proposeFamily, suitableConsumables } from './ask-family';
export { asFile, loadBuilt, loadFamily } from './load-family';
export {
  familyJsonSchema,
  familyFileSchema,
  type Capture,
  type Family,
  type FamilyPart,
  type FamilyPoint,
  type RebuildStep,
  type SectionBody,
  type Setting,
  type TeardownStep,
  type Axis,
  type FamilyFile,
  type FamilyHeader,
  type FamilySet,
  type SizeRow,
} from './format';
export {
  drawSection,
  type Drawn,
  type SectionBreak,
  type SectionDrawing,
  type SectionPin,
  type SectionShape,
} from './section';
export { buildFamily, cutToBuild, memberName } from './build-family';
export {
  BuildError,
  buildOf,
  compareVersions,
  holds,
  knownBuild,
  proposeSize,
  readBuild,
  sayBuild,
  versionOf,
  wholeBuild,
  writeBuild,
  type Build,
  type WholeBuild,
} from './build-words';
export { familyCard, type FamilyCard } from './card';
