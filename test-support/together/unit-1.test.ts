import { runTogether } from './run-together';

runTogether(['src/contract', 'src/core', 'src/words', 'src/components', 'src/stand-ins', 'src/documents'], {
  nth: 1,
  of: 8,
});
