'use client';

import { present } from '@/core/present';
import { useMemo, useState } from 'react';
import { standingReadings } from '@/core/bench';
import { judgePoints } from '@/core/inspection';
import { useAct } from '../act/use-act';
import { PhotoRow } from '../job/picture-taker';
import { sayMoment, type SheetProps } from '../job/view';
import { LimitStrip } from '../signs/limit-strip';
import { Button, ErrorNote, issueFor, TextArea } from '../ui/form';
import { Later, useRows } from '../ui/later';

/** Rows that a first screen shows. */
const rowsAtFirst = 14;

/** The as-built report: as found and as left side by side, issued once, corrected only by a new revision. */
export function ReportSheet({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const { run, error, isBusy } = useAct();
  const found = useMemo(
    () => judgePoints({ family, readings: standingReadings(record, family), phase: 'as-found' }),
    [family, record],
  );
  const left = useMemo(
    () =>
      new Map(
        judgePoints({ family, readings: standingReadings(record, family), phase: 'as-left' }).map((state) => [
          state.point.id,
          state,
        ]),
      ),
    [family, record],
  );
  const rows = useRows(found, rowsAtFirst);
  return (
    <div className="grid gap-8 p-6 lg:grid-cols-[1fr_400px]">
      <section aria-label="As found and as left">
        <h2 className="mb-1 text-18 font-bold">As found and as left</h2>
        <div className="overflow-x-auto">
          <table className="w-full min-w-[640px]">
            <thead className="text-left text-13 text-quiet">
              <tr>
                <th className="font-normal">Point</th>
                <th className="font-normal" colSpan={2}>
                  As found
                </th>
                <th className="font-normal" colSpan={2}>
                  As left
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((state) => (
                <tr key={state.point.id} className="row">
                  <th scope="row" className="py-1 text-left font-normal">
                    {state.point.number} {state.point.title}
                  </th>
                  {[state, left.get(state.point.id)].map((side, i) => {
                    const isBad = side?.verdict === 'out' || side?.verdict === 'tight';
                    return side?.verdict && side.strip ? (
                      <FragmentCells key={i} words={side.words} isBad={isBad}>
                        <LimitStrip
                          strip={side.strip}
                          width={120}
                          isBad={isBad}
                          label={`${side.words}, ${side.worst}`}
                        />
                      </FragmentCells>
                    ) : (
                      <td key={i} colSpan={2} className="text-13 text-quiet">
                        not measured
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <Later height={420}>
          <h2 className="mb-2 mt-6 font-bold">Pictures in the report</h2>
          <PhotoRow photos={record.photos.slice(0, 24)} />
        </Later>
      </section>
      <div className="space-y-6" id="issue">
        {record.reports.length === 0 ? (
          <section aria-label="Issue">
            <h2 className="text-18 font-bold">Issue the report</h2>
            <p className="my-2">
              It writes itself out of the record: identity, history, points, findings,{' '}
              {record.approvals.length === 1 ? 'the approval' : 'approvals'}, parts fitted, torques and temperatures
              with their working, {record.runs.length} test {record.runs.length === 1 ? 'run' : 'runs'}, pictures,
              cautions and signatures. Issued, it is frozen.
            </p>
            <ErrorNote error={error} />
            {isHere && (
              <Button
                verb="issue-report"
                tone="main"
                data-next
                className="w-full"
                disabled={isBusy}
                onClick={() => run('issue-report', { tag: record.tag })}
              >
                Issue it as {view.person.name}
              </Button>
            )}
          </section>
        ) : (
          <Issued view={view} isHere={isHere} />
        )}
      </div>
    </div>
  );
}

function FragmentCells({
  words,
  isBad,
  children,
}: {
  readonly words: string;
  readonly isBad: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <>
      <td>{children}</td>
      <td className={`pr-4 text-13 ${isBad ? 'font-bold text-jasper' : ''}`}>{words}</td>
    </>
  );
}

function Issued({ view }: SheetProps) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const [whatChanged, setWhatChanged] = useState('');
  return (
    <>
      <section aria-label="Issued revisions">
        <h2 className="text-18 font-bold">
          Report <span className="num">{present(record.reports[0]).number}</span>
        </h2>
        <ul>
          {record.reports.map((report) => (
            <li key={report.id} className="row py-2 first:border-0">
              <b>Revision {report.revision}</b>, {report.personName}, {sayMoment(report.at, view.zone)}
              {report.whatChanged && <span className="block">Changed: {report.whatChanged}</span>}
              <span className="flex gap-4 font-semibold">
                <a
                  className="min-h-8 underline"
                  href={`/files/report/${report.number}/${report.revision}/pdf`}
                  target="_blank"
                >
                  PDF
                </a>
                <a className="min-h-8 underline" href={`/files/report/${report.number}/${report.revision}/json`}>
                  JSON
                </a>
                <a className="min-h-8 underline" href="/files/schema/as-built">
                  Schema
                </a>
              </span>
              <span className="num block break-all text-13 text-quiet">{report.fingerprint}</span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Correction">
        <h2 className="font-bold">A correction</h2>
        <p className="text-13 text-quiet">
          Makes the next revision out of the record as it stands now; what was issued stays as it was.
        </p>
        <TextArea
          label="What changes, and why"
          value={whatChanged}
          onChange={(event) => setWhatChanged(event.target.value)}
          error={issueFor(error, 'whatChanged')}
        />
        <ErrorNote error={error} />
        <Button
          verb="correct-report"
          className="mt-2"
          disabled={isBusy}
          onClick={async () => (await run('correct-report', { tag: record.tag, whatChanged })) && setWhatChanged('')}
        >
          Issue the next revision
        </Button>
      </section>
    </>
  );
}
