import type { Family } from '../family';
import { hoursOf, withMarkup } from '../money';
import { present } from '../present';
import { optionLevels, sheetsOf, type Finding, type JobRecord } from '../record';
import { proposeScope, type ScopeItem } from '../scope';
import { bundleParts, type Bundle } from './bundle-parts';
import { madeOf, sourceOf } from '../supply';
import { buyingKey, fittingKey, freightKey, materialKey, outsideKey } from './line-keys';
import { asSentence, draftLine, sentencesOf, type DraftLine, type Rates } from './draft-line';

interface Asked {
  readonly family: Family;
  readonly record: Pick<JobRecord, 'findings' | 'parts' | 'readings' | 'looks' | 'sheets'>;
  readonly rates: Rates;
}
/** What an item offers, and what its lines are made with. */
interface Pricing extends Asked {
  readonly scope: readonly ScopeItem[];
}

const partOf = ({ parts }: Family, ref: string | null) => parts.find((part) => part.ref === ref);
const nameOf = (family: Family, ref: string | null) => partOf(family, ref)?.name.toLowerCase() ?? ref ?? '';
/** Names one after the other; with semicolons where a name has a comma of its own. */
const listOf = (names: readonly string[]) => names.join(names.some((name) => name.includes(',')) ? '; ' : ', ');

const findingsOf = ({ record }: Asked, { findingIds }: Pick<ScopeItem, 'findingIds'>): readonly Finding[] =>
  record.findings.filter(({ id }) => findingIds.includes(id));

const cameWords = {
  'came broken': 'It came broken',
  'came missing': 'It was missing when the pump came',
  'given away': 'It went into another pump',
} as const;
const isCame = (policy: ScopeItem['policy']): policy is keyof typeof cameWords =>
  policy !== null && policy in cameWords;

/** Why an item stands on its line, for the customer. */
function plainOf(asked: Asked, item: ScopeItem): string {
  const found = sentencesOf(findingsOf(asked, item));
  if (isCame(item.policy))
    return [asSentence(`${cameWords[item.policy]}${item.reason ? `: ${item.reason}` : ''}`), found]
      .filter(Boolean)
      .join(' ');
  if (item.policy === 'as new')
    return `${asSentence(partOf(asked.family, item.partRef)?.plain ?? '')} It would be new instead of ${item.reason}.`.trim();
  return found;
}

/** Options as a line keeps them: none named where it stands in all. */
const namedOptions = ({ levels }: ScopeItem) => (levels.length === optionLevels.length ? [] : levels);

const shared = (asked: Asked, item: ScopeItem) => ({
  ...{ itemKeys: [item.key], findingIds: item.findingIds, options: namedOptions(item), instead: item.instead },
  ...{ plain: plainOf(asked, item), critical: item.critical },
});

/** A part that the customer brings, all of it. */
function isCustomers({ record, family }: Asked, ref: string | null): boolean {
  const chosen = ref === null ? undefined : sourceOf(record, ref)?.body;
  return chosen?.source === 'customer' && chosen.count >= (partOf(family, ref)?.quantity ?? 1);
}

/** A part that the customer brings costs nothing, and has no warranty from the shop. */
function customersLine(asked: Asked, item: ScopeItem): DraftLine {
  const part = present(partOf(asked.family, item.partRef));
  return draftLine({
    ...shared(asked, item),
    ...{ key: item.key, kind: 'part', description: `${part.name}, ${part.number}: your own` },
    plain: [plainOf(asked, item), 'You bring this part yourself; we look at it, and it has no warranty from us.']
      .filter(Boolean)
      .join(' '),
    ...{ quantity: part.quantity, unitPriceMinor: 0, unitCostMinor: 0, parts: item.parts },
  });
}

function partLine(asked: Asked, item: ScopeItem): DraftLine {
  if (isCustomers(asked, item.partRef)) return customersLine(asked, item);
  const part = present(partOf(asked.family, item.partRef));
  return draftLine({
    ...shared(asked, item),
    ...{ key: item.key, kind: 'part', description: `${part.name}, ${part.number}`, quantity: part.quantity },
    unitPriceMinor: withMarkup(part.price_minor, asked.rates.partsMarkupPct),
    unitCostMinor: part.price_minor,
    parts: item.parts,
  });
}

function workLines(asked: Asked, item: ScopeItem): readonly DraftLine[] {
  const { rates, family } = asked;
  const isFitted = item.parts.length > 0;
  return item.work.map(({ title, minutes, workCentre }) => {
    const kind = item.action === 'make' ? 'made' : workCentre === 'machines' ? 'machining' : 'labour';
    return draftLine({
      ...shared(asked, item),
      ...(isFitted && { plain: `Needed to fit the new ${nameOf(family, present(item.partRef))}.` }),
      ...{ key: isFitted ? fittingKey(item.key) : item.key, kind, description: title },
      ...{ quantity: hoursOf(minutes), unit: 'h', unitCostMinor: rates.wageMinorPerHour },
      unitPriceMinor: workCentre === 'machines' ? rates.machiningMinorPerHour : rates.labourMinorPerHour,
    });
  });
}

/** What a part that the shop makes is made of, where its sketch says what that costs. */
function materialLine(asked: Asked, item: ScopeItem): readonly DraftLine[] {
  const made = item.action === 'make' && item.partRef ? madeOf(asked.record, item.partRef)?.body : undefined;
  if (!made?.materialMinor) return [];
  return [
    draftLine({
      ...shared(asked, item),
      ...{
        key: materialKey(item.key),
        kind: 'made',
        description: `Material for ${nameOf(asked.family, item.partRef)}`,
      },
      plain: made.material && asSentence(made.material),
      unitPriceMinor: withMarkup(made.materialMinor, asked.rates.partsMarkupPct),
      unitCostMinor: made.materialMinor,
    }),
  ];
}

/** Lines of one item: bought new with its fitting, or worked on. */
const linesOf = (asked: Asked, item: ScopeItem): readonly DraftLine[] => [
  ...(item.parts.length ? [partLine(asked, item)] : []),
  ...workLines(asked, item),
  ...materialLine(asked, item),
];

/** Items that a kit may give: what is always renewed, and what comes with a conversion. */
const isBundled = ({ policy }: ScopeItem) => policy === 'always new' || policy === 'conversion';
/** Items that cost something and are no standing work. */
const isOwn = (item: ScopeItem) =>
  !isBundled(item) && item.policy !== 'every repair' && item.action !== 'keep' && item.action !== 'clean';

/** Parts that leave by a conversion, named. */
const leavingOf = (family: Family) =>
  listOf(family.parts.filter(({ converted }) => converted === 'leaves').map(({ ref }) => nameOf(family, ref)));

function bundleLine(pricing: Pricing, bundle: Bundle): DraftLine {
  const { family, rates, scope } = pricing;
  const items = scope.filter((item) => isBundled(item) && bundle.parts.some(({ ref }) => ref === item.partRef));
  const coming = new Set(items.filter(({ action }) => action === 'add').map(({ partRef }) => partRef));
  const names = (isComing: boolean) =>
    listOf([
      ...new Set(bundle.parts.filter(({ ref }) => coming.has(ref) === isComing).map(({ ref }) => nameOf(family, ref))),
    ]);
  const [renewed, added, leaving] = [names(false), names(true), leavingOf(family)];
  const plain = [
    added && `Comes with the conversion: ${added}.${leaving && ` In place of: ${leaving}.`}`,
    renewed && `Seals, bearings and gaskets that are always renewed: ${renewed}.`,
    sentencesOf(items.flatMap((item) => findingsOf(pricing, item))),
  ];
  return draftLine({
    ...{ key: buyingKey(bundle.id), itemKeys: items.map(({ key }) => key), kind: 'part', declinable: false },
    description: renewed ? bundle.title : `Conversion: ${bundle.title}`,
    plain: plain.filter(Boolean).join(' '),
    unitPriceMinor: withMarkup(bundle.priceMinor, rates.partsMarkupPct),
    unitCostMinor: bundle.priceMinor,
    parts: bundle.parts,
    findingIds: items.flatMap(({ findingIds }) => findingIds),
  });
}

/** What is always renewed and what comes with a conversion, as kits where cheaper; a finding on one of them stands there. */
function bundleLines(pricing: Pricing): readonly DraftLine[] {
  const bundled = pricing.scope.filter(isBundled);
  const needed = bundled.filter(({ partRef }) => !isCustomers(pricing, partRef)).flatMap(({ parts }) => parts);
  const bundles = bundleParts(pricing.family, new Map(needed.map(({ ref, qty }) => [ref, qty])));
  const brought = bundled.filter(({ partRef, parts }) => parts.length > 0 && isCustomers(pricing, partRef));
  return [
    ...bundles.map((bundle) => bundleLine(pricing, bundle)),
    ...brought.map((item) => ({ ...customersLine(pricing, item), declinable: false })),
  ];
}

/** Work that is given to another shop, at what it asks and the shop's mark-up; nothing where no price is known. */
function outsideLines({ record, family, rates }: Pricing): readonly DraftLine[] {
  return sheetsOf(record, 'outside').flatMap(({ key, body: { work, what, parts, priceMinor } }) => {
    if (!priceMinor) return [];
    const names = listOf(parts.map((ref) => nameOf(family, ref)));
    return [
      draftLine({
        ...{ key: outsideKey(key), kind: 'outside', description: `Outside work, ${work}: ${names}` },
        plain: asSentence(what),
        ...{ unitPriceMinor: withMarkup(priceMinor, rates.partsMarkupPct), unitCostMinor: priceMinor },
      }),
    ];
  });
}

const isStand = ({ work }: ScopeItem) => work.some(({ workCentre }) => workCentre === 'stand');
const standing = ({ scope }: Pricing) => scope.filter(({ policy }) => policy === 'every repair');

/** The family's standing work, but for the test, which has a price of its own. */
function labourLines(pricing: Pricing): readonly DraftLine[] {
  const { family, rates } = pricing;
  const stationOf = (key: string) => family.labour.find(({ id }) => `work:${id}` === key)?.station ?? '';
  return standing(pricing)
    .filter((item) => !isStand(item))
    .flatMap((item) =>
      item.work.map(({ title, minutes }) =>
        draftLine({
          ...{ key: item.key, itemKeys: [item.key], kind: 'labour', description: title, declinable: false },
          plain: labourPlain[stationOf(item.key)] ?? title,
          ...{ quantity: hoursOf(minutes), unit: 'h', unitCostMinor: rates.wageMinorPerHour },
          unitPriceMinor: rates.labourMinorPerHour,
        }),
      ),
    );
}

const testWords = ({ test: { kind, grade } }: Family) =>
  kind === 'slip'
    ? 'Test on the stand: flow at pressure'
    : kind === 'power'
      ? 'Test in the tank: power taken, direction'
      : `Test on the stand, grade ${grade} of ISO 9906`;

function closingLines(pricing: Pricing): readonly DraftLine[] {
  const { family, rates } = pricing;
  return [
    draftLine({
      ...{
        key: 'test',
        itemKeys: standing(pricing)
          .filter(isStand)
          .map(({ key }) => key),
        kind: 'test',
      },
      description: testWords(family),
      plain: 'The rebuilt pump is run and measured before it leaves.',
      ...{ unitPriceMinor: rates.testMinor, declinable: false },
    }),
    draftLine({
      ...{ key: freightKey, kind: 'freight', description: 'Return freight', plain: 'Bringing the pump back to you.' },
      ...{ unitPriceMinor: rates.freightMinor, unitCostMinor: rates.freightMinor },
    }),
  ];
}

/** Soft parts that are kept by condition: named on a line of nothing, with what it does to the warranty. */
function keptLines({ scope }: Pricing): readonly DraftLine[] {
  const kept = scope.filter(({ policy }) => policy === 'kept by condition');
  if (!kept.length) return [];
  return [
    draftLine({
      ...{ key: 'kept-by-condition', itemKeys: kept.map(({ key }) => key), kind: 'part', declinable: false },
      description: `Kept by their condition: ${listOf(kept.map(({ title }) => title.toLowerCase()))}`,
      plain:
        'Looked at and found whole, so not renewed. They have no warranty, and that of the repair is half as long.',
      ...{ quantity: 1, unitPriceMinor: 0, unitCostMinor: 0 },
    }),
  ];
}

/**
 * Grows the quote's lines out of the scope: parts found worn, work on them, soft parts always new (as kits where
 * cheaper), labour of the family, test and freight. Money in minor units.
 */
export function growLines(asked: Asked): readonly DraftLine[] {
  const pricing = { ...asked, scope: proposeScope(asked) };
  const own = pricing.scope.filter(isOwn).flatMap((item) => linesOf(asked, item));
  return [
    ...own,
    ...outsideLines(pricing),
    ...bundleLines(pricing),
    ...keptLines(pricing),
    ...labourLines(pricing),
    ...closingLines(pricing),
  ];
}

/**
 * The lines of some findings alone, for a supplement: the items that they propose, without what every repair has. What
 * is bought singly here is bought beside what is on order.
 */
export function growSupplement(asked: Asked, findingIds: readonly string[]): readonly DraftLine[] {
  const scope = proposeScope(asked).filter((item) => item.findingIds.some((id) => findingIds.includes(id)));
  return scope
    .filter(({ action }) => action !== 'keep' && action !== 'clean')
    .flatMap((item) => linesOf(asked, { ...item, levels: optionLevels, instead: '', policy: null }));
}

const labourPlain: Readonly<Record<string, string>> = {
  teardown: 'Taking the pump apart and cleaning it.',
  inspect: 'Measuring every part that matters.',
  rebuild: 'Putting it together again.',
  report: 'Writing the report.',
};
