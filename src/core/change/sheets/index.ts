export { answerEvaluation, sendEvaluation, writeEvaluation } from './evaluation';
export { allowOpening, writeResidue } from './residue';
export { writeBegun } from './begun';
export { chooseFate, closeUnreturned, reassemble } from './fate';
export { judgeWarranty } from './warranty';
export { pack } from './pack';
export { choosePolicy } from './policy';
