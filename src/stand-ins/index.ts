export { simulatedCamera } from './camera';
export { chanceFrom } from './chance';
export * from './contract';
export { simulatedGauge, wearsUp } from './gauge';
export { simulatedMail } from './mail';
export { simulatedScanner } from './scanner';
export { simulatedSupplier } from './supplier';
export { simulatedTestStand } from './test-stand';
