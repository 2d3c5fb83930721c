import * as z from 'zod';
import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import { placeKey, type JobRecord, type Phase } from '@/core/record';
import { parseQuantity } from '@/core/units';
import { addReadings, listInstruments, saveReading } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { basedOn, defineUseCase, tagField } from '../use-case';

const entry = z.strictObject({
  pointId: z.string().max(60),
  place: z.string().max(60),
  typed: z.string().trim().max(60),
  instrument: z.string().max(20).nullable(),
  basedOn,
});
type Entry = z.infer<typeof entry>;

const refuse = (what: string): never => {
  throw new DomainError('bad-input', { what, issues: [{ path: 'typed', message: what }] });
};

function readLength(typed: string) {
  const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
  if (!parsed.ok) return refuse(parsed.sentence);
  if (parsed.quantity.value.lt(0) || parsed.quantity.value.gt(10000))
    return refuse(`${typed} is not a size of this pump.`);
  return parsed.quantity;
}

function checkEntry({ pointId, place }: Entry, family: Family, phase: Phase): void {
  const point = family.points.find((one) => one.id === pointId);
  if (!point?.when.includes(phase)) refuse(`${pointId} is not measured ${phase}.`);
  if (!point!.places.some((one) => placeKey(one) === place)) refuse(`${point!.title} has no place ${place}.`);
}

function checkVersion(given: Entry, record: JobRecord, phase: Phase): void {
  const stored = record.readings.find(
    (one) => one.phase === phase && one.pointId === given.pointId && one.place === given.place,
  );
  if ((stored?.version ?? 0) === given.basedOn) return;
  throw new DomainError('changed-meanwhile', {
    what:
      stored &&
      `${stored.personName} put ${stored.typed} ${stored.typedUnit} here meanwhile; you typed ${given.typed}.`,
    theirs: stored,
    yours: given,
  });
}

/** Records readings with what was typed, unit and digits, and the gauge they came from. */
export const recordReadings = defineUseCase({
  verb: 'record-readings',
  audience: ['technician', 'inspector'],
  input: z.strictObject({
    tag: tagField,
    phase: z.enum(['as-found', 'as-left']),
    entries: z.array(entry).min(1, 'no reading is given').max(300),
  }),
  async run(context, { tag, phase, entries }) {
    return changeJob(context, { tag, kind: 'record-readings' }, async ({ connection, record, family, who }) => {
      requireStation(
        record,
        ...(phase === 'as-found' ? (['teardown', 'clean', 'inspect', 'quote'] as const) : (['rebuild'] as const)),
      );
      const gauges = new Map((await listInstruments(connection)).map((one) => [one.code, one]));
      const rows = entries.map((given) => {
        const quantity = readLength(given.typed);
        checkEntry(given, family, phase);
        checkVersion(given, record, phase);
        const gauge =
          given.instrument === null
            ? null
            : (gauges.get(given.instrument) ?? refuse(`There is no instrument ${given.instrument}.`));
        return {
          version: given.basedOn,
          row: {
            jobId: record.id,
            phase,
            pointId: given.pointId,
            place: given.place,
            valueMm: quantity.value.toFixed(6),
            typed: given.typed,
            typedUnit: quantity.unit,
            typedDigits: quantity.digits,
            instrumentCode: gauge?.code ?? null,
            uncertaintyUm: gauge ? String(gauge.uncertaintyUm) : null,
            ...who,
          },
        };
      });
      await addReadings(
        connection,
        rows.filter(({ version }) => version === 0).map(({ row }) => row),
      );
      await Promise.all(
        rows.filter(({ version }) => version > 0).map(({ row, version }) => saveReading(connection, row, version)),
      );
      return {
        result: {},
        data: {
          phase,
          readings: rows.map(({ row }) => ({
            pointId: row.pointId,
            place: row.place,
            typed: row.typed,
            valueMm: row.valueMm,
            instrument: row.instrumentCode,
          })),
        },
      };
    });
  },
});
