export { answerEvaluation, sendEvaluation, writeEvaluation } from './evaluation';
export { allowOpening, writeResidue } from './residue';
export { writeBegun } from './begun';
