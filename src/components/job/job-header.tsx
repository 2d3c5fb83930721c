'use client';

import { Link } from '../ui/link';
import { useState, type FormEvent } from 'react';
import { sayAsk } from '@/core/lifecycle';
import { holderNames, holders, type Station } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { oneOf, textOf } from '../ui/form-data';
import { SidePanel } from '../ui/side-panel';
import { evaluationOf } from '@/core/evaluation';
import { PoliciesPanel } from './policies-panel';
import { EvaluationPanel } from './evaluation-panel';
import { FoundLater } from './found-later';
import { JobStream } from './job-stream';
import { PutRight } from './put-right';
import { RecordDrawer } from './record-drawer';
import { sayDate, sayMoment, stationHref, type JobView } from './view';
import { WayBack } from './way-back';
import { WorkedPanel } from './worked-panel';

function visitsOf({ record }: JobView): string {
  const [last] = record.earlierVisits;
  if (!last) return 'first visit';
  const ordinals = ['', 'second', 'third', 'fourth', 'fifth', 'sixth'];
  const count = record.earlierVisits.length;
  return `${ordinals[count] ?? `${count + 1}th`} visit · last ${sayDate(last.openedAt)}, ${last.tag}`;
}

function HoldForm({ view }: { readonly view: JobView }) {
  const { run, error, isBusy } = useAct();
  const { record } = view;
  if (record.hold)
    return (
      <div className="space-y-3">
        <p>
          On hold until <b>{sayDate(record.hold.until)}</b>, with {holderNames[record.hold.holder]}:{' '}
          {record.hold.reason}
        </p>
        <ErrorNote error={error} />
        <Button verb="resume-job" tone="main" disabled={isBusy} onClick={() => run('resume-job', { tag: record.tag })}>
          Take up again
        </Button>
      </div>
    );
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    void run('hold-job', {
      tag: record.tag,
      reason: textOf(data, 'reason'),
      until: textOf(data, 'until'),
      holder: oneOf(holders, textOf(data, 'holder')),
    });
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      <p className="text-13 text-quiet">
        Everything recorded stays; the job goes on from here when it is taken up again.
      </p>
      <TextField label="Why" name="reason" required error={issueFor(error, 'reason')} />
      <TextField label="Until" name="until" type="date" required min={view.today} error={issueFor(error, 'until')} />
      <SelectField label="Who holds it meanwhile" name="holder" defaultValue="C">
        {holders.map((holder) => (
          <option key={holder} value={holder}>
            {holderNames[holder]}
          </option>
        ))}
      </SelectField>
      <ErrorNote error={error} />
      <Button verb="hold-job" type="submit" tone="main" disabled={isBusy}>
        Put on hold
      </Button>
    </form>
  );
}

/** What was promised so far: each move with its reason, and whether the customer was written to. */
function PromiseMoves({ view }: { readonly view: JobView }) {
  const { promises } = view.record;
  if (!promises.length) return null;
  return (
    <ol aria-label="Moved so far" className="border-t border-line pt-2 text-13">
      {promises.map((move) => (
        <li key={move.number} className="row py-1 first:border-0">
          <b>
            {sayDate(move.from)} → {sayDate(move.to)}
          </b>
          : {move.reason}
          <span className="block text-quiet">
            {move.personName}, {sayMoment(move.at, view.zone)};{' '}
            {move.toldTo === null ? 'nobody was written to' : `a mail to ${move.toldTo}`}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** Another day for the customer: beside the range in which the pump will be ready, with its reason. */
function PromiseForm({ view }: { readonly view: JobView }) {
  const { run, error, isBusy } = useAct();
  const { record } = view;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    void run('move-promise', {
      ...{ tag: record.tag, from: record.promisedOn },
      ...{ to: textOf(data, 'to'), reason: textOf(data, 'reason'), tell: data.get('tell') === 'on' },
    });
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      <p>
        Promised for <b>{sayDate(record.promisedOn)}</b>. {view.answer}
      </p>
      {view.planned && (
        <p>
          Of 100 courses that it may take, {view.planned.keptPct} keep the promise. What limits it most:{' '}
          <b>{view.planned.limit}</b>.
        </p>
      )}
      <TextField label="Promise it for" name="to" type="date" required min={view.today} error={issueFor(error, 'to')} />
      <TextField label="Why, as the customer reads it" name="reason" required error={issueFor(error, 'reason')} />
      {record.contact?.email ? (
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" name="tell" defaultChecked className="size-5" />
          Write to {record.contact.name}, {record.contact.email}
        </label>
      ) : (
        <p className="text-13 text-quiet">No mail address is known: telephone.</p>
      )}
      <ErrorNote error={error} />
      <Button verb="move-promise" type="submit" tone="main" disabled={isBusy}>
        Move the promise
      </Button>
      <PromiseMoves view={view} />
    </form>
  );
}

/** Reading the answer out, and the tag to hang up. */
function AnswerActions({ view }: { readonly view: JobView }) {
  const { record } = view;
  const [said, setSaid] = useState(false);
  const copy = () =>
    navigator.clipboard?.writeText(view.answer).then(
      () => setSaid(true),
      () => undefined,
    );
  return (
    <>
      <button type="button" onClick={copy} className="min-h-8 rounded border border-line px-2 text-13">
        {said ? 'copied' : 'copy'}
      </button>
      <a
        href={`/files/tag/${record.tag}`}
        target="_blank"
        className="inline-flex min-h-8 items-center rounded border border-line px-2 text-13"
      >
        Tag
      </a>
    </>
  );
}

/** Ways back and sideways: back a station, putting right, the promise, the hold, the record. */
function JobActions({ view }: { readonly view: JobView }) {
  const { record } = view;
  return (
    <>
      <WayBack record={record} />
      {(evaluationOf(record) !== null || !record.closedAt) && (
        <SidePanel label="First look" title={`First look at ${record.tag}`}>
          <EvaluationPanel view={view} />
        </SidePanel>
      )}
      <SidePanel label="Ways" title={`Ways that ${record.tag} follows`}>
        <PoliciesPanel view={view} />
      </SidePanel>
      <PutRight view={view} />
      {!record.closedAt && (
        <SidePanel label="Promise" title={`What is promised for ${record.tag}`}>
          <PromiseForm key={record.promisedOn} view={view} />
        </SidePanel>
      )}
      {!record.closedAt && (
        <SidePanel
          label={record.hold ? 'On hold' : 'Hold'}
          title={record.hold ? `${record.tag} is on hold` : `Put ${record.tag} on hold`}
        >
          <HoldForm key={String(record.hold === null)} view={view} />
        </SidePanel>
      )}
      <SidePanel label="Hours" title={`Hours of ${record.tag}`}>
        <WorkedPanel view={view} />
      </SidePanel>
      <SidePanel label="Record" title={`Record of ${record.tag}`}>
        <RecordDrawer tag={record.tag} zone={view.zone} />
      </SidePanel>
    </>
  );
}

/** What is done with a job from any of its pages. */
function HeaderActions({ view }: { readonly view: JobView }) {
  return (
    <span className="flex flex-wrap gap-2">
      <AnswerActions view={view} />
      <FoundLater view={view} />
      <JobActions view={view} />
    </span>
  );
}

/** The same where the bench needs the width: what is seldom wanted there opens beneath “More”. */
function BenchActions({ view }: { readonly view: JobView }) {
  return (
    <span className="relative flex gap-2">
      <AnswerActions view={view} />
      <FoundLater view={view} />
      <details className="text-13">
        <summary className="flex min-h-8 cursor-pointer list-none items-center rounded border border-line px-2">
          More
        </summary>
        <span className="absolute right-0 z-30 mt-1 flex flex-wrap gap-2 border border-ink bg-paper p-2">
          <JobActions view={view} />
        </span>
      </details>
    </span>
  );
}

/** What is open beside the station, each leading to its place: a supplement, a question, what was declined. */
function OpenAsks({ view }: { readonly view: JobView }) {
  const { record, standing } = view;
  const shown = standing.asks.map((ask) => sayAsk(ask, record.quotes[0]?.currency ?? 'EUR'));
  if (!shown.length) return null;
  return (
    <p className="flex flex-wrap gap-x-4 text-13">
      {shown.map(({ words, station, anchor }) => (
        <Link
          key={words}
          href={stationHref(record, station, anchor)}
          className="border-l-4 border-ochre pl-2 font-semibold underline"
        >
          {words}
        </Link>
      ))}
    </p>
  );
}

/** The same in two lines, with the stream beside it: the bench needs the height for its work. */
export function CompactHeader({ view, shown }: { readonly view: JobView; readonly shown: Station }) {
  const { record } = view;
  return (
    <section
      aria-label="Job"
      className="flex flex-wrap items-center gap-x-4 border-b border-ink px-4 py-1 lg:flex-nowrap"
    >
      <div className="min-w-0 flex-1 basis-[320px]">
        <p className="flex items-baseline gap-x-3 truncate">
          <b className="num text-18">{record.tag}</b>
          <span className="truncate">
            {record.pump.maker} {record.pump.model} · {record.customer.name}
            {record.intake.equipmentNumber && `, ${record.intake.equipmentNumber}`}
          </span>
        </p>
        <h1 className="truncate text-13 font-normal text-quiet" title={view.answer}>
          {view.answer}
        </h1>
        <OpenAsks view={view} />
      </div>
      <div className="w-[480px] max-w-full shrink-0">
        <JobStream record={record} shown={shown} isCompact />
      </div>
      <BenchActions view={view} />
    </section>
  );
}

/** Who holds it, since when, for what: first on every page of a job. */
export function JobHeader({ view }: { readonly view: JobView }) {
  const { record } = view;
  return (
    <section aria-label="Job" className="border-b border-line px-6 py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="num text-24 font-bold">{record.tag}</h1>
        <p>
          {record.pump.maker} {record.pump.model}, serial <span className="num">{record.pump.serial}</span> ·{' '}
          <Link href={`/customers/${record.customer.id}`} className="underline">
            {record.customer.name}
          </Link>
          {record.intake.equipmentNumber && `, ${record.intake.equipmentNumber}`}
        </p>
        <p className="ml-auto text-13 text-quiet">
          <Link href={`/pumps/${record.tag}`} className="underline">
            {visitsOf(view)}
          </Link>
        </p>
      </div>
      <div className="mt-1 flex flex-wrap items-start gap-x-3 gap-y-1">
        <p className="min-w-[280px] flex-1">{view.answer}</p>
        <HeaderActions view={view} />
      </div>
      <OpenAsks view={view} />
    </section>
  );
}
