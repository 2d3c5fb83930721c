import type { Family } from '../family';
import { present } from '../present';

export interface Bundle {
  /** Of the kit, or of the part that is bought singly. */
  readonly id: string;
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
    id: kit.id,
    title: kit.title,
    priceMinor: kit.price_minor,
    parts: kit.gives.map(({ part, qty }) => ({ ref: part, qty })),
  }));
  const singles = [...present(best).rest]
    .filter(([, qty]) => qty > 0)
    .map(([ref, qty]) => ({
      id: ref,
      title: present(priceOf.get(ref)).name,
      priceMinor: present(priceOf.get(ref)).price_minor * qty,
      parts: [{ ref, qty }],
    }));
  return [...fromKits, ...singles];
}
