'use client';

import type { FormEvent, ReactNode } from 'react';
import type { JobRecord } from '@/core/record';
import type { InputOf, Verb } from '@/contract';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';
import { SidePanel } from '../ui/side-panel';
import { sayMoment, type JobView } from './view';

type Correcting = Extract<Verb, `correct-${'owner' | 'contact' | 'nameplate' | 'equipment-number'}`>;
interface Field {
  readonly label: string;
  readonly name: string;
  readonly value: string;
}

/** One thing that is put right: its fields as they stand, and why they were wrong. */
function CorrectionForm<V extends Correcting>({
  title,
  verb,
  fields,
  read,
}: {
  readonly title: string;
  readonly verb: V;
  readonly fields: readonly Field[];
  readonly read: (data: FormData) => InputOf<V>;
}) {
  const { run, error, isBusy } = useAct();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void run(verb, read(new FormData(event.currentTarget)));
  };
  return (
    <details className="border-b border-line">
      <summary className="min-h-12 cursor-pointer content-center">
        <b>{title}</b>{' '}
        <span className="text-13 text-quiet">
          {fields
            .map(({ value }) => value)
            .filter(Boolean)
            .join(', ')}
        </span>
      </summary>
      <form onSubmit={submit} className="space-y-3 py-2" aria-label={title}>
        {fields.map(({ label, name, value }) => (
          <TextField key={name} label={label} name={name} defaultValue={value} error={issueFor(error, name)} />
        ))}
        <TextField label="Why it was wrong" name="reason" required error={issueFor(error, 'reason')} />
        <ErrorNote error={error} />
        <Button verb={verb} type="submit" tone="main" disabled={isBusy}>
          Put it right
        </Button>
      </form>
    </details>
  );
}

function Forms({ record }: { readonly record: JobRecord }): ReactNode {
  const { tag, pump, customer, contact, intake } = record;
  const why = (data: FormData) => ({ tag, reason: textOf(data, 'reason') });
  return (
    <>
      <CorrectionForm
        title="Owner"
        verb="correct-owner"
        fields={[{ label: 'Whose pump it is', name: 'customer', value: customer.name }]}
        read={(data) => ({ ...why(data), customer: textOf(data, 'customer') })}
      />
      <CorrectionForm
        title="Contact"
        verb="correct-contact"
        fields={[
          { label: 'Name', name: 'name', value: contact?.name ?? '' },
          { label: 'Mail address', name: 'email', value: contact?.email ?? '' },
          { label: 'Telephone', name: 'phone', value: contact?.phone ?? '' },
        ]}
        read={(data) => ({
          ...why(data),
          contact: { name: textOf(data, 'name'), email: textOf(data, 'email'), phone: textOf(data, 'phone') },
        })}
      />
      <CorrectionForm
        title="Nameplate"
        verb="correct-nameplate"
        fields={[
          { label: 'Maker', name: 'maker', value: pump.maker },
          { label: 'Model', name: 'model', value: pump.model },
          { label: 'Serial number', name: 'serial', value: pump.serial },
          { label: 'Size', name: 'size', value: pump.size },
        ]}
        read={(data) => ({
          ...why(data),
          pump: {
            ...{ maker: textOf(data, 'maker'), model: textOf(data, 'model') },
            ...{ serial: textOf(data, 'serial'), size: textOf(data, 'size') },
          },
        })}
      />
      <CorrectionForm
        title="Equipment number"
        verb="correct-equipment-number"
        fields={[{ label: 'The customer’s own number', name: 'equipmentNumber', value: intake.equipmentNumber }]}
        read={(data) => ({ ...why(data), equipmentNumber: textOf(data, 'equipmentNumber') })}
      />
    </>
  );
}

/** Two customers that are one: every pump of this owner becomes the other's, with a trace on each. */
function MergeForm({ record }: { readonly record: JobRecord }) {
  const { run, error, isBusy } = useAct();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const sent = { from: record.customer.name, into: textOf(data, 'into'), reason: textOf(data, 'why') };
    void run('merge-customers', sent);
  };
  return (
    <details className="border-b border-line">
      <summary className="min-h-12 cursor-pointer content-center">
        <b>Two customers that are one</b>{' '}
        <span className="text-13 text-quiet">every pump of {record.customer.name} becomes another’s</span>
      </summary>
      <form onSubmit={submit} className="space-y-3 py-2" aria-label="Two customers that are one">
        <TextField label={`${record.customer.name} is the same as`} name="into" error={issueFor(error, 'into')} />
        <TextField label="How you know" name="why" error={issueFor(error, 'reason')} />
        <ErrorNote error={error} />
        <Button verb="merge-customers" type="submit" tone="main" disabled={isBusy}>
          Make them one
        </Button>
      </form>
    </details>
  );
}

/** What was put right so far: what it was, what it is, why, and who said so. */
function PutRightSoFar({ view }: { readonly view: JobView }) {
  const { corrections } = view.record;
  if (!corrections.length) return null;
  return (
    <ol aria-label="Put right so far" className="text-13">
      {corrections.map((one) => (
        <li key={one.number} className="row py-1 first:border-0">
          <b>
            {one.what}: {one.from || 'nothing'} → {one.to || 'nothing'}
          </b>
          . {one.reason}
          <span className="block text-quiet">
            {one.personName}, {sayMoment(one.at, view.zone)}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** What was written down wrongly when the pump came in is put right, with what it was and why. */
export function PutRight({ view }: { readonly view: JobView }) {
  const { record } = view;
  if (record.closedAt) return null;
  return (
    <SidePanel label="Put right" title={`What was written down wrongly of ${record.tag}`}>
      <div className="space-y-2">
        <Forms key={record.corrections.length} record={record} />
        <MergeForm record={record} />
        <PutRightSoFar view={view} />
      </div>
    </SidePanel>
  );
}
