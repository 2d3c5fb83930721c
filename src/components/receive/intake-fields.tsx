'use client';

import type { Family } from '@/core/family';
import { SelectField, TextArea, TextField } from '../ui/form';
import { feet, usualPieces, type IntakeText } from './intake-text';

interface Props {
  readonly text: IntakeText;
  readonly onChange: (text: IntakeText) => void;
  readonly issues: Readonly<Record<string, string>>;
  readonly family: Pick<Family, 'elastomers'> | undefined;
  readonly isFixed?: boolean;
}

/** What the tag, the customer and the pallet say of a pump: duty, liquid, why it came out, what came with it. */
export function IntakeFields({ text, onChange, issues, family, isFixed = false }: Props) {
  const field = <Key extends keyof IntakeText>(key: Key) => ({
    value: text[key] as string,
    error: issues[key],
    readOnly: isFixed,
    onChange: (event: { target: { value: string } }) => onChange({ ...text, [key]: event.target.value }),
  });
  const toggle = (piece: string, isHere: boolean) =>
    onChange({ ...text, cameWith: isHere ? [...text.cameWith, piece] : text.cameWith.filter((one) => one !== piece) });
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
            without its name and a declaration or a sheet there is no teardown
          </small>
        </legend>
        <TextField label="The liquid it handled" {...field('liquid')} />
        <TextField label="Hazards, from the sheet" {...field('hazards')} />
        <SelectField
          label="Paper that came"
          value={text.cleaning}
          disabled={isFixed}
          onChange={(event) => onChange({ ...text, cleaning: event.target.value as IntakeText['cleaning'] })}
        >
          <option value="none">none yet</option>
          <option value="declaration">cleaning declaration</option>
          <option value="sheet">safety sheet of the liquid</option>
        </SelectField>
        <TextField label="Its number or date" {...field('cleaningReference')} />
        <div id="elastomer">
          <SelectField
            label="Elastomer of the seals"
            value={text.elastomer}
            disabled={isFixed}
            onChange={(event) => onChange({ ...text, elastomer: event.target.value })}
          >
            <option value="">as usual for this construction</option>
            {family?.elastomers.map((elastomer) => (
              <option key={elastomer}>{elastomer}</option>
            ))}
          </SelectField>
        </div>
      </fieldset>
      <fieldset id="came-with">
        <legend className="mb-2 font-bold">What came with it</legend>
        <div className="flex flex-wrap gap-x-5">
          {usualPieces.map((piece) => (
            <label key={piece} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--ink)"
                disabled={isFixed}
                checked={text.cameWith.includes(piece)}
                onChange={(event) => toggle(piece, event.target.checked)}
              />
              {piece}
            </label>
          ))}
        </div>
        <div className="mt-2 grid gap-3 sm:grid-cols-2">
          <TextField label="Also, with commas between" {...field('alsoCameWith')} />
          <TextField label="Shipping damage" {...field('shippingDamage')} />
        </div>
      </fieldset>
      <fieldset id="shims" className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <legend className="mb-2 font-bold">
          Shim packs <small className="font-normal text-quiet">which foot each was under, such as 0.5 + 0.1 mm</small>
        </legend>
        {feet.map((foot) => (
          <TextField
            key={foot}
            label={foot.charAt(0).toUpperCase() + foot.slice(1)}
            className="num"
            readOnly={isFixed}
            value={text.shims[foot] ?? ''}
            onChange={(event) => onChange({ ...text, shims: { ...text.shims, [foot]: event.target.value } })}
          />
        ))}
      </fieldset>
    </div>
  );
}
