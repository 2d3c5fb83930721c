'use client';

import { Plus } from 'lucide-react';
import { rowName } from '@/core/bench';
import type { FormOf } from '@/core/family';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { Button } from '../ui/form';
import type { EntryProps } from './entry';

/** A record filled in row by row: a leak test, a log, a torque by nut; the sum says at once what it comes to. */
export function RecordEntry({ form, view, entry }: EntryProps<FormOf<'record'>>) {
  const least = form.rows?.length ?? form.least;
  const shown = Math.max(least, entry.rows.length);
  const rows = Array.from({ length: shown }, (_, i) => entry.rows[i] ?? {});
  const change = (index: number, id: string, text: string) =>
    entry.setRows(rows.map((row, i) => (i === index ? { ...row, [id]: text } : row)));
  return (
    <div className="space-y-2">
      <h3 className="font-bold">{form.ask}</h3>
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead className="text-left text-13 text-quiet">
            <tr>
              {shown > 1 && <th className="pr-2 font-normal">Row</th>}
              {form.columns.map(({ id, title, unit }) => (
                <th key={id} className="pr-2 font-normal">
                  {title}
                  {unit && `, ${unit}`}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {shown > 1 && <td className="num pr-2 text-quiet">{form.rows?.[i] ?? i + 1}</td>}
                {form.columns.map(({ id, title, choices }) => (
                  <td key={id} className="py-1 pr-2">
                    {choices ? (
                      <select
                        aria-label={`${title}, ${rowName(form, i)}`}
                        value={row[id] ?? ''}
                        onChange={(event) => change(i, id, event.target.value)}
                        className="field min-h-12 w-full"
                      >
                        <option value="">choose</option>
                        {choices.map((choice) => (
                          <option key={choice}>{choice}</option>
                        ))}
                      </select>
                    ) : (
                      <input
                        aria-label={`${title}, ${rowName(form, i)}`}
                        value={row[id] ?? ''}
                        onChange={(event) => change(i, id, event.target.value)}
                        inputMode="decimal"
                        autoComplete="off"
                        className="field num min-h-12 w-full min-w-20 text-right"
                      />
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {!form.rows && (form.judge?.list !== undefined || form.least > 1) && (
        <Button tone="plain" onClick={() => entry.setRows([...rows, {}])}>
          <Plus aria-hidden className="mr-1 inline size-4" />
          One more row
        </Button>
      )}
      <FetchedAtOnce
        fetchIt={() => import('./record-verdict').then((module) => module.RecordVerdict)}
        props={{ form, view, rows }}
        waiting={null}
      />
    </div>
  );
}
