import * as z from 'zod';
import type { Family } from '../family';
import { sheetsOf, type JobRecord } from '../record';
import { judgeSketch } from '../supply';

const signed = { by: z.string(), at: z.string() };

/** Where parts came from, as the report keeps it; reports from before say nothing of it. */
export const supplySections = {
  /** Numbers that were read on parts and are not those of the list. */
  numbers_found: z
    .array(z.object({ part: z.string(), found: z.string(), verdict: z.string(), settled: z.string(), ...signed }))
    .optional(),
  /** What was fitted: from where, under which number, from which lot. */
  fitted: z
    .array(
      z.object({
        part: z.string(),
        source: z.string(),
        from: z.string(),
        quantity: z.number().int(),
        number: z.string(),
        lot: z.string(),
        note: z.string(),
        ...signed,
      }),
    )
    .optional(),
  /** Parts that the shop made, each with its readings against its sketch, mm. */
  made_here: z
    .array(
      z.object({
        number: z.string(),
        part: z.string(),
        why: z.string(),
        material: z.string(),
        lot: z.string(),
        released_by: z.string().nullable(),
        readings: z.array(
          z.object({ what: z.string(), min: z.number(), max: z.number(), value: z.number().nullable() }),
        ),
        fitted: z.string(),
        ...signed,
      }),
    )
    .optional(),
  /** Work by other shops, and what came back measured. */
  work_outside: z
    .array(
      z.object({
        number: z.string(),
        what: z.string(),
        parts: z.array(z.string()),
        to: z.string(),
        back_on: z.string(),
        measured: z.array(z.object({ what: z.string(), value: z.number().nullable(), unit: z.string() })),
        note: z.string(),
        ...signed,
      }),
    )
    .optional(),
};
export type SupplySections = { readonly [Key in keyof typeof supplySections]?: z.output<(typeof supplySections)[Key]> };

type NameOf = (ref: string) => string;

const numbersFound = (record: JobRecord, nameOf: NameOf) =>
  sheetsOf(record, 'number')
    .filter(({ body }) => body.verdict !== 'as listed')
    .map(({ key, body, personName, at }) => ({
      ...{ part: nameOf(key), found: body.found, verdict: body.verdict },
      settled: body.settled ? `${body.settled.words}, ${body.settled.personName}` : '',
      ...{ by: personName, at },
    }));

/** What came by an order, where a number or a lot was read on it, and what came by another way. */
function fittedParts(record: JobRecord, nameOf: NameOf) {
  const ordered = record.orders.flatMap(({ supplier, lines }) =>
    lines.flatMap(({ id, partRef, number }) =>
      record.receipts
        .filter((receipt) => receipt.lineId === id)
        .map((receipt) => ({
          ...{ part: nameOf(partRef), source: 'bought', from: supplier, quantity: receipt.quantity },
          ...{ number: receipt.number || number, lot: receipt.lot, note: receipt.note },
          ...{ by: receipt.personName, at: receipt.at },
        })),
    ),
  );
  const elsewhere = sheetsOf(record, 'source').flatMap(({ key, body: { source, from, here } }) =>
    here
      ? [
          {
            ...{ part: nameOf(key), source, from, quantity: here.count, number: here.number, lot: here.lot },
            ...{ note: here.note, by: here.personName, at: here.at },
          },
        ]
      : [],
  );
  return [...ordered, ...elsewhere];
}

const madeParts = (record: JobRecord, nameOf: NameOf) =>
  sheetsOf(record, 'made').flatMap(({ key, body }) =>
    body.handedOver
      ? [
          {
            ...{ number: body.number, part: nameOf(key), why: body.why, material: body.material, lot: body.lot },
            released_by: body.released?.personName ?? null,
            readings: judgeSketch(body).map(({ title, limits, value }) => ({ what: title, ...limits, value })),
            ...{ fitted: body.handedOver.fitted, by: body.handedOver.personName, at: body.handedOver.at },
          },
        ]
      : [],
  );

const workOutside = (record: JobRecord, nameOf: NameOf) =>
  sheetsOf(record, 'outside').flatMap(({ key, body: { what, parts, to, asks, back } }) =>
    back?.isTaken
      ? [
          {
            ...{ number: key, what, parts: parts.map(nameOf), to, back_on: back.on, note: back.words },
            measured: asks.map(({ ask, unit }, i) => ({ what: ask, unit, value: back.values[i] ?? null })),
            ...{ by: back.personName, at: back.at },
          },
        ]
      : [],
  );

/** Where the parts of a repair came from; only what there is. */
export function supplyIn(record: JobRecord, family: Family): SupplySections {
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  const all = {
    numbers_found: numbersFound(record, nameOf),
    fitted: fittedParts(record, nameOf),
    made_here: madeParts(record, nameOf),
    work_outside: workOutside(record, nameOf),
  };
  return Object.fromEntries(Object.entries(all).filter(([, list]) => list.length));
}
