'use client';

import type { FamilyCard } from '@/core/family';
import { SectionPicture } from '../signs/section-picture';
import { BuildFields } from './build-fields';
import { pictureOf, usualConstruction, type Construction } from './construction';

interface Props {
  readonly families: readonly FamilyCard[];
  readonly chosen: FamilyCard | undefined;
  /** How the choice was proposed, or what to go by. */
  readonly hint: string;
  readonly construction: Construction;
  readonly onChange: (construction: Construction) => void;
  readonly isReceiving?: boolean;
  readonly issues: Readonly<Record<'familyId' | 'axes' | 'size' | 'counts', string | undefined>>;
}

/** The construction is chosen by its drawing: what stands on the bench is compared with what stands here. */
export function ConstructionChooser({
  families,
  chosen,
  hint,
  construction,
  onChange,
  issues,
  isReceiving = false,
}: Props) {
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
                  onChange={() => onChange({ familyId: family.id, ...usualConstruction })}
                  className="size-4 accent-(--ink)"
                />
                <span className="num">{family.id}</span> {family.short}
              </span>
              <span className="flex h-[86px] items-center justify-center pb-1.5" aria-hidden="true" inert>
                <SectionPicture src={pictureOf(family)} title="" className="size-full object-contain" />
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
      {chosen && (
        <BuildFields
          family={chosen}
          construction={construction}
          onChange={onChange}
          issues={issues}
          isReceiving={isReceiving}
        />
      )}
    </fieldset>
  );
}
