export { accountParts } from './account-parts';
export { cleanParts } from './clean-parts';
export { allowDeviation } from './allow-deviation';
export { answerAction, concedeAnswer } from './answer-action';
export { signHoldPoint, type Signer } from './sign-hold-point';
export { openAgain, undoAnswer } from './take-back';
