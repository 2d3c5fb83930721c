export { accountParts } from './account-parts';
export { cleanParts } from './clean-parts';
export { finishStep } from './finish-step';
export { recordCapture } from './record-capture';
export { signHoldPoint } from './sign-hold-point';
