export { fillLetter, letterFaults, lettersWords, type LetterFault, type OwnLetters, usualLetter } from './fill-letter';
export { exampleOf } from './example-of';
export { letterTo, type Sender } from './letter-to';
export { letterKinds, letterTable, type LetterKind, type LetterWords } from './letter-table';
