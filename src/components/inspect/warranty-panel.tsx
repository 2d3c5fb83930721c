'use client';

import { useState } from 'react';
import { judgements, type Judgement } from '@/core/record';
import { warrantyClaim, warrantyOf, warrantyWords } from '@/core/warranty';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { sayDate, sayMoment, type JobView } from '../job/view';
import { ChoiceRow } from '../ui/choice-row';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { mayDo } from '../ui/whose';

interface Earlier {
  readonly findings: readonly { readonly what: string; readonly part: string; readonly disposition: string | null }[];
  readonly parts_fitted: readonly { readonly name: string; readonly number: string; readonly quantity: number }[];
  readonly deviations: readonly string[];
}

const shares: Readonly<Record<Judgement, string>> = { ours: '100', theirs: '0', shared: '50' };

/** The last revision of a report as data; null where it cannot be read. */
async function readEarlier(report: string): Promise<Earlier | null> {
  try {
    const response = await fetch(`/files/report/${report}/latest/json`);
    return response.ok ? ((await response.json()) as Earlier) : null;
  } catch {
    return null;
  }
}

/** What the earlier report says, to lie beside what is found now. */
function EarlierRecord({ tag, report }: { readonly tag: string; readonly report: string | null }) {
  const [earlier, setEarlier] = useState<Earlier | null>(null);
  const [isMissing, setMissing] = useState(false);
  if (!report) return <p className="text-13 text-quiet">No report was issued for {tag}.</p>;
  if (!earlier)
    return (
      <Button onClick={() => void readEarlier(report).then((found) => (found ? setEarlier(found) : setMissing(true)))}>
        {isMissing ? `Report ${report} cannot be read just now: try again` : `Lay report ${report} beside it`}
      </Button>
    );
  return (
    <div className="text-13">
      <b>
        Report {report} of {tag}
      </b>
      <p className="mt-1 font-semibold">Found then</p>
      <ul>
        {earlier.findings.map(({ what, part, disposition }) => (
          <li key={`${part} ${what}`}>
            {part}: {what}
            {disposition && ` → ${disposition}`}
          </li>
        ))}
      </ul>
      <p className="mt-1 font-semibold">Fitted then</p>
      <ul>
        {earlier.parts_fitted.map(({ name, number, quantity }) => (
          <li key={name}>
            {quantity} × {name} <span className="num text-quiet">{number}</span>
          </li>
        ))}
      </ul>
      {earlier.deviations.length > 0 && (
        <>
          <p className="mt-1 font-semibold">Not as it should be then</p>
          <ul>
            {earlier.deviations.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function Judge({ view, earlierTag }: { readonly view: JobView; readonly earlierTag: string }) {
  const sheet = warrantyOf(view.record);
  const { run, error, isBusy } = useAct();
  const { tag } = view.record;
  // A draft goes by the version that it was begun on: a judgement that somebody else kept meanwhile is shown, not hidden.
  const [{ judgement, share, reason }, change, forget] = useDraftState(`judgement.${tag}.${sheet?.version ?? 0}`, {
    judgement: sheet?.body.judgement ?? 'ours',
    share: sheet ? String(sheet.body.sharePct) : '100',
    reason: sheet?.body.reason ?? '',
  });
  const sharePct = Number(share.replace(',', '.'));
  const judge = async () => {
    const warranty = { earlierTag, judgement, sharePct, reason };
    if (await run('judge-warranty', { tag, basedOn: sheet?.version ?? 0, warranty })) forget();
  };
  return (
    <div className="space-y-2">
      <div className="mt-3 flex flex-wrap items-end gap-2">
        <ChoiceRow
          label="Whose fault it is"
          choices={judgements}
          chosen={judgement}
          onChoose={(one) => change({ judgement: one, share: shares[one] })}
        />
        <div className="w-32">
          <TextField
            label="We bear, %"
            className="num"
            value={share}
            readOnly={judgement !== 'shared'}
            error={issueFor(error, 'sharePct')}
            onChange={(event) => change({ share: event.target.value })}
          />
        </div>
      </div>
      <TextField
        label="Why, as the customer reads it"
        value={reason}
        error={issueFor(error, 'reason')}
        onChange={(event) => change({ reason: event.target.value })}
      />
      <ErrorNote error={error} />
      <Button verb="judge-warranty" disabled={isBusy} onClick={() => void judge()}>
        {sheet ? 'Judge it anew' : 'Judge it'}
      </Button>
    </div>
  );
}

/** A pump that came back within its warranty: the earlier record beside the new findings, and whose fault it is. */
export function WarrantyPanel({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const claim = warrantyClaim(record);
  if (!claim) return null;
  const sheet = warrantyOf(record);
  const isOpen = ['receive', 'teardown', 'clean', 'inspect', 'quote'].includes(record.station) && !record.closedAt;
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  return (
    <section
      id="warranty"
      aria-label="Warranty return"
      className={`space-y-3 border-l-4 bg-sheet px-4 py-3 ${sheet ? 'border-moss' : 'border-ochre'}`}
    >
      <h2 className="font-bold">
        It came back within its warranty{' '}
        <small className="font-normal text-quiet">
          of{' '}
          <a className="num underline" href={`/jobs/${claim.tag}`}>
            {claim.tag}
          </a>
          , until {sayDate(claim.warrantyUntil ?? '')}
        </small>
      </h2>
      {sheet && (
        <p>
          {warrantyWords(sheet.body)}{' '}
          <span className="text-13 text-quiet">
            {sheet.body.judgement}, by {sheet.personName}, {sayMoment(sheet.at, view.zone)}
          </span>
        </p>
      )}
      <details open={isOpen && mayDo(view.audiences, 'judge-warranty', view.person.role)}>
        <summary className="min-h-9 cursor-pointer font-semibold">The earlier record, and the judgement</summary>
        <div className="grid items-start gap-4 md:grid-cols-2">
          <EarlierRecord tag={claim.tag} report={claim.reportNumber} />
          <div className="text-13">
            <b>Found now</b>
            <ul>
              {record.findings.map(({ id, partRef, words }) => (
                <li key={id}>
                  {nameOf(partRef)}: {words}
                </li>
              ))}
              {!record.findings.length && <li className="text-quiet">nothing yet</li>}
            </ul>
          </div>
        </div>
        {isOpen && <Judge key={sheet?.version ?? 0} view={view} earlierTag={claim.tag} />}
      </details>
    </section>
  );
}
