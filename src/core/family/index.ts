export { cautionFooter, cautions, findCaution, type Caution } from './cautions';
export { elastomerOf, elastomersMet, findPart, pointsNamed, proposeFamily, suitableConsumables } from './ask-family';
export { asFile, loadBuilt, loadFamily } from './load-family';
export {
  familyJsonSchema,
  familyFileSchema,
  type AnswerForm,
  type AnswerKind,
  type Consumable,
  type FormOf,
  type Family,
  type FamilyPart,
  type FamilyPoint,
  type SectionBody,
  type Setting,
  type Step,
  type StepAction,
  type Axis,
  type FamilyFile,
  type FamilyHeader,
  type FamilySet,
  type SizeRow,
} from './format';
export {
  drawSection,
  sectionOf,
  type Drawn,
  type InHand,
  type SectionBreak,
  type SectionDrawing,
  type SectionPin,
  type SectionShape,
} from './section';
export { drawEnd, type EndDrawing } from './end-view';
export { viewPart, type PartView } from './part-view';
export { halvesOf, isOther, wavesOf } from './section-drawing';
export { drawnPart } from './drawn-part';
export { noteSection, type SectionArrow, type SectionNote, type SectionNotes } from './section-notes';
export { buildFamily, cutToBuild } from './build-family';
export { partsOn, sectionOn, type Side } from './convert-family';
export { memberName } from './member';
export { limitsOf, middleOf, sayLimits, sayPoint, stepDecimals, type PointLimits } from './point-limits';
export { fieldsOf, unevenOf, type Uneven } from './record-fields';
export { actionTitle, sayAsk, sayWindow } from './say-action';
export {
  BuildError,
  buildOf,
  compareVersions,
  holds,
  knownBuild,
  proposeSize,
  readBuild,
  sayBuild,
  sayChoices,
  versionOf,
  wholeBuild,
  writeBuild,
  type Build,
  type WholeBuild,
} from './build-words';
export { familyCard, type FamilyCard } from './card';
export { drawKnown } from './draw-known';
export { compareBuilds, type Comparison, type Difference } from './compare-builds';
export { findSeen, type FoundFamily, type Seen } from './find-seen';
