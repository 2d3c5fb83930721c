'use client';

import { useMemo } from 'react';
import { reckonSetting, sayFigure, takenFrom } from '@/core/bench/reckon-setting';
import { sayWindow, type Family, type FormOf } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { SumDrawing } from '../sums/drawings';
import { useSum } from '../sums/use-sum';
import { stationHref } from '../job/view';
import { Working } from '../ui/working';

interface Props {
  readonly form: FormOf<'setting'>;
  readonly record: JobRecord;
  readonly family: Family;
}

/** The figure that a setting asks for, or judges, with this job's own numbers, its drawing and its working. */
export function SettingShown({ form, record, family }: Props) {
  const sum = useSum(form.sum);
  const reckoned = useMemo(
    () => sum && reckonSetting(form, { record, family }, () => sum),
    [form, record, family, sum],
  );
  if (!reckoned) return <p className="text-quiet">Reckoning the setting.</p>;
  const { outcome, waits, saidAt } = reckoned;
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
