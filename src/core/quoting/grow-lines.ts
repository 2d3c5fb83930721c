import { present } from '../present';
import type { Family } from '../family';
import type { Finding, PartAccount, QuoteLine } from '../record';
import { hoursOf, withMarkup } from '../money';
import { costingFindings } from './costing-findings';

export interface Rates {
  readonly labourMinorPerHour: number;
  readonly machiningMinorPerHour: number;
  readonly testMinor: number;
  readonly freightMinor: number;
  readonly partsMarkupPct: number;
}

export type DraftLine = Omit<QuoteLine, 'id'>;

interface Asked {
  readonly family: Family;
  readonly findings: readonly Finding[];
  readonly parts: readonly PartAccount[];
  readonly rates: Rates;
}

const line = (
  given: Partial<DraftLine> & Pick<DraftLine, 'kind' | 'description' | 'plain' | 'unitPriceMinor'>,
): DraftLine => ({
  quantity: 1,
  unit: 'pc',
  findingIds: [],
  parts: [],
  declinable: true,
  struckReason: null,
  ...given,
});

type ByPart = ReadonlyMap<string, readonly Finding[]>;

/** A text as a sentence: it begins with a capital and ends with a stop, whatever was typed. */
function asSentence(text: string): string {
  const trimmed = text.trim();
  if (!trimmed) return '';
  const begun = trimmed.charAt(0).toUpperCase() + trimmed.slice(1);
  return /[.!?…]$/.test(begun) ? begun : `${begun}.`;
}

/** What the customer reads of findings that share a line: each once, as sentences. */
function sentencesOf(findings: readonly Finding[]): string {
  return [...new Set(findings.map((finding) => asSentence(finding.plain)))].filter(Boolean).join(' ');
}

interface Bundle {
  readonly title: string;
  readonly parts: readonly { readonly ref: string; readonly qty: number }[];
  readonly priceMinor: number;
}

/**
 * The cheapest way to buy what is needed: every choice of kits is tried, the rest bought singly. Exact for a family's
 * few kits (up to 10).
 */
export function bundleParts(family: Family, need: ReadonlyMap<string, number>): readonly Bundle[] {
  const priceOf = new Map(family.parts.map((part) => [part.ref, part]));
  const kits = family.kits.slice(0, 10);
  let best: { cost: number; chosen: typeof kits; rest: Map<string, number> } | null = null;
  for (let mask = 0; mask < 1 << kits.length; mask++) {
    const chosen = kits.filter((_, i) => mask & (1 << i));
    const rest = new Map(need);
    for (const kit of chosen)
      for (const { part, qty } of kit.gives)
        if (rest.has(part)) rest.set(part, Math.max(0, present(rest.get(part)) - qty));
    const singles = [...rest].reduce((sum, [ref, qty]) => sum + qty * (priceOf.get(ref)?.price_minor ?? 0), 0);
    const cost = singles + chosen.reduce((sum, kit) => sum + kit.price_minor, 0);
    if (!best || cost < best.cost) best = { cost, chosen, rest };
  }
  const fromKits = present(best).chosen.map((kit) => ({
    title: kit.title,
    priceMinor: kit.price_minor,
    parts: kit.gives.map(({ part, qty }) => ({ ref: part, qty })),
  }));
  const singles = [...present(best).rest]
    .filter(([, qty]) => qty > 0)
    .map(([ref, qty]) => ({
      title: present(priceOf.get(ref)).name,
      priceMinor: present(priceOf.get(ref)).price_minor * qty,
      parts: [{ ref, qty }],
    }));
  return [...fromKits, ...singles];
}

/** Soft parts, what is missing or broken at teardown, and what comes with a conversion. */
function alwaysNew({ family, parts }: Asked): Map<string, number> {
  const gone = new Set(parts.filter((account) => account.state !== 'present').map((account) => account.ref));
  const notFitted = new Set(parts.filter((account) => account.state === 'not fitted').map((account) => account.ref));
  return new Map(
    family.parts
      .filter(
        ({ ref, soft, converted }) =>
          converted === 'comes' || (!converted && (soft || gone.has(ref)) && !notFitted.has(ref)),
      )
      .map((part) => [part.ref, part.quantity]),
  );
}

function partLine(asked: Asked, finding: Finding): DraftLine {
  const part = present(asked.family.parts.find((one) => one.ref === finding.partRef));
  return line({
    kind: 'part',
    description: `${part.name}, ${part.number}`,
    plain: finding.plain,
    quantity: part.quantity,
    unitPriceMinor: withMarkup(part.price_minor, asked.rates.partsMarkupPct),
    findingIds: [finding.id],
    parts: [{ ref: part.ref, qty: part.quantity }],
  });
}

function workLine(asked: Asked, finding: Finding, action: string): DraftLine {
  const part = present(asked.family.parts.find((one) => one.ref === finding.partRef));
  const task = asked.family.labour.find((one) => one.on?.part === finding.partRef && one.on.action === action);
  const standard =
    action === 'make in the shop'
      ? { title: `Make ${part.name.toLowerCase()} in the shop`, minutes: 150 }
      : action === 'take from a donor'
        ? { title: `${part.name} from a donor, measured like new`, minutes: 30 }
        : { title: `Rework ${part.name.toLowerCase()}`, minutes: 60 };
  const { title, minutes } = task ?? standard;
  const isBench = action === 'take from a donor';
  return line({
    kind: isBench ? 'labour' : 'machining',
    description: title,
    plain: finding.plain,
    quantity: hoursOf(minutes),
    unit: 'h',
    unitPriceMinor: isBench ? asked.rates.labourMinorPerHour : asked.rates.machiningMinorPerHour,
    findingIds: [finding.id],
  });
}

/** Lines of one part: bought new with its machining, or worked on; several findings on one part share the lines. */
function linesForPart(asked: Asked, findings: readonly Finding[]): DraftLine[] {
  const replaced = findings.find((finding) => present(finding.disposition).action === 'replace');
  const ids = findings.map((finding) => finding.id);
  const plain = sentencesOf(findings);
  if (!replaced)
    return [...new Map(findings.map((finding) => [present(finding.disposition).action, finding])).values()].map(
      (finding) => ({
        ...workLine(asked, finding, present(finding.disposition).action),
        findingIds: ids,
        plain,
      }),
    );
  const fitted = asked.family.labour.some((task) => task.on?.part === replaced.partRef && task.on.action === 'replace');
  const bought = { ...partLine(asked, replaced), findingIds: ids, plain };
  return fitted
    ? [
        bought,
        {
          ...workLine(asked, replaced, 'replace'),
          findingIds: ids,
          plain: `Needed to fit the new ${partName(asked.family, replaced.partRef)}.`,
        },
      ]
    : [bought];
}

const partName = (family: Family, ref: string) =>
  family.parts.find((part) => part.ref === ref)?.name.toLowerCase() ?? ref;

/** Names one after the other; with semicolons where a name has a comma of its own. */
const listOf = (names: readonly string[]) => names.join(names.some((name) => name.includes(',')) ? '; ' : ', ');

const refsOf = (family: Family, which: 'leaves' | 'comes') =>
  new Set(family.parts.filter(({ converted }) => converted === which).map(({ ref }) => ref));

/** What is always renewed and what comes with a conversion, as kits where cheaper; a finding on one of them stands there. */
function bundleLines({ family, rates }: Asked, needed: ReadonlyMap<string, number>, byPart: ByPart): DraftLine[] {
  const coming = refsOf(family, 'comes');
  const leaving = listOf([...refsOf(family, 'leaves')].map((ref) => partName(family, ref)));
  return bundleParts(family, needed).map(({ title, parts, priceMinor }) => {
    const findings = parts.flatMap(({ ref }) => byPart.get(ref) ?? []);
    const names = (isComing: boolean) =>
      listOf([
        ...new Set(parts.filter(({ ref }) => coming.has(ref) === isComing).map(({ ref }) => partName(family, ref))),
      ]);
    const [renewed, added] = [names(false), names(true)];
    const plain = [
      added && `Comes with the conversion: ${added}.${leaving && ` In place of: ${leaving}.`}`,
      renewed && `Seals, bearings and gaskets that are always renewed: ${renewed}.`,
      sentencesOf(findings),
    ];
    return line({
      kind: 'part',
      description: renewed ? title : `Conversion: ${title}`,
      plain: plain.filter(Boolean).join(' '),
      unitPriceMinor: withMarkup(priceMinor, rates.partsMarkupPct),
      parts,
      findingIds: findings.map((finding) => finding.id),
      declinable: false,
    });
  });
}

/** The family's standing work, but for the test, which has a price of its own. */
function labourLines({ family, rates }: Asked): DraftLine[] {
  return family.labour
    .filter((task) => !task.on && task.station !== 'test')
    .map(({ title, station, minutes }) =>
      line({
        kind: 'labour',
        description: title,
        plain: labourPlain[station] ?? title,
        quantity: hoursOf(minutes),
        unit: 'h',
        unitPriceMinor: rates.labourMinorPerHour,
        declinable: false,
      }),
    );
}

function closingLines({ family, rates }: Asked): DraftLine[] {
  const { kind, grade } = family.test;
  return [
    line({
      kind: 'test',
      description:
        kind === 'slip'
          ? 'Test on the stand: flow at pressure'
          : kind === 'power'
            ? 'Test in the tank: power taken, direction'
            : `Test on the stand, grade ${grade} of ISO 9906`,
      plain: 'The rebuilt pump is run and measured before it leaves.',
      unitPriceMinor: rates.testMinor,
      declinable: false,
    }),
    line({
      kind: 'freight',
      description: 'Return freight',
      plain: 'Bringing the pump back to you.',
      unitPriceMinor: rates.freightMinor,
    }),
  ];
}

/**
 * Grows the quote's lines out of the dispositions: parts found worn, work on them, soft parts always new (as kits where
 * cheaper), labour of the family, test and freight. Money in minor units.
 */
export function growLines(asked: Asked): readonly DraftLine[] {
  const soft = alwaysNew(asked);
  const byPart = new Map<string, Finding[]>();
  for (const finding of costingFindings(asked.findings, asked.family))
    byPart.set(finding.partRef, [...(byPart.get(finding.partRef) ?? []), finding]);
  const hard = [...byPart].filter(([ref]) => !soft.has(ref));
  const own = hard.flatMap(([, findings]) => linesForPart(asked, findings));
  return [...own, ...bundleLines(asked, soft, byPart), ...labourLines(asked), ...closingLines(asked)];
}

const labourPlain: Readonly<Record<string, string>> = {
  teardown: 'Taking the pump apart and cleaning it.',
  inspect: 'Measuring every part that matters.',
  rebuild: 'Putting it together again.',
  report: 'Writing the report.',
};
