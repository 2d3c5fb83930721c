'use client';

import type { TypedRow } from '@/core/bench';
import { judgeRecord, readRecord, reckonRecord } from '@/core/bench/judge-record';
import { sayFigure } from '@/core/bench/reckon-setting';
import { sayReason } from '@/core/errors';
import type { FormOf } from '@/core/family';
import { useSum } from '../sums/use-sum';
import { Working } from '../ui/working';
import type { EntryProps } from './entry';

interface Props extends Pick<EntryProps<FormOf<'record'>>, 'form' | 'view'> {
  readonly rows: readonly TypedRow[];
}

/** What the record comes to as it stands: its verdict by the sum, and the first thing that is not right. */
export function RecordVerdict({ form, view, rows }: Props) {
  const { record, family } = view;
  const sum = useSum(form.judge?.sum ?? null);
  const read = readRecord(form, rows);
  if (!read.ok || (form.judge && !sum)) return null;
  const findSum = () => sum ?? undefined;
  const { refused, wrong } = judgeRecord(form, rows, { record, family }, findSum);
  const fault = refused ?? wrong;
  const reckoned = reckonRecord(form, read.rows, { record, family }, findSum);
  const outcome = reckoned && 'outcome' in reckoned ? reckoned.outcome : null;
  return (
    <p role="status" className={`font-semibold ${fault ? 'text-jasper' : 'text-moss'}`}>
      {fault ? sayReason(fault) : outcome && form.judge ? `In order: ${sayFigure(outcome, form.judge)}.` : 'In order.'}{' '}
      {outcome && <Working steps={outcome.working} of={form.ask} />}
    </p>
  );
}
