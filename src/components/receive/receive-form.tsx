'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { proposeFamily, type FamilyCard } from '@/core/family';
import type { InputOf } from '@/contract';
import { act, type ActError } from '../act/act';
import { useDraft } from '../act/use-draft';
import { useHits, type Hit } from '../shell/use-hits';
import { Section } from '../signs/section';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { ConstructionChooser, drawChosen } from './construction-chooser';
import { IntakeFields } from './intake-fields';
import { emptyIntake, readIntakeText, type IntakeText } from './intake-text';

export interface KnownCustomer {
  readonly id: string;
  readonly name: string;
  readonly contactName: string | null;
  readonly email: string | null;
  readonly phone: string | null;
}

interface Draft {
  readonly customer: string;
  readonly contactName: string;
  readonly email: string;
  readonly phone: string;
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly size: string;
  readonly nameplate: string;
  readonly familyId: string;
  readonly variant: string;
  readonly stages: string;
  readonly promisedOn: string;
  readonly intake: IntakeText;
}

const fresh: Draft = {
  customer: '',
  contactName: '',
  email: '',
  phone: '',
  maker: '',
  model: '',
  serial: '',
  size: '',
  nameplate: '',
  familyId: '',
  variant: '',
  stages: '',
  promisedOn: '',
  intake: emptyIntake,
};

function useVisits(serial: string): readonly Hit[] {
  const hits = useHits(serial.trim().length < 3 ? '' : serial);
  const wanted = serial.trim().toLowerCase();
  return hits?.filter((hit) => hit.serial.toLowerCase() === wanted) ?? [];
}

function readDraft(text: string): Draft {
  try {
    return { ...fresh, ...(JSON.parse(text) as Partial<Draft>) };
  } catch {
    return fresh;
  }
}

const inputOf = (
  draft: Draft,
  intake: InputOf<'receive-pump'>['intake'],
  familyId: string,
): InputOf<'receive-pump'> => ({
  customer: draft.customer,
  contact:
    draft.contactName || draft.email ? { name: draft.contactName, email: draft.email, phone: draft.phone } : null,
  pump: {
    maker: draft.maker,
    model: draft.model,
    serial: draft.serial,
    size: draft.size,
    nameplate: draft.nameplate ? { words: draft.nameplate } : {},
  },
  familyId,
  ...(draft.variant && { variant: draft.variant }),
  ...(draft.stages.trim() && { stages: Number(draft.stages) }),
  promisedOn: draft.promisedOn,
  intake,
});

/** Takes a failed pump in; what is typed stays on this device until the pump has its tag. */
export function ReceiveForm({
  customers,
  families,
}: {
  readonly customers: readonly KnownCustomer[];
  readonly families: readonly FamilyCard[];
}) {
  const router = useRouter();
  const [text, setText] = useDraft('receive', JSON.stringify(fresh));
  const draft = readDraft(text);
  const set = (change: Partial<Draft>) => setText(JSON.stringify({ ...draft, ...change }));
  const [error, setError] = useState<ActError | null>(null);
  const [issues, setIssues] = useState<Readonly<Record<string, string>>>({});
  const [isBusy, setBusy] = useState(false);
  const visits = useVisits(draft.serial);
  const proposed = proposeFamily(families, `${draft.nameplate} ${draft.model}`);
  const family = families.find((one) => one.id === draft.familyId) ?? proposed ?? families[0];
  const construction = { familyId: family?.id ?? '', variant: draft.variant, stages: draft.stages };
  const field = (
    key:
      | 'customer'
      | 'contactName'
      | 'email'
      | 'phone'
      | 'maker'
      | 'model'
      | 'serial'
      | 'size'
      | 'nameplate'
      | 'promisedOn',
    path: string = key,
  ) => ({
    value: draft[key],
    error: issueFor(error, path),
    onChange: (event: { target: { value: string } }) => set({ [key]: event.target.value }),
  });
  const ownerNamed = (name: string): Partial<Draft> => {
    const known = customers.find((one) => one.name.toLowerCase() === name.toLowerCase());
    return {
      customer: name,
      ...(known?.email && { contactName: known.contactName ?? '', email: known.email, phone: known.phone ?? '' }),
    };
  };
  const chooseCustomer = (name: string) => set(ownerNamed(name));
  // One change: a second one would be made from the draft as it was before the first.
  const takeFrom = (visit: Hit | undefined) =>
    visit && set({ maker: visit.maker, model: visit.model, ...ownerNamed(visit.customer) });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const read = readIntakeText(draft.intake);
    setIssues(read.issues);
    if (Object.keys(read.issues).length)
      return setError({
        code: 'bad-input',
        what: 'Something typed cannot be read; it is marked below.',
        kept: 'All that you typed is still there.',
        todo: 'Correct the marked value.',
        issues: [],
      });
    setBusy(true);
    const answer = await act('receive-pump', inputOf(draft, read.intake, family?.id ?? ''));
    setBusy(false);
    if (answer.ok) {
      setText(null);
      router.push(`/jobs/${answer.data.tag}`);
    } else setError(answer.error);
  };
  return (
    <form onSubmit={submit} className="grid gap-x-8 p-6 pb-28 lg:grid-cols-[1fr_400px]">
      <div className="space-y-5">
        <h1 className="text-24 font-bold">Receive a pump</h1>
        <fieldset className="grid gap-3 sm:grid-cols-4">
          <legend className="mb-2 font-bold">Nameplate</legend>
          <TextField label="Serial number" required className="num" {...field('serial', 'pump.serial')} />
          <TextField label="Maker" required {...field('maker', 'pump.maker')} />
          <TextField label="Model" required {...field('model', 'pump.model')} />
          <TextField label="Size" {...field('size', 'pump.size')} />
          <div className="sm:col-span-2">
            <TextField label="Other words on the plate" {...field('nameplate', 'pump.nameplate')} />
          </div>
        </fieldset>
        <ConstructionChooser
          families={families}
          chosen={family}
          hint={
            proposed ? `by its plate: ${proposed.short.toLowerCase()}` : 'the plate names none; choose by the drawing'
          }
          construction={construction}
          onChange={(change) => set(change)}
          issues={{
            familyId: issueFor(error, 'familyId'),
            variant: issueFor(error, 'variant'),
            stages: issueFor(error, 'stages'),
          }}
        />
        {visits.length > 0 && (
          <section aria-label="Earlier visits" role="status" className="border-l-4 border-lake bg-sheet px-3 py-2">
            <b>This serial number was here before.</b>
            <ul>
              {visits.map((visit) => (
                <li key={visit.tag} className="flex flex-wrap items-center gap-x-3">
                  <Link href={`/jobs/${visit.tag}`} className="num min-h-8 font-semibold underline">
                    {visit.tag}
                  </Link>
                  <span className="flex-1 text-13">{visit.answer}</span>
                </li>
              ))}
            </ul>
            <Button tone="quiet" onClick={() => takeFrom(visits[0])}>
              Take maker, model and owner from there
            </Button>
          </section>
        )}
        <fieldset className="grid gap-3 sm:grid-cols-4">
          <legend className="mb-2 font-bold">Owner</legend>
          <TextField
            label="Customer"
            required
            list="customers"
            value={draft.customer}
            error={issueFor(error, 'customer')}
            onChange={(event) => chooseCustomer(event.target.value)}
          />
          <datalist id="customers">
            {customers.map((customer) => (
              <option key={customer.id + (customer.email ?? '')} value={customer.name} />
            ))}
          </datalist>
          <TextField label="Contact" {...field('contactName', 'contact.name')} />
          <TextField label="Mail address" type="email" {...field('email', 'contact.email')} />
          <TextField label="Telephone" {...field('phone', 'contact.phone')} />
        </fieldset>
        <IntakeFields text={draft.intake} issues={issues} family={family} onChange={(intake) => set({ intake })} />
      </div>
      <aside className="lg:sticky lg:top-4 lg:self-start">
        {family && (
          <>
            <p className="mb-1 font-bold">{family.title}</p>
            <p className="mb-2 text-13 text-quiet">{family.duty}</p>
            <Section
              drawing={drawChosen(family, construction)}
              pins={{}}
              showsPins={false}
              title={`Section of ${family.title}`}
            />
          </>
        )}
        <div className="mt-4 space-y-3">
          <TextField label="Promised to the customer for" type="date" required {...field('promisedOn')} />
          <ErrorNote error={error} />
          <Button type="submit" tone="main" className="w-full" disabled={isBusy}>
            Receive and give it a tag
          </Button>
          <p className="text-13 text-quiet">Pictures are taken on the next sheet, where the tag is printed too.</p>
        </div>
      </aside>
    </form>
  );
}
