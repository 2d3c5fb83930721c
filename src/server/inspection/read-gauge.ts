import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { loadJobRecord } from '@/db';
import { findFamily } from '../families';
import { defineUseCase, tagField } from '../use-case';

/** What the gauge types when its button is pressed; nothing is stored until the entry is kept. */
export const readGauge = defineUseCase({
  verb: 'read-gauge',
  audience: ['technician', 'inspector'],
  input: z.strictObject({
    tag: tagField,
    phase: z.enum(['as-found', 'as-left']),
    pointId: z.string().max(60),
    place: z.string().max(60),
  }),
  async run(context, { tag, phase, pointId, place }) {
    const record = await loadJobRecord(context.database, tag);
    if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
    const family = await findFamily(context.database, record.familyId, record.familyVersion);
    const point = family.points.find((one) => one.id === pointId);
    if (!point?.new_mm) throw new DomainError('bad-input', { what: `${pointId} is not measured with a gauge.` });
    const digits = Math.max(0, Math.round(-Math.log10(point.resolution_mm)));
    return context.standIns.gauge.takeReading({
      job: tag,
      phase,
      point: pointId,
      place,
      digits,
      newMm: point.new_mm,
      reuseMm: {
        ...(point.reuse_mm?.min !== undefined && { min: point.reuse_mm.min }),
        ...(point.reuse_mm?.max !== undefined && { max: point.reuse_mm.max }),
      },
    });
  },
});
