import { english, type Words } from '../../words';
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
  /** The language that the lines are written in; English where it is left out. */
  readonly words?: Words;
}
/** What an item offers, and what its lines are made with. */
interface Pricing extends Asked {
  readonly scope: readonly ScopeItem[];
}

const partOf = ({ parts }: Family, ref: string | null) => parts.find((part) => part.ref === ref);
const speaking = ({ words = english }: Pick<Asked, 'words'>) => words;
/** A part as it is called on a line of its own. */
const titled = (asked: Asked, ref: string | null) =>
  speaking(asked).phrase(partOf(asked.family, ref)?.name ?? ref ?? '');
/** A part as it is called within a sentence. */
const nameOf = (asked: Asked, ref: string | null) => speaking(asked).within(titled(asked, ref));
/** Names one after the other; with semicolons where a name has a comma of its own. */
const listOf = (names: readonly string[]) => names.join(names.some((name) => name.includes(',')) ? '; ' : ', ');

const findingsOf = ({ record }: Asked, { findingIds }: Pick<ScopeItem, 'findingIds'>): readonly Finding[] =>
  record.findings.filter(({ id }) => findingIds.includes(id));

const cameSo = ['came broken', 'came missing', 'given away'] as const;
const cameAs = (policy: ScopeItem['policy']) => cameSo.find((one) => one === policy);

/** Why an item stands on its line, for the customer. */
function plainOf(asked: Asked, item: ScopeItem): string {
  const { say, phrase } = speaking(asked);
  const found = phrase(sentencesOf(findingsOf(asked, item)));
  const came = cameAs(item.policy);
  if (came)
    return [asSentence(`${say(`line.${came}`)}${item.reason ? `: ${item.reason}` : ''}`), found]
      .filter(Boolean)
      .join(' ');
  if (item.policy === 'as new') {
    const plain = asSentence(phrase(partOf(asked.family, item.partRef)?.plain ?? ''));
    return `${plain} ${say('line.as new', { reason: phrase(item.reason) })}`.trim();
  }
  return found;
}

/** Options as a line keeps them: none named where it stands in all. */
const namedOptions = ({ levels }: ScopeItem) => (levels.length === optionLevels.length ? [] : levels);

const shared = (asked: Asked, item: ScopeItem) => ({
  ...{ itemKeys: [item.key], findingIds: item.findingIds, options: namedOptions(item) },
  instead: speaking(asked).phrase(item.instead),
  ...{ plain: plainOf(asked, item), critical: item.critical },
});

/** A part that the customer brings, all of it. */
function isCustomers({ record, family }: Asked, ref: string | null): boolean {
  const chosen = ref === null ? undefined : sourceOf(record, ref)?.body;
  return chosen?.source === 'customer' && chosen.count >= (partOf(family, ref)?.quantity ?? 1);
}

/** A part that the customer brings costs nothing, and has no warranty from the shop. */
function customersLine(asked: Asked, item: ScopeItem): DraftLine {
  const { say } = speaking(asked);
  const part = present(partOf(asked.family, item.partRef));
  return draftLine({
    ...shared(asked, item),
    ...{ key: item.key, kind: 'part' },
    description: say('line.customers', { part: titled(asked, item.partRef), number: part.number }),
    plain: [plainOf(asked, item), say('line.customersPlain')].filter(Boolean).join(' '),
    ...{ quantity: part.quantity, unitPriceMinor: 0, unitCostMinor: 0, parts: item.parts },
  });
}

function partLine(asked: Asked, item: ScopeItem): DraftLine {
  if (isCustomers(asked, item.partRef)) return customersLine(asked, item);
  const part = present(partOf(asked.family, item.partRef));
  return draftLine({
    ...shared(asked, item),
    ...{ key: item.key, kind: 'part', quantity: part.quantity },
    description: `${titled(asked, item.partRef)}, ${part.number}`,
    unitPriceMinor: withMarkup(part.price_minor, asked.rates.partsMarkupPct),
    unitCostMinor: part.price_minor,
    parts: item.parts,
  });
}

function workLines(asked: Asked, item: ScopeItem): readonly DraftLine[] {
  const { rates } = asked;
  const isFitted = item.parts.length > 0;
  return item.work.map(({ title, minutes, workCentre }) => {
    const kind = item.action === 'make' ? 'made' : workCentre === 'machines' ? 'machining' : 'labour';
    return draftLine({
      ...shared(asked, item),
      ...(isFitted && { plain: speaking(asked).say('line.fitting', { part: nameOf(asked, item.partRef) }) }),
      ...{ key: isFitted ? fittingKey(item.key) : item.key, kind, description: speaking(asked).phrase(title) },
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
      ...{ key: materialKey(item.key), kind: 'made' },
      description: speaking(asked).say('line.material', { part: nameOf(asked, item.partRef) }),
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
const leavingOf = (asked: Asked) =>
  listOf(asked.family.parts.filter(({ converted }) => converted === 'leaves').map(({ ref }) => nameOf(asked, ref)));

function bundleLine(pricing: Pricing, bundle: Bundle): DraftLine {
  const { rates, scope } = pricing;
  const { say, phrase } = speaking(pricing);
  const items = scope.filter((item) => isBundled(item) && bundle.parts.some(({ ref }) => ref === item.partRef));
  const coming = new Set(items.filter(({ action }) => action === 'add').map(({ partRef }) => partRef));
  const names = (isComing: boolean) =>
    listOf([
      ...new Set(bundle.parts.filter(({ ref }) => coming.has(ref) === isComing).map(({ ref }) => nameOf(pricing, ref))),
    ]);
  const [renewed, added, leaving] = [names(false), names(true), leavingOf(pricing)];
  const plain = [
    added && say('line.comes', { parts: added }),
    added && leaving && say('line.leaves', { parts: leaving }),
    renewed && say('line.renewed', { parts: renewed }),
    phrase(sentencesOf(items.flatMap((item) => findingsOf(pricing, item)))),
  ];
  return draftLine({
    ...{ key: buyingKey(bundle.id), itemKeys: items.map(({ key }) => key), kind: 'part', declinable: false },
    description: renewed ? phrase(bundle.title) : say('line.conversion', { title: phrase(bundle.title) }),
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
function outsideLines(pricing: Pricing): readonly DraftLine[] {
  const { record, rates } = pricing;
  const { say, phrase } = speaking(pricing);
  return sheetsOf(record, 'outside').flatMap(({ key, body: { work, what, parts, priceMinor } }) => {
    if (!priceMinor) return [];
    const names = listOf(parts.map((ref) => nameOf(pricing, ref)));
    return [
      draftLine({
        ...{ key: outsideKey(key), kind: 'outside' },
        description: say('line.outside', { work: phrase(work), parts: names }),
        plain: asSentence(what),
        ...{ unitPriceMinor: withMarkup(priceMinor, rates.partsMarkupPct), unitCostMinor: priceMinor },
      }),
    ];
  });
}

const isStand = ({ work }: ScopeItem) => work.some(({ workCentre }) => workCentre === 'stand');
const standing = ({ scope }: Pricing) => scope.filter(({ policy }) => policy === 'every repair');

/** Standing work that is explained to the customer by its station. */
const explained = ['teardown', 'inspect', 'rebuild', 'report'] as const;
const explainedAt = (station: string) => explained.find((one) => one === station);

/** The family's standing work, but for the test, which has a price of its own. */
function labourLines(pricing: Pricing): readonly DraftLine[] {
  const { family, rates } = pricing;
  const { say, phrase } = speaking(pricing);
  const plainOfWork = (station: ReturnType<typeof explainedAt>, title: string) =>
    station ? say(`line.labour.${station}`) : phrase(title);
  const stationOf = (key: string) => family.labour.find(({ id }) => `work:${id}` === key)?.station ?? '';
  return standing(pricing)
    .filter((item) => !isStand(item))
    .flatMap((item) =>
      item.work.map(({ title, minutes }) =>
        draftLine({
          ...{ key: item.key, itemKeys: [item.key], kind: 'labour', description: phrase(title), declinable: false },
          plain: plainOfWork(explainedAt(stationOf(item.key)), title),
          ...{ quantity: hoursOf(minutes), unit: 'h', unitCostMinor: rates.wageMinorPerHour },
          unitPriceMinor: rates.labourMinorPerHour,
        }),
      ),
    );
}

function testWords(asked: Asked): string {
  const { kind, grade } = asked.family.test;
  const { say } = speaking(asked);
  return kind === 'slip' || kind === 'power' ? say(`line.test.${kind}`) : say('line.test.curve', { grade });
}

function closingLines(pricing: Pricing): readonly DraftLine[] {
  const { rates } = pricing;
  const { say } = speaking(pricing);
  return [
    draftLine({
      ...{
        key: 'test',
        itemKeys: standing(pricing)
          .filter(isStand)
          .map(({ key }) => key),
        kind: 'test',
      },
      description: testWords(pricing),
      plain: say('line.testPlain'),
      ...{ unitPriceMinor: rates.testMinor, declinable: false },
    }),
    draftLine({
      ...{ key: freightKey, kind: 'freight', description: say('line.freight'), plain: say('line.freightPlain') },
      ...{ unitPriceMinor: rates.freightMinor, unitCostMinor: rates.freightMinor },
    }),
  ];
}

/** Soft parts that are kept by condition: named on a line of nothing, with what it does to the warranty. */
function keptLines(pricing: Pricing): readonly DraftLine[] {
  const { say, phrase, within } = speaking(pricing);
  const kept = pricing.scope.filter(({ policy }) => policy === 'kept by condition');
  if (!kept.length) return [];
  return [
    draftLine({
      ...{ key: 'kept-by-condition', itemKeys: kept.map(({ key }) => key), kind: 'part', declinable: false },
      description: say('line.keptSoft', { parts: listOf(kept.map(({ title }) => within(phrase(title)))) }),
      plain: say('line.keptSoftPlain'),
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
