'use client';

import { useMemo } from 'react';
import { heatFor } from '@/core/bench/heat';
import { reckonSetting, sayFigure, takenFrom } from '@/core/bench/reckon-setting';
import { sayWindow, type Family, type FormOf } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { bearingHeatLimitsC, reckonBearingHeat, SumRefusal } from '@/core/sums';
import { SumDrawing } from '../sums/drawings';
import { stationHref } from '../job/view';
import { Working } from '../ui/working';

interface Props {
  readonly form: FormOf<'setting'>;
  readonly record: JobRecord;
  readonly family: Family;
}

/** The figure that a setting asks for, or judges, with this job's own numbers, its drawing and its working. */
export function SettingShown({ form, record, family }: Props) {
  const { outcome, waits, saidAt } = useMemo(() => reckonSetting(form, record, family), [form, record, family]);
  if (!outcome)
    return (
      <p className="text-quiet">
        {waits}
        {saidAt && (
          <>
            {': '}
            <a
              className="min-h-12 content-center font-semibold underline"
              href={stationHref(record, 'receive', saidAt)}
            >
              say it at receiving
            </a>
          </>
        )}
      </p>
    );
  const taken = Object.entries(form.from).map(([field, from]) => [field, takenFrom(from, { record, family })]);
  return (
    <div>
      <p>
        <span className="text-13 text-quiet">{form.mode === 'set' ? 'asked' : 'comes to'}</span>{' '}
        <b className="num text-24">{sayFigure(outcome, form)}</b> <Working steps={outcome.working} of={form.title} />
        {form.window && <span className="text-quiet"> window {sayWindow(form.window, form.unit)}</span>}
      </p>
      {outcome.warnings.map((warning) => (
        <p key={warning.code} className="border-l-4 border-ochre bg-sheet px-3 text-13">
          {warning.sentence}
        </p>
      ))}
      <SumDrawing
        id={form.sum}
        input={{ ...form.input, ...(Object.fromEntries(taken) as Record<string, unknown>) }}
        result={outcome.result}
      />
    </div>
  );
}

/** The temperature that a bearing must reach in this room, and the one that spoils it. */
export function HeatShown({
  form,
  room,
  record,
  family,
}: Omit<Props, 'form'> & { readonly form: FormOf<'heat'>; readonly room: number }) {
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
