'use client';

import { memo } from 'react';
import { get, useFormContext, useFormState, type Control } from 'react-hook-form';
import type { Family } from '@/core/family';
import { arrivals, liquidStates } from '@/core/record';
import { SelectField, TextArea, TextField } from '../ui/form';
import { Later } from '../ui/later';
import { feet, usualPieces, type IntakeText } from './intake-text';

/** The part of a form that these fields fill. */
export interface IntakeValues {
  readonly intake: IntakeText;
}

interface Props {
  readonly family: Pick<Family, 'elastomers'> | undefined;
  readonly isFixed?: boolean;
}

function useIntakeField(control: Control<IntakeValues>, isFixed: boolean) {
  const { errors } = useFormState({ control, name: 'intake' });
  return (name: Exclude<keyof IntakeText, 'shims' | 'cameWith'> | `shims.${(typeof feet)[number]}`) => {
    const error: unknown = get(errors, `intake.${name}.message`);
    return {
      ...control.register(`intake.${name}`),
      ...(typeof error === 'string' && { error }),
      ...(isFixed && { readOnly: true }),
    };
  };
}

/** Some forty fields: drawn again where something of them cannot be read, not whenever their form says something. */
const Fields = memo(function Fields({
  control,
  family,
  isFixed = false,
}: Props & { readonly control: Control<IntakeValues> }) {
  const { register } = control;
  const field = useIntakeField(control, isFixed);
  return (
    <div className="space-y-5">
      <fieldset id="why" className="grid gap-3 sm:grid-cols-2">
        <legend className="mb-2 font-bold">Why it came out</legend>
        <TextArea label="What the customer says it does" {...field('whyOut')} />
        <div className="grid grid-cols-2 gap-3">
          <TextField label="Equipment number or place" {...field('equipmentNumber')} />
          <TextField label="Running hours" inputMode="decimal" className="num" {...field('runningHours')} />
        </div>
      </fieldset>
      <fieldset id="duty" className="grid grid-cols-2 gap-3 sm:grid-cols-5">
        <legend className="mb-2 font-bold">
          Duty <small className="font-normal text-quiet">units are understood: 110 gpm, 105 ft, 5 hp</small>
        </legend>
        <TextField label="Flow, m³/h" className="num" {...field('flow')} />
        <TextField label="Head, m" className="num" {...field('head')} />
        <TextField label="Speed, rpm" className="num" {...field('speed')} />
        <TextField label="Shaft power, kW" className="num" {...field('power')} />
        <TextField label="Efficiency, %" className="num" {...field('efficiency')} />
      </fieldset>
      <fieldset id="liquid" className="grid gap-3 sm:grid-cols-2">
        <legend className="mb-2 font-bold">
          Liquid{' '}
          <small className="font-normal text-quiet">
            without its name and a declaration or a sheet there is no teardown; what nobody knows needs a residue record
          </small>
        </legend>
        <div className="grid grid-cols-2 gap-3">
          <SelectField label="What it handled is" disabled={isFixed} {...register('intake.liquidState')}>
            {liquidStates.map((state) => (
              <option key={state}>{state}</option>
            ))}
          </SelectField>
          <TextField label="The liquid it handled" {...field('liquid')} />
        </div>
        <TextField label="Hazards, from the sheet" {...field('hazards')} />
        <TextField label="As it is pumped, °C" className="num" {...field('temperature')} />
        <TextField label="Its viscosity there, mm²/s" className="num" {...field('viscosity')} />
        <SelectField label="Paper that came" disabled={isFixed} {...register('intake.cleaning')}>
          <option value="none">none yet</option>
          <option value="declaration">cleaning declaration</option>
          <option value="sheet">safety sheet of the liquid</option>
        </SelectField>
        <TextField label="Its number or date" {...field('cleaningReference')} />
        <div id="elastomer">
          <SelectField label="Elastomer of the seals" disabled={isFixed} {...register('intake.elastomer')}>
            <option value="">as usual for this construction</option>
            {family?.elastomers.map((elastomer) => (
              <option key={elastomer}>{elastomer}</option>
            ))}
          </SelectField>
        </div>
      </fieldset>
      <Later height={330}>
        <div className="space-y-5">
          <fieldset id="came-with">
            <legend className="mb-2 font-bold">How it came, and what came with it</legend>
            <div className="mb-2 grid gap-3 sm:grid-cols-2">
              <SelectField label="The pump is" disabled={isFixed} {...register('intake.arrival')}>
                {arrivals.map((arrival) => (
                  <option key={arrival}>{arrival}</option>
                ))}
              </SelectField>
              <TextField label="Shipping damage" {...field('shippingDamage')} />
            </div>
            <div className="flex flex-wrap gap-x-5">
              {usualPieces.map((piece) => (
                <label key={piece} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-6 accent-(--ink)"
                    value={piece}
                    disabled={isFixed}
                    {...register('intake.cameWith')}
                  />
                  {piece}
                </label>
              ))}
            </div>
            <div className="mt-2">
              <TextField label="Also, with commas between" {...field('alsoCameWith')} />
            </div>
          </fieldset>
          <fieldset id="shims" className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <legend className="mb-2 font-bold">
              Shim packs{' '}
              <small className="font-normal text-quiet">which foot each was under, such as 0.5 + 0.1 mm</small>
            </legend>
            {feet.map((foot) => (
              <TextField
                key={foot}
                label={foot.charAt(0).toUpperCase() + foot.slice(1)}
                className="num"
                {...field(`shims.${foot}`)}
              />
            ))}
          </fieldset>
        </div>
      </Later>
    </div>
  );
});

/** What the tag, the customer and the pallet say of a pump: duty, liquid, why it came out, what came with it. */
export function IntakeFields(props: Props) {
  const { control } = useFormContext<IntakeValues>();
  return <Fields control={control} {...props} />;
}
