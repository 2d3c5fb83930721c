export { acknowledgeCaution } from './acknowledge-caution';
export { addPhoto, type PhotoFacts } from './add-photo';
export { confirmIsolation } from './confirm-isolation';
export { correctConstruction } from './correct-construction';
export { openJob, type OpeningFacts } from './open-job';
export { saveIntake } from './save-intake';
export { takeNewerFamily } from './take-newer-family';
export {
  correctContact,
  correctEquipmentNumber,
  correctLot,
  correctNameplate,
  correctOwner,
  type ContactFacts,
  type NameplateFacts,
  type OwnerFacts,
} from './correct-head';
