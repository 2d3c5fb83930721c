'use client';

import { Link } from '../ui/link';
import { useEffect, useState } from 'react';
import { sheetsOf } from '@/core/record';
import type { PartCompared } from '@/core/supply';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';

/** The units of a lot side by side, as the server reads them. */
interface UnitsShown {
  readonly units: readonly {
    readonly tag: string;
    readonly unit: number;
    readonly serial: string;
    readonly owner: string;
  }[];
  readonly rows: readonly PartCompared[];
  readonly proposals: readonly { readonly ref: string; readonly tag: string; readonly reason: string }[];
  readonly chosen: readonly { readonly ref: string; readonly tag: string; readonly by: string }[];
}

function Cell({
  cell,
  isProposed,
  isChosen,
}: {
  readonly cell: PartCompared['cells'][string];
  readonly isProposed: boolean;
  readonly isChosen: boolean;
}) {
  if (!cell) return <td className="py-2 text-quiet">not there</td>;
  const worn = cell.wearPct === null ? 'not measured' : `${cell.wearPct} % of its wear`;
  return (
    <td className={`py-2 pr-3 align-top ${isProposed ? 'border-l-4 border-moss pl-2' : 'pl-3'}`}>
      <span className="num">{cell.number}</span>
      {!cell.isNumberRead && <span className="text-13 text-quiet"> not read</span>}
      <span className="block">
        <b>{cell.isCracked ? 'not offered' : cell.condition}</b>, <span className="num">{worn}</span>
      </span>
      <span className="block text-13 text-quiet">{cell.look || 'nobody has looked at it'}</span>
      {cell.givenTo && <span className="block text-13 font-semibold text-plum">taken for {cell.givenTo}</span>}
      {isProposed && !isChosen && <span className="block text-13 font-semibold text-moss">proposed</span>}
      {isChosen && <span className="block text-13 font-semibold">chosen</span>}
    </td>
  );
}

/** Takes a part of another unit for this pump, by name and with a reason; what is matched to it comes with it. */
function TakeIt({
  view,
  row,
  mates,
  from,
  reason: proposed,
  onTaken,
}: {
  readonly view: JobView;
  readonly row: PartCompared;
  /** Parts of its matched set that are not chosen yet. */
  readonly mates: readonly PartCompared[];
  readonly from: string;
  readonly reason: string;
  readonly onTaken: () => void;
}) {
  const { record, family } = view;
  const [reason, setReason] = useState(proposed);
  const { run, error, isBusy } = useAct();
  const takeOne = ({ ref }: PartCompared) => {
    const before = sheetsOf(record, 'source').find(({ key }) => key === ref);
    const count = family.parts.find((part) => part.ref === ref)?.quantity ?? 1;
    const source = { source: 'donor' as const, count, from: '', dueOn: '', reason };
    const input = { tag: record.tag, partRef: ref, basedOn: before?.version ?? 0, source };
    return run('choose-source', { ...input, donorId: `${from}/${ref}` });
  };
  const take = async (rows: readonly PartCompared[]) => {
    for (const one of rows) if (!(await takeOne(one))) return;
    onTaken();
  };
  const names = mates.map(({ name }) => name.toLowerCase()).join(', ');
  return (
    <div className="flex items-end gap-3">
      <div className="flex-1">
        <TextField label={`Why out of ${from}`} value={reason} onChange={(event) => setReason(event.target.value)} />
      </div>
      <Button verb="choose-source" disabled={isBusy || !reason.trim()} onClick={() => void take([row, ...mates])}>
        Take it {mates.length > 0 && `with its ${names} `}for {record.tag}
      </Button>
      {mates.length > 0 && (
        <Button tone="quiet" verb="choose-source" disabled={isBusy || !reason.trim()} onClick={() => void take([row])}>
          Take it alone, for the reason given
        </Button>
      )}
      <ErrorNote error={error} />
    </div>
  );
}

/** Parts of the units that came together beside each other; what the sum proposes, and the choice with a name. */
export function UnitsCompared({ view }: { readonly view: JobView }) {
  const { tag, version, lotMates, closedAt, station } = view.record;
  const canTake = closedAt === null && !['receive', 'teardown', 'clean', 'report', 'return'].includes(station);
  const [shown, setShown] = useState<UnitsShown | null>(null);
  const [isOpen, setOpen] = useState(false);
  const [asked, setAsked] = useState<string | null>(null);
  useEffect(() => {
    if (!isOpen) return;
    const abort = new AbortController();
    void getData<UnitsShown>(`/api/units/${tag}`, abort.signal).then(setShown, () => undefined);
    return () => abort.abort();
  }, [isOpen, tag, version]);
  if (!lotMates.length) return null;
  return (
    <section aria-label="Units beside each other" className="mx-6 mt-6 border-t border-ink pt-3">
      <div className="flex items-center gap-4">
        <h2 className="flex-1 font-bold">Units beside each other</h2>
        <Button aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Close' : `Compare with ${lotMates.map((mate) => mate.tag).join(', ')}`}
        </Button>
      </div>
      {isOpen && shown && (
        <table className="w-full">
          <thead>
            <tr className="border-b border-ink text-left text-13 text-quiet">
              <th className="py-1 font-normal">Part</th>
              {shown.units.map((unit) => (
                <th key={unit.tag} className="font-normal">
                  <Link href={`/jobs/${unit.tag}`} className="num font-bold text-ink underline decoration-line">
                    {unit.tag}
                  </Link>{' '}
                  unit {unit.unit}, <span className="num">{unit.serial}</span>
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.rows.map((row) => {
              const proposal = shown.proposals.find(({ ref }) => ref === row.ref);
              const choice = shown.chosen.find(({ ref }) => ref === row.ref);
              const from =
                (asked === row.ref && proposal?.tag !== tag ? proposal?.tag : undefined) ?? lotMates[0]?.tag ?? '';
              return (
                <tr key={row.ref} className="row">
                  <th scope="row" className="py-2 pr-3 text-left align-top font-semibold">
                    {row.name}
                    {row.mates.length > 0 && (
                      <span className="block text-13 font-normal text-quiet">
                        from another unit its clearance to the {row.mates.join(', ').toLowerCase()} changes
                      </span>
                    )}
                    {row.together && (
                      <span className="block text-13 font-normal text-quiet">matched: {row.together}</span>
                    )}
                    {asked === row.ref && (
                      <TakeIt
                        view={view}
                        row={row}
                        mates={shown.rows.filter(
                          (one) =>
                            one.together !== '' &&
                            one.together === row.together &&
                            one.ref !== row.ref &&
                            !shown.chosen.some(({ ref }) => ref === one.ref),
                        )}
                        from={from}
                        reason={proposal?.tag === from ? proposal.reason : ''}
                        onTaken={() => setAsked(null)}
                      />
                    )}
                  </th>
                  {shown.units.map((unit) => (
                    <Cell
                      key={unit.tag}
                      cell={row.cells[unit.tag] ?? null}
                      isProposed={proposal?.tag === unit.tag}
                      isChosen={(choice?.tag ?? tag) === unit.tag && choice !== undefined}
                    />
                  ))}
                  <td className="align-top">
                    {!choice && canTake && (
                      <Button
                        className="my-2 whitespace-nowrap"
                        onClick={() => setAsked(asked === row.ref ? null : row.ref)}
                      >
                        {asked === row.ref ? 'Leave it' : 'Take the other'}
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
