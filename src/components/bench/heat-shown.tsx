'use client';

import { useMemo } from 'react';
import { heatFor } from '@/core/bench/heat';
import type { Family, FormOf } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { bearingHeatLimitsC, reckonBearingHeat, SumRefusal } from '@/core/sums';
import { Working } from '../ui/working';

interface Props {
  readonly form: FormOf<'heat'>;
  /** Of the room, in °C. */
  readonly room: number;
  readonly record: JobRecord;
  readonly family: Family;
}

/** The temperature that a bearing must reach in this room, and the one that spoils it. */
export function HeatShown({ form, room, record, family }: Props) {
  const sum = useMemo(() => {
    try {
      return reckonBearingHeat(heatFor(form, { record, family }, room));
    } catch (error) {
      if (error instanceof SumRefusal) return null;
      throw error;
    }
  }, [form, room, record, family]);
  const limit = bearingHeatLimitsC[form.sealed ? 'sealed' : 'open'];
  return (
    <p>
      {sum && (
        <>
          Heat to <b className="num text-24">{sum.result.temperature_c.toFixed(0)}</b> °C{' '}
          <Working steps={sum.working} of="Heating temperature" />{' '}
        </>
      )}
      <span className="text-quiet">
        {form.bore_mm} mm bore on {form.seat === undefined ? form.shaft : 'its seat as measured'}, never over {limit} °C
      </span>
    </p>
  );
}
