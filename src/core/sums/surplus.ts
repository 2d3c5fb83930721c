/** What one piece of an offer gives: to which demand, by its place in their list, and how much. */
export type Gives = readonly (readonly [demand: number, qty: number])[];

/** What counts of offers give to each demand. */
export function givenBy(gives: readonly Gives[], counts: readonly number[], demands: number): number[] {
  const given = Array.from({ length: demands }, () => 0);
  gives.forEach((own, i) => {
    for (const [demand, qty] of own) given[demand] = (given[demand] ?? 0) + qty * (counts[i] ?? 0);
  });
  return given;
}

interface Counted {
  readonly gives: readonly Gives[];
  readonly prices: readonly number[];
  readonly counts: readonly number[];
  readonly wanted: readonly number[];
  /** How many of an offer may be taken back at most when so many are of no use; all of them where it is left out. */
  readonly mayTake?: (offer: number, most: number, counts: readonly number[]) => number;
}

/** Takes back what is of no use after all, dearest first: no demand that was met falls short by it. */
export function withoutSurplus({ gives, prices, counts, wanted, mayTake }: Counted): number[] {
  const kept = [...counts];
  const given = givenBy(gives, counts, wanted.length);
  const dearest = prices.map((_, i) => i).toSorted((a, b) => (prices[b] ?? 0) - (prices[a] ?? 0));
  for (const i of dearest) {
    const own = gives[i] ?? [];
    const spare = own.reduce(
      (most, [demand, qty]) => Math.min(most, Math.floor(((given[demand] ?? 0) - (wanted[demand] ?? 0)) / qty)),
      kept[i] ?? 0,
    );
    const taken = mayTake && spare > 0 ? mayTake(i, spare, kept) : Math.max(0, spare);
    kept[i] = (kept[i] ?? 0) - taken;
    for (const [demand, qty] of own) given[demand] = (given[demand] ?? 0) - qty * taken;
  }
  return kept;
}
