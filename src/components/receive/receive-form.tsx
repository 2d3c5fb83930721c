'use client';

import { ofText } from '../ui/of-text';
import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { FormProvider, useForm, useFormContext, useWatch, type UseFormReturn } from 'react-hook-form';
import { present } from '@/core/present';
import { proposeFamily, proposeSize, type FamilyCard } from '@/core/family';
import type { Intake, JobHead } from '@/core/record';
import type { InputOf } from '@/contract';
import { act, type ActError } from '../act/act';
import { useFormDraft } from '../act/use-form-draft';
import { useHits, type Hit } from '../shell/use-hits';
import { PromiseProposal } from './promise-proposal';
import { SectionPicture } from '../signs/section-picture';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { issuesUnder, resolverOf, type ReadForm } from '../ui/form-resolver';
import { Later } from '../ui/later';
import { pictureOf, sentBuild, showBuild, usualConstruction, type Construction } from './construction';
import { ConstructionChooser } from './construction-chooser';
import { IntakeFields, type IntakeValues } from './intake-fields';
import { emptyIntake, readIntakeText, writeIntakeText } from './intake-text';
import { useCustomers, type KnownCustomer } from './use-customers';

/** What the first unit of a lot says for the next one. */
export interface LotStart {
  readonly number: string;
  readonly units: number;
  readonly sharesPromise: boolean;
  readonly promisedOn: string;
  readonly customer: string;
  readonly contact: JobHead['contact'];
  readonly maker: string;
  readonly model: string;
  readonly size: string;
  readonly familyId: string;
  readonly axes: Readonly<Record<string, string>>;
  readonly counts: Readonly<Record<string, number>>;
  readonly intake: Intake;
}

interface Draft extends IntakeValues, Construction {
  readonly isLot: boolean;
  readonly deliveryNote: string;
  readonly sharesPromise: boolean;
  readonly sharesQuote: boolean;
  readonly sharesDelivery: boolean;
  readonly customer: string;
  readonly contactName: string;
  readonly email: string;
  readonly phone: string;
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly size: string;
  readonly nameplate: string;
  readonly promisedOn: string;
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
  ...usualConstruction,
  promisedOn: '',
  intake: emptyIntake,
  ...{ isLot: false, deliveryNote: '', sharesPromise: true, sharesQuote: false, sharesDelivery: true },
};

/** The form of the next unit of a lot: what the first one says, without what is its own. */
function nextOf(lot: LotStart | null): Draft {
  if (!lot) return fresh;
  const { customer, contact, maker, model, size, familyId, axes, counts, promisedOn } = lot;
  const intake = writeIntakeText({ ...lot.intake, whyOut: '', runningHours: null, shims: [], cameWith: [] });
  return {
    ...{ ...fresh, customer, maker, model, size, familyId, axes, promisedOn, intake },
    ...{ counts: showBuild({ counts }).counts },
    ...{ contactName: contact?.name ?? '', email: contact?.email ?? '', phone: contact?.phone ?? '' },
  };
}

function useVisits(serial: string): readonly Hit[] {
  const found = useHits(serial.trim().length < 3 ? '' : serial);
  const wanted = serial.trim().toLowerCase();
  return found?.strips.filter((hit) => hit.serial.toLowerCase() === wanted) ?? [];
}

function readDraft(text: string): Draft | null {
  try {
    return { ...fresh, ...(JSON.parse(text) as Partial<Draft>) };
  } catch {
    return null;
  }
}

/** What was typed as the door wants it; the construction is filled in from what is shown when it is sent. */
function readForm(draft: Draft): ReadForm<InputOf<'receive-pump'>> {
  const { intake, issues } = readIntakeText(draft.intake);
  if (Object.keys(issues).length) return { ok: false, issues: issuesUnder('intake', issues) };
  const { customer, contactName, email, phone, maker, model, serial, size, nameplate, promisedOn } = draft;
  return {
    ok: true,
    read: {
      customer,
      contact: contactName || email ? { name: contactName, email, phone } : null,
      pump: { maker, model, serial, size, nameplate: nameplate ? { words: nameplate } : {} },
      familyId: draft.familyId,
      promisedOn,
      intake,
      lot: draft.isLot
        ? {
            deliveryNote: draft.deliveryNote,
            ...{ sharesPromise: draft.sharesPromise, sharesQuote: draft.sharesQuote },
            sharesDelivery: draft.sharesDelivery,
          }
        : null,
    },
  };
}

const unread: ActError = {
  code: 'bad-input',
  what: 'Something typed cannot be read; it is marked.',
  kept: 'All that you typed is still there.',
  todo: 'Correct the marked value.',
  issues: [],
};

type Flag = 'isLot' | 'sharesPromise' | 'sharesQuote' | 'sharesDelivery';
type PlainField = Exclude<keyof Draft, 'intake' | Flag | keyof Construction>;

/** The construction that is shown: the one chosen by hand, else the one that the plate names, else the first. */
function useConstruction(families: readonly FamilyCard[], { control, setValue }: UseFormReturn<Draft, unknown, Read>) {
  const [nameplate, model, plateSize, familyId, axes, row, counts] = useWatch({
    control,
    name: ['nameplate', 'model', 'size', 'familyId', 'axes', 'row', 'counts'],
  });
  const proposed = proposeFamily(families, `${nameplate} ${model}`);
  const family = families.find((one) => one.id === familyId) ?? proposed ?? families[0];
  const choose = (change: Construction) => {
    for (const name of ['familyId', 'axes', 'row', 'counts'] as const) setValue(name, change[name]);
  };
  const named = family && proposeSize(family, `${plateSize} ${model} ${nameplate}`);
  const construction = { familyId: family?.id ?? '', axes, row: row || (named ?? ''), counts };
  return { proposed, family, construction, choose };
}

/**
 * Fills in the contact of a customer that the shop knows, where no other one was typed: that of a customer who was named
 * before does not stay with the next one.
 */
function useContactOf(
  known: KnownCustomer | undefined,
  { getValues, setValue }: UseFormReturn<Draft, unknown, Read>,
): void {
  const filled = useRef('');
  useEffect(() => {
    const email = known?.email ?? '';
    if (!known || filled.current === email) return;
    const typed = getValues('email');
    if (typed && typed !== filled.current) return;
    filled.current = email;
    setValue('contactName', known.contactName ?? '');
    setValue('email', email);
    setValue('phone', known.phone ?? '');
  }, [known, getValues, setValue]);
}

/** Asked at entry: whether a customer who is written nearly so is meant. */
function Twins({ twins, onTake }: { readonly twins: readonly string[]; readonly onTake: (name: string) => void }) {
  if (!twins.length) return null;
  return (
    <p role="status" className="border-l-4 border-ochre pl-3 text-13 sm:order-last sm:col-span-4">
      Is it{' '}
      {twins.map((name) => (
        <button key={name} type="button" className="mr-3 min-h-8 font-semibold underline" onClick={() => onTake(name)}>
          {name}?
        </button>
      ))}
      Otherwise it is a new customer.
    </p>
  );
}

/** Whether more than one came on the same note, and what they share. */
function LotFields() {
  const { register, control } = useFormContext<Draft>();
  const isLot = useWatch({ control, name: 'isLot' });
  const shares: readonly (readonly [Flag, string])[] = [
    ['sharesPromise', 'one promise'],
    ['sharesQuote', 'quoted together'],
    ['sharesDelivery', 'delivered together'],
  ];
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Units that came together</legend>
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" className="size-6 accent-(--ink)" {...register('isLot')} />
        more than one came on this note; the next are received from the sheet of this one
      </label>
      {isLot && (
        <div className="grid gap-3 sm:grid-cols-[240px_1fr]">
          <TextField label="Delivery note" {...register('deliveryNote')} />
          <div className="flex flex-wrap items-end gap-x-5">
            {shares.map(([name, words]) => (
              <label key={name} className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-6 accent-(--ink)" {...register(name)} />
                {words}
              </label>
            ))}
          </div>
        </div>
      )}
    </fieldset>
  );
}

type Read = InputOf<'receive-pump'>;

/** Takes a failed pump in; what is typed stays on this device until the pump has its tag. */
export function ReceiveForm({
  families,
  lot = null,
  today = '',
  promise = { familyId: '', promisedOn: '' },
}: {
  readonly families: readonly FamilyCard[];
  readonly lot?: LotStart | null;
  /** The shop's day, for what the plan proposes; without it nothing is proposed. */
  readonly today?: string;
  /** What was promised on the telephone, at the promise desk. */
  readonly promise?: { readonly familyId: string; readonly promisedOn: string };
}) {
  const router = useRouter();
  const form = useForm<Draft, unknown, Read>({
    defaultValues: nextOf(lot),
    resolver: resolverOf(readForm),
  });
  const forget = useFormDraft(lot ? `receive.${lot.number}` : 'receive', form, readDraft);
  const [error, setError] = useState<ActError | null>(null);
  const serial = useWatch({ control: form.control, name: 'serial' });
  const owner = useWatch({ control: form.control, name: 'customer' });
  const visits = useVisits(serial);
  const { proposed, family, construction, choose } = useConstruction(families, form);
  useEffect(() => {
    if (promise.familyId) form.setValue('familyId', promise.familyId);
    if (promise.promisedOn) form.setValue('promisedOn', promise.promisedOn);
  }, [form, promise.familyId, promise.promisedOn]);
  const field = (name: PlainField, path: string = name) => ({
    error: issueFor(error, path),
    ...form.register(name),
  });
  const found = useCustomers(owner);
  useContactOf(
    found?.customers.find((one) => one.name.toLowerCase() === owner.trim().toLowerCase()),
    form,
  );
  const takeFrom = (visit: Hit) => {
    form.setValue('maker', visit.maker);
    form.setValue('model', visit.model);
    form.setValue('customer', visit.customer);
  };
  const send = async (read: Read) => {
    const sent = { ...read, familyId: construction.familyId, ...sentBuild(construction) };
    const answer = await act('receive-pump', lot ? { ...sent, lot: { join: lot.number } } : sent);
    if (!answer.ok) return setError(answer.error);
    forget();
    router.push(`/jobs/${answer.data.tag}`);
  };
  return (
    <FormProvider {...form}>
      <form
        onSubmit={form.handleSubmit(send, () => setError(unread))}
        className="grid gap-x-8 p-6 pb-28 lg:grid-cols-[1fr_400px]"
      >
        <div className="space-y-5">
          <h1 className="text-24 font-bold">
            {lot ? `Receive unit ${lot.units + 1} of lot ${lot.number}` : 'Receive a pump'}
          </h1>
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
            isReceiving
            families={families}
            chosen={family}
            hint={
              proposed ? `by its plate: ${proposed.short.toLowerCase()}` : 'the plate names none; choose by the drawing'
            }
            construction={construction}
            onChange={choose}
            issues={{
              familyId: issueFor(error, 'familyId'),
              axes: issueFor(error, 'axes'),
              size: issueFor(error, 'size'),
              counts: issueFor(error, 'counts'),
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
              <Button tone="quiet" onClick={() => takeFrom(present(visits[0]))}>
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
              error={issueFor(error, 'customer')}
              {...form.register('customer')}
            />
            <datalist id="customers">
              {[...new Set(found?.customers.map(({ name }) => name))].map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
            <Twins
              twins={found?.twins.filter((name) => name !== owner.trim()) ?? []}
              onTake={(name) => form.setValue('customer', name)}
            />
            <TextField label="Contact" {...field('contactName', 'contact.name')} />
            <TextField label="Mail address" type="email" {...field('email', 'contact.email')} />
            <TextField label="Telephone" {...field('phone', 'contact.phone')} />
          </fieldset>
          <Later height={1250}>
            <div className="space-y-5">
              <IntakeFields family={family} />
              {!lot && <LotFields />}
            </div>
          </Later>
        </div>
        <aside className="lg:sticky lg:top-4 lg:self-start">
          {family && (
            <>
              <p className="mb-1 font-bold">{family.title}</p>
              <p className="mb-2 text-13 text-quiet">{family.duty}</p>
              <SectionPicture src={pictureOf(family, construction)} title={`Section of ${family.title}`} />
            </>
          )}
          <div className="mt-4 space-y-3">
            {!lot && today && (
              <PromiseProposal
                familyId={construction.familyId}
                size={construction.row}
                today={today}
                onTake={(day) => form.setValue('promisedOn', day)}
              />
            )}
            <TextField label="Promised to the customer for" type="date" required {...field('promisedOn')} />
            <ErrorNote error={error} />
            <Button type="submit" tone="main" className="w-full" disabled={form.formState.isSubmitting}>
              Receive and give it a tag
            </Button>
            <p className="text-13 text-quiet">Pictures are taken on the next sheet, where the tag is printed too.</p>
          </div>
        </aside>
      </form>
    </FormProvider>
  );
}

export const ReceiveFormOfText = ofText(ReceiveForm);
