/** A visit with the parts that were renewed in it. */
export interface VisitRenewals {
  readonly tag: string;
  readonly day: string;
  readonly hours: number | null;
  readonly renewed: readonly { readonly ref: string; readonly name: string; readonly why: string }[];
}

/** From when to when a part was in the pump; the first begins with the pump, the last goes on. */
export interface PartSpan {
  readonly fromHours: number;
  readonly toHours: number;
  /** Why it ended; null while it goes on. */
  readonly why: string | null;
  readonly endedIn: string | null;
}

export interface PartLife {
  readonly ref: string;
  readonly name: string;
  readonly spans: readonly PartSpan[];
}

/**
 * How long each part lasted that was renewed at least once, in hours of the meter from the first; parts of a pump without
 * a meter have none.
 * @param visits in the order in which they were
 */
export function partLives(visits: readonly VisitRenewals[]): readonly PartLife[] {
  const metered = visits.flatMap(({ hours, ...visit }) => (hours === null ? [] : [{ ...visit, hours }]));
  const now = metered.at(-1)?.hours;
  if (now === undefined) return [];
  const names = new Map(metered.flatMap(({ renewed }) => renewed.map(({ ref, name }) => [ref, name] as const)));
  return [...names].map(([ref, name]) => {
    const ends = metered.flatMap(({ tag, hours, renewed }) => {
      const own = renewed.find((one) => one.ref === ref);
      return own ? [{ tag, hours, why: own.why }] : [];
    });
    const spans: PartSpan[] = [];
    let from = 0;
    for (const { tag, hours, why } of ends) {
      spans.push({ fromHours: from, toHours: hours, why, endedIn: tag });
      from = hours;
    }
    if (now > from) spans.push({ fromHours: from, toHours: now, why: null, endedIn: null });
    return { ref, name, spans };
  });
}
