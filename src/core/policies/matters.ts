import type { Matter } from '../record';

/** One way of doing a thing, as good shops do it. */
export interface School {
  readonly id: string;
  /** In words, to go after “This shop's way:”. */
  readonly words: string;
}

export interface MatterDescribed {
  readonly title: string;
  /** The first one holds where nobody says otherwise. */
  readonly schools: readonly [School, School, ...School[]];
  /** Why the first one is usual. */
  readonly why: string;
}

const school = (id: string, words = id): School => ({ id, words });

/** In what good shops differ, with their schools. Source: handbook, “Where good shops differ”. */
export const matterTable: Readonly<Record<Matter, MatterDescribed>> = {
  'soft parts': {
    title: 'Soft parts, mechanical seals, rolling bearings',
    schools: [school('always new'), school('by condition', 'by condition, looked at and signed')],
    why: 'they cost little beside a second teardown; what is kept is named in the quote and the report, and shortens the warranty',
  },
  'bearing fitting': {
    title: 'Fitting a rolling bearing',
    schools: [
      school('computed', 'heated to the temperature that this fit needs'),
      school('fixed', 'heated to a fixed temperature'),
      school('rise', 'heated to a rise above the room'),
      school('cold', 'pressed on cold, on the fitting ring'),
    ],
    why: 'never above the bearing’s limit; the sum shows what each gives',
  },
  'limits for reuse': {
    title: 'Limits for reuse of a running clearance',
    schools: [school('maker', 'the maker’s table'), school('twice', 'twice the new clearance, the shop’s own rule')],
    why: 'the source stands beside each limit',
  },
  'near a limit': {
    title: 'Decision near a limit',
    schools: [
      school('critical', 'guard band by the gauge’s uncertainty at critical points'),
      school('as read', 'the reading as it is'),
      school('everywhere', 'guard band at every point'),
    ],
    why: 'a gauge is never surer than its uncertainty',
  },
  'holding the rotor': {
    title: 'Holding a shaft or rotor while a nut is turned',
    schools: [school('block', 'a block that is no metal'), school('bar', 'a bar of soft metal')],
    why: 'a screwdriver across something hard chips vanes and marks seal faces: no school here',
  },
  'assembly lubricant': {
    title: 'Assembly lubricant for elastomers',
    schools: [
      school('compatible', 'what suits the elastomer and the liquid'),
      school('soap', 'soapy water first'),
      school('silicone', 'silicone first'),
      school('oil', 'light oil or grease first'),
    ],
    why: 'what does not suit an elastomer is never offered, whichever comes first',
  },
  'cleaning seal faces': {
    title: 'Cleaning seal faces',
    schools: [
      school('alcohol', 'alcohol on a lint-free cloth'),
      school('acetone', 'acetone on a lint-free cloth'),
      school('contact cleaner', 'contact cleaner on a lint-free cloth'),
    ],
    why: 'on the cloth, never sprayed on the face, never touched afterwards',
  },
  'stuffing box': {
    title: 'Stuffing box',
    schools: [school('as fitted'), school('offer a seal', 'a mechanical seal is offered in its place')],
    why: 'changing over is the customer’s choice, with its reasons',
  },
  'end clearance': {
    title: 'Setting an end clearance',
    schools: [
      school('arc', 'a marked arc, with a dial check'),
      school('degrees', 'degrees'),
      school('shims', 'a shim pack'),
      school('dial', 'a dial indicator'),
    ],
    why: 'arc where the housing is threaded, shims where it is not',
  },
  'bolt circles': {
    title: 'Bolt circles',
    schools: [
      school('three passes', 'three passes crosswise, then one round at full torque'),
      school('once crosswise', 'once crosswise at full torque'),
      school('once round', 'once round the circle at full torque'),
    ],
    why: 'a joint that is drawn down evenly stays tight',
  },
  'surface rust': {
    title: 'Surface rust',
    schools: [
      school('fits to metal', 'fits and faces to metal, light rust may stay elsewhere'),
      school('all to metal', 'to metal everywhere'),
    ],
    why: 'what may stay is stated',
  },
  'not on the shelf': {
    title: 'Worn beyond reuse and not on the shelf',
    schools: [
      school('compare', 'the quote shows what each way costs, the coordinator chooses'),
      school('buy'),
      school('make', 'make it in the shop'),
      school('rework', 'rework the old one'),
      school('donor', 'take it from a donor'),
    ],
    why: 'money and days differ from case to case',
  },
  'parts before approval': {
    title: 'Parts before approval',
    schools: [
      school('never', 'never, unless the customer has agreed to a limit'),
      school('at risk', 'at risk, by name and up to a value'),
    ],
    why: 'what is ordered and then declined is the shop’s loss',
  },
  'as found': {
    title: 'As found against as it should be',
    schools: [school('by the drawing', 'put right by the drawing'), school('as it was', 'put back as it was')],
    why: 'what was found stays in the record as a finding',
  },
  labels: {
    title: 'Reading the labels of parts',
    schools: [
      school('beside a twin', 'beside an open pump of the same lot, or of the same make, model and size'),
      school('always', 'at every pump, each before it goes in'),
    ],
    why: 'parts of like pumps can be taken for each other; a shop that wants no exception reads them always',
  },
};

/** A school of a matter by its id; undefined for none. */
export function schoolOfMatter(matter: Matter, id: string): School | undefined {
  return matterTable[matter].schools.find((one) => one.id === id);
}
