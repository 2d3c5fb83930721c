import { english, type Words } from '../../words';
import type { Axis, Build, Family } from '../family';
import { withMarkup } from '../money';
import { draftLine, type DraftLine, type Rates } from './draft-line';

/** A way of building that is offered in place of the one that a pump came with. */
export interface ConversionOffer {
  readonly title: string;
  readonly parts: readonly string[];
  /** What its new parts cost the shop. */
  readonly priceMinor: number;
}

const isPacked = (choice: string) => /^pack/.test(choice);

interface Asked {
  /** The pump as it is built, and the ways of building that its file has. */
  readonly family: Pick<Family, 'parts'>;
  readonly axes: readonly Pick<Axis, 'id' | 'choices'>[];
  readonly build: Build;
  /** The same pump built otherwise; null where it cannot be built so. */
  readonly builtWith: (build: Build) => Family | null;
}

/**
 * What it takes to put a seal in the place of a packing, where a pump has one and its family can be built with a seal:
 * the first way that can be built, with the parts that come with it. Null for a pump without a packing.
 */
export function sealOffer({ family, axes, build, builtWith }: Asked): ConversionOffer | null {
  if (build.to) return null;
  const axis = axes.find(({ id, choices }) => isPacked(build.axes?.[id] ?? choices[0]?.id ?? ''));
  for (const choice of axis?.choices.filter(({ id }) => !isPacked(id)) ?? []) {
    const other = builtWith({ ...build, axes: { ...build.axes, [axis?.id ?? '']: choice.id } });
    const known = new Set(family.parts.map(({ ref }) => ref));
    const coming = other?.parts.filter(({ ref }) => !known.has(ref)) ?? [];
    if (coming.length)
      return {
        title: choice.title,
        parts: coming.map(({ name }) => name),
        priceMinor: coming.reduce((sum, { price_minor, quantity }) => sum + price_minor * quantity, 0),
      };
  }
  return null;
}

/** The line that offers it: in the repair as new, and the customer's choice. */
export function offerLine(
  { title, parts, priceMinor }: ConversionOffer,
  rates: Rates,
  { say, phrase, within }: Words = english,
): DraftLine {
  return draftLine({
    ...{ key: 'offer:seal', kind: 'part', options: ['as new'], instead: phrase('the packing stays') },
    description: say('line.seal', { title: phrase(title) }),
    plain: say('line.sealPlain', { parts: parts.map((name) => within(phrase(name))).join(', ') }),
    ...{ unitPriceMinor: withMarkup(priceMinor, rates.partsMarkupPct), unitCostMinor: priceMinor },
  });
}
