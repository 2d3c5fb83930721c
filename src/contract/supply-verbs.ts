import * as z from 'zod';
import {
  chooseSourceInput,
  findNumberInput,
  givePartInput,
  handOverMadeInput,
  layInTrayInput,
  layReadyInput,
  measureMadeInput,
  readLabelInput,
  releaseMadeInput,
  sendClaimInput,
  sendOutsideInput,
  settleNumberInput,
  takeBackInput,
  workOnMadeInput,
  writeMadeInput,
  writeOutsideInput,
} from '@/core/change/inputs';
import { verb } from './verb';

const version = z.number().int();
const versioned = z.object({ version });
const sheetKept = versioned.extend({ sheetVersion: version });
const bench = ['coordinator', 'technician', 'inspector', 'parts'] as const;

/** Where parts come from: other units, the shelf, the customer, our own machines, other shops; and whose a part is. */
export const supplyVerbs = {
  'choose-source': verb({
    about: 'Says that a part comes from somewhere else than was proposed; a donor part is taken from its unit with it.',
    audience: ['parts', 'coordinator'],
    input: chooseSourceInput,
    result: sheetKept,
  }),
  'lay-ready': verb({
    about: 'Counts and looks at a part that came by another way than an order: number, elastomer, lot, damage.',
    audience: bench,
    input: layReadyInput,
    result: sheetKept,
  }),
  'give-part': verb({
    about: 'Writes into a unit’s own record that a part of it was taken for another pump, or was given back.',
    audience: ['service'],
    input: givePartInput,
    result: versioned,
  }),
  'write-made': verb({
    about: 'Begins a part that the shop makes, or changes its sketch.',
    audience: bench,
    input: writeMadeInput,
    result: sheetKept.extend({ number: z.string() }),
  }),
  'release-made': verb({
    about: 'Releases the sketch of a part that holds pressure, lifts or turns: by name.',
    audience: ['inspector', 'coordinator'],
    input: releaseMadeInput,
    result: sheetKept,
  }),
  'work-on-made': verb({
    about: 'Minutes at a machine on a part that the shop makes.',
    audience: ['technician', 'inspector'],
    input: workOnMadeInput,
    result: sheetKept,
  }),
  'measure-made': verb({
    about: 'Own readings of a part that the shop made, against its sketch.',
    audience: ['technician', 'inspector'],
    input: measureMadeInput,
    result: sheetKept.extend({ out: z.array(z.string()).readonly() }),
  }),
  'hand-over-made': verb({
    about: 'Hands a part that the shop made over to the rebuild, tried on its seat.',
    audience: ['technician', 'inspector'],
    input: handOverMadeInput,
    result: sheetKept,
  }),
  'write-outside': verb({
    about: 'Writes down work that leaves the house: what, to whom, and what must come back measured.',
    audience: ['parts', 'coordinator', 'inspector'],
    input: writeOutsideInput,
    result: sheetKept.extend({ number: z.string() }),
  }),
  'send-outside': verb({
    about: 'The parts leave for the other shop, which names the day they are due.',
    audience: ['parts', 'coordinator'],
    input: sendOutsideInput,
    result: sheetKept,
  }),
  'take-back': verb({
    about: 'Parts are back from the other shop: measured as asked, and taken, or sent back with the reason.',
    audience: ['parts', 'coordinator', 'inspector'],
    input: takeBackInput,
    result: sheetKept,
  }),
  'send-claim': verb({
    about: 'Writes to a supplier about what came wrong, damaged or short.',
    audience: ['parts', 'coordinator'],
    input: sendClaimInput,
    result: sheetKept,
  }),
  'find-number': verb({
    about: 'The number that was found on a part, judged beside the list.',
    audience: bench,
    input: findNumberInput,
    result: sheetKept.extend({ verdict: z.string() }),
  }),
  'settle-number': verb({
    about: 'Settles by name what a number is that nobody knew.',
    audience: ['parts', 'coordinator', 'inspector'],
    input: settleNumberInput,
    result: sheetKept,
  }),
  'lay-in-tray': verb({
    about: 'Lays parts in a labelled tray.',
    audience: ['technician', 'inspector', 'parts'],
    input: layInTrayInput,
    result: versioned.extend({ laid: z.number().int() }),
  }),
  'read-label': verb({
    about: 'Reads the label of a part or a tray at a job; one of another job is refused by name.',
    audience: bench,
    input: readLabelInput,
    result: versioned.extend({ parts: z.array(z.string()).readonly() }),
  }),
} as const;
