'use client';

import { useMemo, useState } from 'react';
import type { InputOf } from '@/contract';
import type { ActionWork, TypedRow } from '@/core/bench';
import type { Answer, BenchPhase } from '@/core/record';
import { withLengthUnit } from '@/core/units';
import { useDraft } from '../act/use-draft';
import type { SheetProps } from '../job/view';
import type { Entry } from './entry';

const isRow = (row: unknown): row is TypedRow =>
  typeof row === 'object' &&
  row !== null &&
  !Array.isArray(row) &&
  Object.values(row).every((value) => typeof value === 'string');

/** Rows as they were kept on this device; none where they cannot be read any more. */
function readRows(written: string): readonly TypedRow[] {
  if (!written) return [];
  try {
    const rows: unknown = JSON.parse(written);
    return Array.isArray(rows) && rows.every(isRow) ? rows : [];
  } catch {
    return [];
  }
}

/** What is typed for an action; kept as a draft on this device until it is cleared. */
export function useEntry(key: string): Entry & { readonly clear: () => void } {
  const [typed, setTyped] = useDraft(`${key}.typed`);
  const [ambient, setAmbient] = useDraft(`${key}.ambient`, '20');
  const [passes, setPasses] = useState<readonly string[]>([]);
  const [written, setWritten] = useDraft(`${key}.rows`);
  const rows = useMemo(() => readRows(written), [written]);
  const setRows = (next: readonly TypedRow[]) => setWritten(JSON.stringify(next));
  const clear = () => {
    setTyped(null);
    setAmbient(null);
    setPasses([]);
    setWritten(null);
  };
  return { typed, setTyped, ambient, setAmbient, passes, setPasses, rows, setRows, clear };
}

export type AnswerCommand = InputOf<'answer-action'>;

interface Entered {
  readonly view: SheetProps['view'];
  readonly phase: BenchPhase;
  readonly at: ActionWork;
  readonly entry: Entry;
  /** Cautions that were ticked as read. */
  readonly read: ReadonlySet<string>;
  /** What was chosen to be put on; empty where nothing is. */
  readonly consumable: string;
  /** Code of the tool; empty where none is asked for. */
  readonly tool: string;
}

const numberOf = (text: string) => Number(text.replace(',', '.'));

/** Everything entered for an action, as it is sent; `words` is what was typed, or the word pressed. */
export function commandOf(entered: Entered, words: string, photoId: Answer['photoId']): AnswerCommand {
  const { view, phase, at, entry, read, consumable, tool } = entered;
  const form = at.action.answer;
  const isLength = form?.kind === 'value' && form.unit === 'mm';
  const passes = entry.passes.filter((one) => one.trim()).map(numberOf);
  return {
    ...{ tag: view.record.tag, phase, actionId: at.action.id, photoId, cautionsRead: [...read] },
    typed: isLength ? withLengthUnit(words.trim(), view.lengthDisplay) : words.trim(),
    ...(consumable && { consumable }),
    ...(tool && { tool }),
    ...(form?.kind === 'record' && { rows: entry.rows.map((row) => ({ ...row })) }),
    ...(passes.length && !passes.some(Number.isNaN) && { passes }),
    ...(form?.kind === 'heat' && Number.isFinite(numberOf(entry.ambient)) && { ambientC: numberOf(entry.ambient) }),
    basedOn: at.stored?.version ?? 0,
  };
}
