'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { actionTitle, type Family } from '@/core/family';
import { act, type ActError } from '../act/act';
import { Button, ErrorNote, TextArea, TextField } from '../ui/form';
import { resolverOf, type ReadForm } from '../ui/form-resolver';

interface Entry {
  readonly path: string;
  readonly label: string;
  readonly value: string | number;
  /** What one unit typed is in the file; money is typed in whole currency. Nought for words. */
  readonly factor: number;
}

const number = (path: string, label: string, value: number | undefined, factor = 1): readonly Entry[] =>
  // A figure of the size table is changed in the table, not here.
  typeof value !== 'number' ? [] : [{ path, label, value: value / factor, factor }];

function groupsOf(family: Family): readonly (readonly [title: string, entries: readonly Entry[]])[] {
  const limits = family.points.flatMap((point) =>
    (['new_mm', 'reuse_mm'] as const).flatMap((band) =>
      (['min', 'max'] as const).flatMap((end) =>
        number(
          `points/${point.id}/${band}/${end}`,
          `${point.title}: ${band === 'new_mm' ? 'new' : 'reuse'}, ${end === 'min' ? 'least' : 'most'}, mm`,
          point[band]?.[end],
        ),
      ),
    ),
  );
  const torques = family.rebuild.flatMap((step) =>
    step.actions.flatMap(({ id, answer }) =>
      answer?.kind === 'torque'
        ? (['min', 'max'] as const).flatMap((end) =>
            number(
              `rebuild/${step.id}/actions/${id}/answer/window_nm/${end}`,
              `${step.title}: torque, ${end === 'min' ? 'least' : 'most'}, N·m`,
              answer.window_nm[end],
            ),
          )
        : [],
    ),
  );
  const words = (['teardown', 'rebuild'] as const).flatMap((phase) =>
    family[phase].flatMap((step) =>
      step.actions.map((action) => ({
        path: `${phase}/${step.id}/actions/${action.id}/do`,
        label: `${phase}, ${step.title}: ${actionTitle(action).toLowerCase()}`,
        value: action.do.join('\n'),
        factor: 0,
      })),
    ),
  );
  return [
    ['Limits', limits],
    ['Torques', torques],
    [
      'Times',
      family.labour.flatMap((task) => number(`labour/${task.id}/minutes`, `${task.title}, minutes`, task.minutes)),
    ],
    [
      'Prices',
      [
        ...family.kits.flatMap((kit) => number(`kits/${kit.id}/price_minor`, kit.title, kit.price_minor, 100)),
        ...family.parts.flatMap((part) => number(`parts/${part.ref}/price_minor`, part.name, part.price_minor, 100)),
      ],
    ],
    ['Words of the steps, one movement a line', words],
  ];
}

/** Words as lines, without those that are empty. */
const readLines = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .join('\n');

/** A number as typed; not a number where the field was emptied, which is no zero. */
const readNumber = (text: string) => (text.trim() ? Number(text.trim().replace(',', '.')) : Number.NaN);

interface Values {
  readonly title: string;
  /** What stands in each field, by the path of its entry. */
  readonly typed: Readonly<Record<string, string>>;
}

type Changes = InputOf<'make-own-family'>['changes'];

/** Only what was changed; a field that was emptied or holds no number is said at its place. */
const reader =
  (entries: readonly Entry[]) =>
  ({ title, typed }: Values): ReadForm<{ title: string; changes: Changes }> => {
    const changed = entries.filter(({ path, value }) => typed[path] !== String(value));
    const odd = changed.filter(({ path, factor }) => factor > 0 && !Number.isFinite(readNumber(typed[path] ?? '')));
    if (odd.length)
      return {
        ok: false,
        issues: Object.fromEntries(odd.map(({ path }) => [`typed.${path}`, `“${typed[path]}” is not a number`])),
      };
    const changes = changed.map(({ path, factor }) => {
      const text = typed[path] ?? '';
      const value =
        factor === 0 ? readLines(text) : factor === 100 ? Math.round(readNumber(text) * 100) : readNumber(text);
      return { path, value };
    });
    return { ok: true, read: { title, changes } };
  };

const unread: ActError = {
  code: 'bad-input',
  what: 'Something typed is not a number; it is marked.',
  kept: 'All that you typed is still there.',
  todo: 'Correct it and make the variant again.',
  issues: [],
};

type Form = UseFormReturn<Values, unknown, { title: string; changes: Changes }>;

/** How many of some entries are changed; it alone is drawn anew with every key. */
function useChanged(control: Form['control'], entries: readonly Entry[]): number {
  const typed = useWatch({ control, name: 'typed' });
  return entries.filter(({ path, value }) => typed[path] !== String(value)).length;
}

function ChangedNote({ control, entries }: { readonly control: Form['control']; readonly entries: readonly Entry[] }) {
  return <small className="font-normal text-quiet">{useChanged(control, entries) || 'none'} changed</small>;
}

function MakeButton({ control, entries }: { readonly control: Form['control']; readonly entries: readonly Entry[] }) {
  const changed = useChanged(control, entries);
  return (
    <Button type="submit" tone="main" disabled={!changed}>
      {changed ? `Make it, with ${changed} ${changed === 1 ? 'change' : 'changes'}` : 'Nothing is changed yet'}
    </Button>
  );
}

/** A shop's own variant: only what was changed is sent; the shipped family stays as it is. */
export function OwnVariantForm({ family }: { readonly family: Family }) {
  const router = useRouter();
  const groups = useMemo(() => groupsOf(family), [family]);
  const entries = useMemo(() => groups.flatMap(([, list]) => list), [groups]);
  const { control, register, handleSubmit, formState }: Form = useForm<
    Values,
    unknown,
    { title: string; changes: Changes }
  >({
    defaultValues: {
      title: `${family.short}, our way`,
      typed: Object.fromEntries(entries.map(({ path, value }) => [path, String(value)])),
    },
    resolver: resolverOf(reader(entries)),
  });
  const [error, setError] = useState<ActError | null>(null);
  const send = async (read: { title: string; changes: Changes }) => {
    const answer = await act('make-own-family', { familyId: family.id, ...read });
    if (answer.ok) router.push(`/library/${answer.data.familyId}`);
    else setError(answer.error);
  };
  return (
    <details className="border-t border-ink pt-3">
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        Make our own variant of this family
      </summary>
      <form onSubmit={handleSubmit(send, () => setError(unread))} className="space-y-3">
        <TextField label="What we call it" {...register('title')} />
        {groups.map(([name, list]) => (
          <details key={name}>
            <summary className="min-h-11 cursor-pointer content-center font-semibold">
              {name} <ChangedNote control={control} entries={list} />
            </summary>
            <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
              {list.map(({ path, label, value, factor }) =>
                factor === 0 ? (
                  <TextArea
                    key={path}
                    label={label}
                    rows={String(value).split('\n').length + 1}
                    {...register(`typed.${path}`)}
                  />
                ) : (
                  <TextField
                    key={path}
                    label={label}
                    className="num"
                    inputMode="decimal"
                    error={formState.errors.typed?.[path]?.message}
                    {...register(`typed.${path}`)}
                  />
                ),
              )}
            </div>
          </details>
        ))}
        <ErrorNote error={error} />
        {error && error.issues.length > 0 && (
          <ol className="list-inside list-decimal text-13">
            {error.issues.map((issue, i) => (
              <li key={i}>{issue.message}</li>
            ))}
          </ol>
        )}
        <MakeButton control={control} entries={entries} />
      </form>
    </details>
  );
}
