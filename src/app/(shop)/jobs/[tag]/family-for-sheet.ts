import type { Family } from '@/core/family';
import type { Station } from '@/core/record';

type Part = 'parts' | 'points' | 'teardown' | 'rebuild' | 'damage' | 'section';

/** What each station's sheet reads of the family: the rest would be sent to the browser for nothing. */
const needed: Readonly<Record<Station, readonly Part[]>> = {
  receive: [],
  teardown: ['parts', 'teardown', 'section', 'damage'],
  clean: ['parts'],
  inspect: ['parts', 'points', 'damage', 'section'],
  quote: [],
  approve: [],
  parts: ['parts', 'rebuild'],
  // What was found at teardown is what some of rebuild must agree with.
  rebuild: ['parts', 'points', 'teardown', 'rebuild', 'section', 'damage'],
  // From which step a failed run opens the pump again, and to which round a reading as left belongs.
  test: ['parts', 'rebuild'],
  report: ['points', 'rebuild'],
  return: [],
};

export function familyForSheet(family: Family, station: Station): Family {
  const has = (part: Part) => needed[station].includes(part);
  return {
    ...family,
    kits: [],
    labour: [],
    parts: has('parts') ? family.parts : [],
    points: has('points') ? family.points : [],
    teardown: has('teardown') ? family.teardown : [],
    rebuild: has('rebuild') ? family.rebuild : [],
    damage: has('damage') ? family.damage : [],
    section: has('section') ? family.section : { ...family.section, bodies: [] },
  };
}
