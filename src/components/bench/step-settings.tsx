'use client';

import { useMemo } from 'react';
import type { Family, RebuildStep } from '@/core/family';
import { reckonSetting, sayFigure, takenFrom } from '@/core/inspection/reckon-setting';
import type { JobRecord } from '@/core/record';
import { Working } from '../ui/working';
import { SumDrawing } from '../sums/drawings';

/**
 * The sums of a step, with this job's own numbers, the figure that the step wants large, its drawing and its working.
 */
export function StepSettings({
  step,
  record,
  family,
}: {
  readonly step: RebuildStep;
  readonly record: JobRecord;
  readonly family: Family;
}) {
  const all = useMemo(
    () => step.settings.map((setting) => reckonSetting(setting, record, family)),
    [step, record, family],
  );
  return (
    <>
      {all.map(({ setting, outcome, waits }) => (
        <fieldset key={setting.title}>
          <legend className="font-bold">{setting.title}</legend>
          {outcome ? (
            <>
              <p>
                <b className="num text-24">{sayFigure(outcome, setting)}</b>{' '}
                <Working steps={outcome.working} of={setting.title} />
              </p>
              {outcome.warnings.map((warning) => (
                <p key={warning.code} className="border-l-4 border-ochre bg-sheet px-3 text-13">
                  {warning.sentence}
                </p>
              ))}
              <SumDrawing
                id={setting.sum}
                input={{
                  ...setting.input,
                  ...Object.fromEntries(
                    Object.entries(setting.from).map(([field, from]) => [field, takenFrom(from, { record, family })]),
                  ),
                }}
                result={outcome.result}
              />
            </>
          ) : (
            <p className="text-quiet">{waits}</p>
          )}
        </fieldset>
      ))}
    </>
  );
}
