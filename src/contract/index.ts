export {
  described,
  isVerb,
  moveAudience,
  verbs,
  type CommandOf,
  type InputOf,
  type ResultOf,
  type Verb,
} from './verbs';
