'use client';

import { lengthDisplays } from '@/core/record';
import type { LengthDisplay } from '@/core/units';
import { useAct } from '../act/use-act';
import { ErrorNote, SelectField } from '../ui/form';
import { oneOf } from '../ui/form-data';

/** Millimetres or inches on the shop's screens; what was measured stays as it was taken. */
export function ChooseUnits({ current }: { readonly current: LengthDisplay }) {
  const { run, error, isBusy } = useAct();
  return (
    <div className="mt-3">
      <SelectField
        label="Lengths are shown and typed in"
        value={current}
        disabled={isBusy}
        onChange={(event) => void run('choose-units', { lengthDisplay: oneOf(lengthDisplays, event.target.value) })}
      >
        <option value="metric">millimetres</option>
        <option value="inch">inches</option>
      </SelectField>
      <p className="text-13 text-quiet">
        A reading shows as it was taken, with the other unit beside it; a length typed with its unit is always
        understood.
      </p>
      <ErrorNote error={error} />
    </div>
  );
}
