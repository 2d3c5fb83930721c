import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '@/core/family';
import { walkThrough } from './walk';

describe('a packed gear pump, found wrong in five places', () =>
  walkThrough({
    family: buildFamily(loadFamily(f6), { axes: { variant: 'packed' } }),
    duty: { flowM3h: 16, headM: 60, powerKw: 6.2, efficiencyPct: 52, speedRpm: 350 },
    elastomer: 'FKM',
    found: {
      'valve-points': 'the discharge',
      'recess-way': 'outside',
      'lip-cap-way': 'to the rotor',
      'large-ends': 'apart',
      'ring-count': '3',
    },
    slip: {
      at: 'valve-points-left',
      word: 'the discharge',
      said: 'the discharge is not right here, it must be the suction',
    },
    isGauged: true,
    screen: { width: 1280, height: 800 },
  }));
