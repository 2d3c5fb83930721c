import f4 from '@families/f4-bore-hole.json';
import { buildFamily, loadFamily } from '@/core/family';
import { walkThrough } from './walk';

describe('a bore-hole pump of nine stages, one cone of which slips', () =>
  walkThrough({
    family: buildFamily(loadFamily(f4), { counts: { stage: 9 } }),
    duty: { flowM3h: 30, headM: 18, powerKw: 2.4, efficiencyPct: 66, speedRpm: 2900 },
    elastomer: 'NBR',
    found: { 'cone-mark-3': 'bright ring: it slipped' },
    slip: { at: 'no-slip-4', word: 'no', said: 'This stage back, new cone.' },
    isGauged: false,
    screen: { width: 800, height: 1280 },
    // By touch: the lowest stage, the one whose cone slipped, the one that slips at rebuild, the uppermost.
    elsewhere: { wrench: 'W-06', does: ({ id }) => /^stage-(on|off)-[25678]$/.test(id) },
  }));
