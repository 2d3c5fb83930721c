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

/** Parts that a choice is made about: what wears, and what is critical; not what is always new. */
const isChosen = ({ wears, critical, soft, converted }: FamilyPart) => (wears || critical) && !soft && !converted;

function matesOf(ref: string, { points, parts }: Pick<Family, 'points' | 'parts'>): readonly string[] {
  const partAt = (id: string | undefined) => points.find((point) => point.id === id)?.part;
  const pairs = points.flatMap(({ derived }) => (derived ? [[partAt(derived.bore), partAt(derived.journal)]] : []));
  const refs = pairs.filter((pair) => pair.includes(ref)).flatMap((pair) => pair.filter((other) => other !== ref));
  return [...new Set(refs)].flatMap((other) => parts.find((part) => part.ref === other)?.name ?? []);
}

/** The parts of several units of one construction side by side. */
export function compareUnits(units: readonly UnitCompared[], family: Family): readonly PartCompared[] {
  return family.parts.filter(isChosen).map(({ ref, name }) => ({
    ...{ ref, name, mates: matesOf(ref, family) },
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

/**
 * What the sum `donor-match` is asked for one pump: a slot a part, the parts of every unit as candidates, those that are
 * gone, given away or cracked left out.
 */
export function donorMatchOf(rows: readonly PartCompared[], forTag: string, groups: Groups) {
  const group = (number: string) => groups.get(numberKey(number));
  const candidates = rows.flatMap(({ ref, cells }) =>
    Object.entries(cells).flatMap(([tag, cell]) => {
      if (!cell || cell.isCracked || (cell.givenTo && cell.givenTo !== forTag)) return [];
      const interchange = group(cell.number);
      return [
        {
          ...{ id: `${tag}/${ref}`, unit: tag, part: ref, number: cell.number, condition: cell.condition },
          ...(interchange && { interchange_group: interchange }),
          wear_used_pct: Math.min(1000, cell.wearPct ?? 0),
        },
      ];
    }),
  );
  const slots = rows.map(({ ref, cells }) => {
    const number = cells[forTag]?.number;
    const interchange = number === undefined ? undefined : group(number);
    return {
      ...{ id: ref, pump: forTag, part: ref },
      ...(number !== undefined && { number }),
      ...(interchange && { interchange_group: interchange }),
    };
  });
  return { slots, candidates };
}
