import f1 from './plain-overhung.json';
import type { JobView } from '@/components/job/view';
import { buildFamily, loadFamily, type Family } from '@/core/family';
import { gateFor, moves, onward, sayMissing, standingOf } from '@/core/lifecycle';
import { asId, type JobRecord } from '@/core/record';

/** Of a tool that measures lengths of any size. */
const openRange = { unit: 'mm', rangeLow: null, rangeHigh: null, dueOn: '2027-03-01' } as const;

export const exampleFile = loadFamily(f1);
export const exampleFamily = buildFamily(exampleFile);

/** What the server would show of a record, for a component on its own; times are those of the examples. */
export function exampleView(record: JobRecord, change: Partial<JobView> = {}, family: Family = exampleFamily): JobView {
  const event = onward[record.station];
  return {
    record,
    family,
    instruments: [
      { code: 'M-07', kind: 'outside micrometer', uncertainty: 0.002, ...openRange },
      { code: 'B-02', kind: 'bore gauge', uncertainty: 0.003, ...openRange },
    ],
    signers: [
      { personId: asId('p-marek'), name: 'Marek', role: 'inspector' },
      { personId: asId('p-odile'), name: 'Odile', role: 'technician' },
    ],
    audiences: {},
    person: { personId: 'p-ines', name: 'Ines', role: 'coordinator' },
    answer: `${record.tag} is here.`,
    standing: standingOf(record, family),
    ready: { early: '2026-12-01', likely: '2026-12-04', late: '2026-12-09' },
    today: '2026-11-24',
    zone: 'UTC',
    newerFamily: null,
    lengthDisplay: 'metric',
    shop: {
      name: 'Kettlewick Pump Works',
      place: 'Harrowmere',
      telephone: 'Harrowmere 214',
      reminderAfterDays: 7,
      language: 'en' as const,
      taxes: [{ name: 'usual', pct: 20 }],
      letters: {},
      currency: 'EUR',
      labourMinorPerHour: 6800,
    },
    gate: { event, words: moves[event].words, missing: gateFor(event, record, family).map(sayMissing) },
    openLinks: 0,
    warranty: [],
    ...change,
  };
}
