import type { Family, FamilyPart } from '../family';
import { numberKey } from './numbers';
import type { PartOffered } from './donor';

/** A unit whose parts are held against those of others. */
export interface UnitCompared {
  readonly tag: string;
  readonly parts: readonly PartOffered[];
}
export type PartCondition = 'new' | 'good' | 'fair' | 'poor';

/** One part over all units: each as it lies there, or nothing where it is gone. */
export interface PartCompared {
  readonly ref: string;
  readonly name: string;
  /** Parts with which its running clearance is reckoned: what changes besides where it comes from another unit. */
  readonly mates: readonly string[];
  /** The matched set that it belongs to, such as “bush and shaft”; empty where it goes by itself. */
  readonly together: string;
  readonly cells: Readonly<Record<string, (PartOffered & { readonly condition: PartCondition }) | null>>;
}

/**
 * How a part lies there, for a choice between several: what nobody looked at or measured is poor, and so never proposed;
 * what is seen on it makes it fair at best.
 */
export function conditionOf({ look, isCracked, wearPct }: PartOffered): PartCondition {
  if (isCracked || (!look && wearPct === null)) return 'poor';
  if (wearPct !== null && wearPct > 75) return 'poor';
  if ((look && look !== 'nothing seen') || (wearPct ?? 0) > 40) return 'fair';
  return 'good';
}

/** Parts that a choice is made about: what wears, is critical or belongs to a matched set; not what is always new. */
const isChosen = ({ wears, critical, together, soft, converted }: FamilyPart) =>
  (wears || critical || together !== undefined) && !soft && !converted;

function matesOf(ref: string, { points, parts }: Pick<Family, 'points' | 'parts'>): readonly string[] {
  const partAt = (id: string | undefined) => points.find((point) => point.id === id)?.part;
  const pairs = points.flatMap(({ derived }) => (derived ? [[partAt(derived.bore), partAt(derived.journal)]] : []));
  const refs = pairs.filter((pair) => pair.includes(ref)).flatMap((pair) => pair.filter((other) => other !== ref));
  return [...new Set(refs)].flatMap((other) => parts.find((part) => part.ref === other)?.name ?? []);
}

/** The parts of several units of one construction side by side. */
export function compareUnits(units: readonly UnitCompared[], family: Family): readonly PartCompared[] {
  return family.parts.filter(isChosen).map(({ ref, name, together = '' }) => ({
    ...{ ref, name, mates: matesOf(ref, family), together },
    cells: Object.fromEntries(
      units.map(({ tag, parts }) => {
        const part = parts.find((one) => one.ref === ref);
        return [tag, part ? { ...part, condition: conditionOf(part) } : null];
      }),
    ),
  }));
}

/** Numbers that interchange, by the key of any of them: those of one group have one name. */
export type Groups = ReadonlyMap<string, string>;

/** Numbers of a family's list that take each other's place: a number with what it superseded and its alternatives. */
export function groupsOf({ parts }: Pick<Family, 'parts'>): Groups {
  return new Map(
    parts.flatMap(({ number, superseded, alternatives }) =>
      [number, ...superseded, ...alternatives].map((one) => [numberKey(one), numberKey(number)] as const),
    ),
  );
}

/** Rows that are chosen in one: a matched set, or a part by itself. */
export interface Choice {
  /** Of its first part. */
  readonly ref: string;
  readonly rows: readonly [PartCompared, ...PartCompared[]];
}

/** The choices that are to be made, in the order of the list; parts of one matched set are one choice. */
export function choicesOf(rows: readonly PartCompared[]): readonly Choice[] {
  const choices: { ref: string; rows: [PartCompared, ...PartCompared[]] }[] = [];
  for (const row of rows) {
    const set = row.together && choices.find(({ rows: [first] }) => first.together === row.together);
    if (set) set.rows.push(row);
    else choices.push({ ref: row.ref, rows: [row] });
  }
  return choices;
}

const order: readonly PartCondition[] = ['new', 'good', 'fair', 'poor'];

/** A unit's parts of one choice, as good as the worst of them; null where one is gone, given away or cracked. */
function offeredBy(tag: string, { rows }: Choice, forTag: string) {
  const cells = rows.flatMap(({ cells: all }) => all[tag] ?? []);
  const isFree = cells.every(({ isCracked, givenTo }) => !isCracked && (!givenTo || givenTo === forTag));
  if (cells.length < rows.length || !isFree) return null;
  const worst = Math.max(...cells.map(({ condition }) => order.indexOf(condition)));
  return {
    numbers: cells.map(({ number }) => number),
    condition: order[worst] ?? 'poor',
    wearPct: Math.max(...cells.map(({ wearPct }) => wearPct ?? 0)),
  };
}

/** Several numbers as one, as long as the sum takes a name. */
const joined = (numbers: readonly string[]) => numbers.join(' + ').slice(0, 60);

/**
 * What the sum `donor-match` is asked for one pump: a slot a choice, the parts of every unit as candidates, those that
 * are gone, given away or cracked left out. A matched set is one slot: it comes out of one unit or stays.
 */
export function donorMatchOf(rows: readonly PartCompared[], forTag: string, groups: Groups) {
  const groupOf = (numbers: readonly string[]) => {
    const names = numbers.flatMap((number) => groups.get(numberKey(number)) ?? []);
    return names.length === numbers.length ? joined(names) : undefined;
  };
  const choices = choicesOf(rows);
  const tags = [...new Set(rows.flatMap(({ cells }) => Object.keys(cells)))];
  const candidates = choices.flatMap((choice) =>
    tags.flatMap((tag) => {
      const offered = offeredBy(tag, choice, forTag);
      if (!offered) return [];
      const interchange = groupOf(offered.numbers);
      return [
        {
          ...{ id: `${tag}/${choice.ref}`, unit: tag, part: choice.ref, number: joined(offered.numbers) },
          ...(interchange && { interchange_group: interchange }),
          ...{ condition: offered.condition, wear_used_pct: Math.min(1000, offered.wearPct) },
        },
      ];
    }),
  );
  const slots = choices.map(({ ref, rows: own }) => {
    const numbers = own.flatMap(({ cells }) => cells[forTag]?.number ?? []);
    const interchange = numbers.length === own.length ? groupOf(numbers) : undefined;
    return {
      ...{ id: ref, pump: forTag, part: ref },
      ...(numbers.length === own.length && { number: joined(numbers) }),
      ...(interchange && { interchange_group: interchange }),
    };
  });
  return { slots, candidates };
}
