'use client';

import { present } from '@/core/present';
import { useMemo } from 'react';
import { drawSection, writeBuild, type FamilyCard } from '@/core/family';
import { Section } from '../signs/section';
import { SelectField, TextField } from '../ui/form';

export interface Construction {
  readonly familyId: string;
  readonly variant: string;
  readonly stages: string;
}

interface Props {
  readonly families: readonly FamilyCard[];
  readonly chosen: FamilyCard | undefined;
  /** How the choice was proposed, or what to go by. */
  readonly hint: string;
  readonly construction: Construction;
  readonly onChange: (construction: Construction) => void;
  readonly issues: Readonly<Record<'familyId' | 'variant' | 'stages', string | undefined>>;
}

/** The construction is chosen by its drawing: what stands on the bench is compared with what stands here. */
export function ConstructionChooser({ families, chosen, hint, construction, onChange, issues }: Props) {
  const drawings = useMemo(() => new Map(families.map((family) => [family.id, drawSection(family)])), [families]);
  return (
    <fieldset>
      <legend className="mb-2 font-bold">
        Construction <small className="font-normal text-quiet">{hint}</small>
      </legend>
      <div role="radiogroup" aria-label="Construction" className="grid grid-cols-2 gap-2 sm:grid-cols-5">
        {families.map((family) => {
          const isChosen = family === chosen;
          return (
            <label
              key={family.id}
              className={`flex min-h-[118px] cursor-pointer flex-col border-b-4 bg-sheet px-2 pt-1 focus-within:outline-2 ${isChosen ? 'border-jasper font-bold' : 'border-line'}`}
            >
              <span className="flex items-baseline gap-1 text-13">
                <input
                  type="radio"
                  name="family"
                  value={family.id}
                  checked={isChosen}
                  onChange={() => onChange({ familyId: family.id, variant: '', stages: '' })}
                  className="size-4 accent-(--ink)"
                />
                <span className="num">{family.id}</span> {family.short}
              </span>
              <span
                className="flex h-[86px] items-center justify-center overflow-hidden [&_svg]:max-h-[84px]"
                aria-hidden="true"
                inert
              >
                <Section drawing={present(drawings.get(family.id))} pins={{}} showsPins={false} title={family.title} />
              </span>
            </label>
          );
        })}
      </div>
      {issues.familyId && (
        <p role="alert" className="text-13 font-semibold text-jasper">
          {issues.familyId}
        </p>
      )}
      {chosen && (chosen.variants.length > 0 || chosen.stages) && (
        <div className="mt-3 grid gap-3 sm:grid-cols-[2fr_1fr]">
          {chosen.variants.length > 0 && (
            <SelectField
              label="Built as"
              value={construction.variant || present(chosen.variants[0]).id}
              error={issues.variant}
              onChange={(event) => onChange({ ...construction, variant: event.target.value })}
            >
              {chosen.variants.map((variant) => (
                <option key={variant.id} value={variant.id}>
                  {variant.title}: {variant.what}
                </option>
              ))}
            </SelectField>
          )}
          {chosen.stages && (
            <TextField
              label={`Stages, ${chosen.stages.least} to ${chosen.stages.most}`}
              hint={`${chosen.stages.usual} where nothing is typed`}
              inputMode="numeric"
              className="num"
              value={construction.stages}
              error={issues.stages}
              onChange={(event) => onChange({ ...construction, stages: event.target.value })}
            />
          )}
        </div>
      )}
    </fieldset>
  );
}

/**
 * The family as it would be drawn with the variant and stages chosen so far; stages out of range are drawn as usual.
 */
export function drawChosen(family: FamilyCard, { variant, stages }: Construction) {
  const count = Number(stages);
  const isCount =
    family.stages && Number.isInteger(count) && count >= family.stages.least && count <= family.stages.most;
  const own = variant || family.variants[0]?.id;
  const bodies = family.section.bodies.filter(
    (body) => !body.variants || (own !== undefined && body.variants.includes(own)),
  );
  return drawSection({
    ...family,
    version: writeBuild(family.version, isCount ? { stages: count } : {}),
    section: { ...family.section, bodies },
  });
}
