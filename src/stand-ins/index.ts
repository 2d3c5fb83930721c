export { simulatedCamera } from './camera';
export * from './contract';
export { chanceFrom, normal } from './chance';
export { simulatedGauge, wearsUp } from './gauge';
export { simulatedMail } from './mail';
export { simulatedScanner } from './scanner';
export { simulatedSupplier } from './supplier';
export { simulatedTestStand } from './test-stand';
