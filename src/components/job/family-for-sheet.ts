import { partsOn, readBuild, sayChoices, sectionOn, type Family, type Side, type Step } from '@/core/family';
import type { ConversionShown } from './view';
import { stations, type Station } from '@/core/record';
import { remembered } from '@/core/remembered';

type Part = 'parts' | 'points' | 'teardown' | 'rebuild' | 'damage' | 'section' | 'kits';

/** What each station's sheet reads of the family: the rest would be sent to the browser for nothing. */
const needed: Readonly<Record<Station, readonly Part[]>> = {
  // The first look names parts and damage from the start on; what was begun elsewhere also what can be taken.
  receive: ['parts', 'damage', 'teardown'],
  // What is gone once the pump is apart, such as the gaps between rotors, is measured there.
  teardown: ['parts', 'points', 'teardown', 'section', 'damage'],
  // From cleaning to the test something may be found later: on a part, as damage, and it stops steps of rebuild.
  clean: ['parts', 'damage', 'rebuild'],
  inspect: ['parts', 'points', 'damage', 'section', 'rebuild'],
  // A line is drawn, judged, and dated by what its parts take to come.
  quote: ['parts', 'points', 'rebuild', 'damage', 'section', 'kits'],
  approve: ['parts', 'points', 'rebuild', 'damage', 'section', 'kits'],
  parts: ['parts', 'rebuild', 'damage'],
  // What was found at teardown is what some of rebuild must agree with.
  rebuild: ['parts', 'points', 'teardown', 'rebuild', 'section', 'damage'],
  // From which step a failed run opens the pump again, and to which round a reading as left belongs.
  test: ['parts', 'rebuild', 'damage'],
  report: ['parts', 'points', 'rebuild'],
  return: ['parts'],
};

/** Where rebuild is worked or begun again; elsewhere it is only named what it needs, closes and measures. */
const worksRebuild: ReadonlySet<Station> = new Set(['rebuild', 'test']);

/** Steps without how they are done: what stops them, what was measured at them and what is closed follows as before. */
const withoutHow = remembered((steps: readonly Step[]): Step[] =>
  steps.map((step) => ({
    ...step,
    cautions: [],
    actions: step.actions.map(({ id, title, after, answer }) => ({
      ...{
        id,
        title,
        do: [],
        tools: [],
        consumables: [],
        lights: [],
        moves: 'none' as const,
        cautions: [],
        once: false,
      },
      ...(after && { after }),
      ...(answer?.kind === 'measure' && { answer }),
    })),
  })),
);

/** Until it was inspected a converted pump is shown as it came, from then on as it goes back; the quote has both. */
const sideOf = (station: Station): Side | null =>
  station === 'receive' || station === 'teardown' || station === 'clean' || station === 'inspect'
    ? 'came'
    : station === 'quote' || station === 'approve' || station === 'parts'
      ? null
      : 'goes back';

/** Made once for a family and a station: what was made and sent before is sent as it was written then. */
export const familyForSheet = remembered((family: Family, station: Station): Family => {
  const has = (part: Part) => needed[station].includes(part);
  const side = sideOf(station);
  const parts = side ? [...partsOn(family.parts, side)] : family.parts;
  const section = side ? sectionOn(family, side) : family.section;
  return {
    ...family,
    kits: has('kits') ? family.kits : [],
    labour: [],
    parts: has('parts') ? parts : [],
    points: has('points') ? family.points : [],
    teardown: has('teardown') ? family.teardown : [],
    rebuild: worksRebuild.has(station) ? family.rebuild : has('rebuild') ? withoutHow(family.rebuild) : [],
    damage: has('damage') ? family.damage : [],
    section: has('section') ? section : { ...family.section, bodies: [] },
    shapes: has('section') ? family.shapes : {},
  };
}, stations.length);

/** What is converted, in words, with the names of what leaves and comes; null where it goes back as it came. */
export function conversionOf(family: Family): ConversionShown | null {
  const { axes = {}, to } = readBuild(family.version);
  if (!to) return null;
  const before = Object.fromEntries(Object.entries(axes).filter(([axis]) => axis in to));
  const names = (which: 'leaves' | 'comes') =>
    family.parts.filter(({ converted }) => converted === which).map(({ name }) => name.toLowerCase());
  return {
    came: sayChoices(family, before).toLowerCase(),
    goesBack: sayChoices(family, to).toLowerCase(),
    ...{ out: names('leaves'), into: names('comes') },
  };
}
