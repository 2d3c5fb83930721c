import { runTogether } from './run-together';

runTogether(['src/db', 'src/server', 'src/app', 'demo'], { nth: 3, of: 8, not: ['every-family', 'kept-record'] });
