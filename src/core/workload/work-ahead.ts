import * as z from 'zod';
import type { Family } from '../family';
import { addedMinutes, leadOfLines, linesAhead } from '../quoting';
import { comesBefore, openSupplements, type JobRecord, type Station } from '../record';
import { awaited, hasQuoteAnswer, madeOf, needsOf, notBackFrom, toOrder, type Need } from '../supply';
import { deskMinutes, minutesAhead, minutesAt } from './minutes';
import { cleaningMinutes, rebuildMinutes } from './places-of-work';
import { skills, type Skill } from './skills';

/** One piece of work that is still ahead of a pump, or something that it waits for. */
export const workAheadSchema = z.object({
  /** Of the pump: `teardown`, `answer`, `made:front-cap`. */
  id: z.string(),
  title: z.string(),
  needs: z.array(z.enum(skills)),
  minutes: z.number(),
  after: z.array(z.string()),
  /** Nobody’s hand, but time: until an answer, until parts, until outside work is back, until it has cured or cooled. */
  wait: z
    .object({
      ...{ kind: z.enum(['answer', 'parts', 'outside', 'rest']), leadDays: z.number(), dueOn: z.string().nullable() },
      /** Nobody has found yet what is needed: the longest kit stands for it. */
      isGuess: z.boolean().optional(),
      /** From which suppliers it comes, where that is known. */
      houses: z.array(z.string()).optional(),
    })
    .nullable(),
});
export type WorkAhead = z.infer<typeof workAheadSchema>;

interface Draft {
  readonly id: string;
  readonly title: string;
  readonly needs: readonly Skill[];
  readonly minutes: number;
  readonly wait?: WorkAhead['wait'];
}

const bench = ['bench hand', 'bench'] as const;
const washing = ['bench hand', 'washer'] as const;
const restDays = (hours: number) => hours / 24;
/** What cures, dries or cools after a piece of work. */
const restsAfter = ({ waits }: Pick<Family, 'waits'>, work: Family['waits'][number]['after']): readonly Draft[] =>
  waits
    .filter(({ after }) => after === work)
    .map(({ id, title, hours }) =>
      waitFor({ id: `rest:${id}`, title }, { kind: 'rest', leadDays: restDays(hours), dueOn: null }),
    );

/** Washing, blasting, and the time until the parts are as warm as the room: before that no size is true. */
function cleaningWork(family: Pick<Family, 'labour' | 'parts' | 'waits'>): readonly Draft[] {
  const { washer, cabinet } = cleaningMinutes(family);
  return [
    { id: 'clean', title: 'Cleaning', needs: washing, minutes: washer },
    { id: 'blast', title: 'Blasting', needs: ['bench hand', 'cabinet'], minutes: cabinet },
    ...restsAfter(family, 'clean'),
  ];
}

const answerTitle = 'The customer’s answer';

/** Work and waits up to the answer of the customer. */
function untilAnswer(record: JobRecord, family: Family): readonly Draft[] {
  const isBefore = (station: Station) => comesBefore(record.station, station);
  return [
    { id: 'teardown', title: 'Teardown', needs: bench, minutes: minutesAhead(record, family, 'teardown') },
    ...(isBefore('inspect') ? cleaningWork(family) : []),
    ...(isBefore('quote')
      ? [{ id: 'inspect', title: 'Inspection', needs: ['inspector'] as const, minutes: minutesAt(family, 'inspect') }]
      : []),
    ...(isBefore('approve')
      ? [{ id: 'quote', title: 'Quote', needs: ['desk'] as const, minutes: deskMinutes.quote }]
      : []),
    ...((isBefore('parts') && !hasQuoteAnswer(record)) || openSupplements(record).length > 0
      ? [waitFor({ id: 'answer', title: answerTitle }, { kind: 'answer', leadDays: 0, dueOn: null })]
      : []),
  ];
}

const waitFor = (what: Pick<Draft, 'id' | 'title'>, wait: NonNullable<WorkAhead['wait']>): Draft => ({
  ...{ ...what, needs: [], minutes: 1, wait },
});

const latest = (days: readonly (string | null)[]) =>
  days
    .flatMap((day) => day ?? [])
    .toSorted()
    .at(-1) ?? null;

/** Days of lead of what is to be ordered: before the answer of what the quote advises, before a quote the longest kit. */
function leadAhead(
  record: JobRecord,
  family: Family,
  needs: readonly Need[],
): { readonly days: number; readonly isGuess: boolean } {
  const isAsked = comesBefore(record.station, 'parts') && !hasQuoteAnswer(record);
  if (!isAsked) return { days: Math.max(0, ...toOrder(needs).map((need) => need.leadDays)), isGuess: false };
  const lines = linesAhead(record);
  if (lines) return { days: leadOfLines(lines, family), isGuess: false };
  return { days: Math.max(0, ...family.kits.map((kit) => kit.lead_days)), isGuess: true };
}

/** Parts that nobody has ordered yet. */
const toBeOrdered = (days: number, isGuess: boolean): Draft =>
  waitFor(
    { id: 'parts', title: 'Parts to be ordered' },
    { kind: 'parts', leadDays: days, dueOn: null, ...(isGuess && { isGuess }) },
  );

/** The suppliers of which something ordered is not here yet. */
const housesAwaited = ({ orders }: JobRecord) => [
  ...new Set(
    orders
      .filter(({ lines }) => lines.some(({ received, quantity }) => received < quantity))
      .map(({ supplier }) => supplier),
  ),
];

/** What has to come: parts to be ordered, parts on order, work outside, parts that are made here. */
function supplies(record: JobRecord, family: Family, needs: readonly Need[]): readonly Draft[] {
  const lead = leadAhead(record, family, needs);
  const coming = latest(
    awaited(needs)
      .filter(({ source }) => source !== 'outside' && source !== 'made')
      .map(({ dueOn }) => dueOn),
  );
  const away = notBackFrom(record);
  const made = awaited(needs).filter(({ source }) => source === 'made');
  return [
    ...(lead.days > 0 ? [toBeOrdered(lead.days, lead.isGuess)] : []),
    ...(coming
      ? [
          waitFor(
            { id: 'orders', title: 'Parts on order' },
            { kind: 'parts', leadDays: 0, dueOn: coming, houses: housesAwaited(record) },
          ),
        ]
      : []),
    ...(away.length
      ? [
          waitFor(
            { id: 'outside', title: 'Work outside' },
            { kind: 'outside', leadDays: 0, dueOn: latest(away.map(({ dueOn }) => dueOn || null)) },
          ),
        ]
      : []),
    ...made.map(({ ref, name }) => ({
      ...{ id: `made:${ref}`, title: `${name}, made here`, needs: ['machinist', 'lathe'] as const },
      minutes: madeOf(record, ref)?.body.minutesGuess ?? 150,
    })),
  ];
}

/** Work from the parts to the report. */
function afterParts(record: JobRecord, family: Family): readonly Draft[] {
  const isBefore = (station: Station) => comesBefore(record.station, station);
  const sold = isBefore('rebuild') ? (linesAhead(record) ?? []) : [];
  const later = openSupplements(record).flatMap(({ lines }) =>
    lines.filter(({ struckReason }) => struckReason === null),
  );
  const added = addedMinutes(sold, 'labour') + addedMinutes(later, 'labour') + addedMinutes(later, 'machining');
  const apart = rebuildMinutes(record, family);
  return [
    { id: 'machining', title: 'Machining', needs: ['machinist', 'lathe'], minutes: addedMinutes(sold, 'machining') },
    { id: 'balance', title: 'Balancing', needs: ['bench hand', 'balancer'], minutes: apart.balancer },
    { id: 'press', title: 'Pressing', needs: ['bench hand', 'press'], minutes: apart.press },
    { id: 'rebuild', title: 'Rebuild', needs: bench, minutes: apart.bench + added },
    ...(isBefore('test') ? restsAfter(family, 'rebuild') : []),
    {
      id: 'test',
      title: 'Test',
      needs: ['tester', 'stand'],
      minutes: isBefore('report') ? minutesAt(family, 'test') : 0,
    },
    { id: 'report', title: 'Report', needs: ['desk'], minutes: isBefore('return') ? deskMinutes.report : 0 },
  ];
}

/** Operations in their order: a line up to the answer, what comes side by side, a line from there. */
function strung(first: readonly Draft[], coming: readonly Draft[], rest: readonly Draft[]): readonly WorkAhead[] {
  const isReal = ({ minutes, wait }: Draft) => wait !== undefined || Math.round(minutes) > 0;
  const planned: WorkAhead[] = [];
  const add = (draft: Draft, after: readonly string[]) => {
    const { id, title, needs, wait = null } = draft;
    const minutes = Math.max(1, Math.round(draft.minutes));
    planned.push({ id, title, needs: [...needs], minutes, after: [...after], wait });
  };
  const inLine = (drafts: readonly Draft[], begin: readonly string[]) =>
    drafts.filter(isReal).reduce<readonly string[]>((after, draft) => {
      add(draft, after);
      return [draft.id];
    }, begin);
  const answered = inLine(first, []);
  const supplied = coming.filter(isReal);
  for (const draft of supplied) add(draft, answered);
  inLine(rest, supplied.length ? supplied.map(({ id }) => id) : answered);
  return planned;
}

/**
 * What lies ahead of a pump until it is ready, as operations: work with the hands and places that it needs, and what it
 * waits for. From the family's minutes as the pump is built, what is done already, what was approved, and what is to come.
 * Nothing where it goes back as it is.
 */
export function workAhead(record: JobRecord, family: Family): readonly WorkAhead[] {
  if ((record.outcome !== 'open' && record.outcome !== 'repaired') || record.closedAt) return [];
  const coming = supplies(record, family, needsOf(record, family));
  return strung(untilAnswer(record, family), coming, afterParts(record, family));
}

/** What a pump of a family that nobody has seen yet is likely to need: its standing tasks, an answer, its longest kit. */
export function usualWork(family: Pick<Family, 'labour' | 'kits' | 'parts' | 'waits'>): readonly WorkAhead[] {
  const lead = Math.max(0, ...family.kits.map((kit) => kit.lead_days));
  return strung(
    [
      { id: 'teardown', title: 'Teardown', needs: bench, minutes: minutesAt(family, 'teardown') },
      ...cleaningWork(family),
      { id: 'inspect', title: 'Inspection', needs: ['inspector'], minutes: minutesAt(family, 'inspect') },
      { id: 'quote', title: 'Quote', needs: ['desk'], minutes: deskMinutes.quote },
      waitFor({ id: 'answer', title: answerTitle }, { kind: 'answer', leadDays: 0, dueOn: null }),
    ],
    lead ? [toBeOrdered(lead, true)] : [],
    [
      { id: 'rebuild', title: 'Rebuild', needs: bench, minutes: minutesAt(family, 'rebuild') },
      ...restsAfter(family, 'rebuild'),
      { id: 'test', title: 'Test', needs: ['tester', 'stand'], minutes: minutesAt(family, 'test') },
      { id: 'report', title: 'Report', needs: ['desk'], minutes: deskMinutes.report },
    ],
  );
}
