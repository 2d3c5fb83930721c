'use client';

import { useState } from 'react';
import { elastomersMet, suitableConsumables, type Step, type StepAction } from '@/core/family';
import type { SheetProps } from '../job/view';

interface Where {
  readonly action: StepAction;
  readonly step: Step;
  readonly view: SheetProps['view'];
}

export interface Chosen {
  readonly what: string;
  readonly choose: (what: string) => void;
}

const lubricated = ({ action, step, view: { family, record } }: Where) => ({
  ...{ action, step, family, elastomer: record.intake.elastomer },
});

/** What is put on: the only one that suits is chosen by itself. */
export function useConsumable(where: Where): Chosen {
  const [own, setOwn] = useState('');
  const suited = suitableConsumables(lubricated(where));
  const [only] = suited;
  return { what: own || (suited.length === 1 && only ? only.what : ''), choose: setOwn };
}

/** What may be put on or in here, by what the elastomers stand. */
export function Consumables({ chosen, ...where }: Where & { readonly chosen: Chosen }) {
  const { action } = where;
  if (!action.consumables.length) return null;
  const met = elastomersMet(lubricated(where));
  const suited = suitableConsumables(lubricated(where));
  return (
    <fieldset>
      <legend className="font-bold">
        With what{' '}
        <small className="font-normal text-quiet">{met.length ? `by what ${met.join(' and ')} stands` : ''}</small>
      </legend>
      {action.consumables.map((one) => {
        const isSuited = suited.includes(one);
        return (
          <label key={one.what} className={`flex min-h-12 items-center gap-3 ${isSuited ? '' : 'text-quiet'}`}>
            <input
              type="radio"
              name={`consumable-${action.id}`}
              className="size-6 accent-(--ink)"
              disabled={!isSuited}
              checked={chosen.what === one.what}
              onChange={() => chosen.choose(one.what)}
            />
            <span>
              <b>{one.what}</b>{' '}
              {isSuited
                ? one.use
                : `not offered: ${met.filter((elastomer) => !one.suits.includes(elastomer)).join(' and ')} swells in it`}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}
