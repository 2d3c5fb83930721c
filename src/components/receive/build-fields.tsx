'use client';

import { wholeBuild, type FamilyCard } from '@/core/family';
import { SelectField, TextField } from '../ui/form';
import { readConstruction, type Construction } from './construction';
import { shownAxes } from './shown-axes';

interface Props {
  readonly family: FamilyCard;
  readonly construction: Construction;
  readonly onChange: (construction: Construction) => void;
  readonly issues: Readonly<Partial<Record<'axes' | 'size' | 'counts', string | undefined>>>;
  /** At receiving, what only teardown shows is not asked. */
  readonly isReceiving?: boolean;
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** How the pump is built: one choice an axis, its size, and what of it has to be counted. */
export function BuildFields({ family, construction, onChange, issues, isReceiving = false }: Props) {
  const whole = wholeBuild(family, readConstruction(family, construction));
  const counted = family.sets.flatMap((set) =>
    typeof set.count === 'number' || whole.counts[set.id] === undefined ? [] : [{ ...set, count: set.count }],
  );
  const shown = shownAxes(family, whole.axes);
  const axes = shown.filter(({ asked }) => !isReceiving || asked === 'receiving');
  const later = shown.filter((axis) => !axes.includes(axis)).map(({ title }) => title.toLowerCase());
  if (!shown.length && !counted.length && !family.sizes.length) return null;
  return (
    <div className="mt-3 grid gap-3 sm:grid-cols-2">
      {axes.map((axis, i) => (
        <SelectField
          key={axis.id}
          label={axis.title}
          value={whole.axes[axis.id]}
          error={i === 0 ? issues.axes : undefined}
          onChange={(event) =>
            onChange({ ...construction, axes: { ...construction.axes, [axis.id]: event.target.value } })
          }
        >
          {axis.choices.map((choice) => (
            <option key={choice.id} value={choice.id}>
              {choice.title}: {choice.what}
            </option>
          ))}
        </SelectField>
      ))}
      {family.sizes.length > 0 && (
        <SelectField
          label="Size of this construction"
          value={whole.size}
          error={issues.size}
          onChange={(event) => onChange({ ...construction, row: event.target.value })}
        >
          {family.sizes.map((row) => (
            <option key={row.id} value={row.id}>
              {row.title}
            </option>
          ))}
        </SelectField>
      )}
      {counted.map(({ id, plural, count }) => (
        <TextField
          key={id}
          label={`${capital(plural)}, ${count.least} to ${count.most}`}
          hint={`${count.usual} where nothing is typed`}
          inputMode="numeric"
          className="num"
          value={construction.counts[id] ?? ''}
          error={issues.counts}
          onChange={(event) =>
            onChange({ ...construction, counts: { ...construction.counts, [id]: event.target.value } })
          }
        />
      ))}
      {later.length > 0 && (
        <p className="text-13 text-quiet sm:col-span-2">Found out at teardown: {later.join(', ')}.</p>
      )}
    </div>
  );
}
