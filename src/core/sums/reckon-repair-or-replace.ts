import { present } from '../present';
import { show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';

export interface RepairOrReplaceInput {
  readonly choices: readonly {
    readonly name: string;
    readonly price_minor: number;
    readonly life_years: number;
    readonly energy_kwh_year: number;
    readonly downtime_days: number;
    readonly yearly_care_minor?: number | undefined;
  }[];
  readonly price_per_kwh_minor: number;
  readonly downtime_day_minor: number;
  readonly discount_rate_pct: number;
}

export interface RepairOrReplaceResult {
  readonly yearly: readonly { readonly name: string; readonly once_minor: number; readonly yearly_minor: number }[];
  readonly cheapest: string;
  readonly second: string;
  readonly turns_at_price_minor: number | null;
}

/**
 * Yearly cost of an outlay over its life. `a = i / (1 − (1 + i)^−n)`, 1/n without interest.
 * Inputs: rate as a share ≥ 0, years > 0. Source: capital recovery factor, engineering economics.
 * @example recoveryFactor(0.05, 10) // 0.1295
 */
export function recoveryFactor(rate: number, years: number): number {
  return rate === 0 ? 1 / years : rate / (1 - (1 + rate) ** -years);
}

function reckon({ choices, price_per_kwh_minor, downtime_day_minor, discount_rate_pct }: RepairOrReplaceInput) {
  if (new Set(choices.map((one) => one.name)).size !== choices.length)
    throw new SumRefusal('choices', 'two choices have one name');
  const rate = discount_rate_pct / 100;
  const yearly = choices.map((one) => {
    const once = one.price_minor + one.downtime_days * downtime_day_minor;
    return {
      name: one.name,
      once_minor: once,
      yearly_minor:
        once * recoveryFactor(rate, one.life_years) +
        one.energy_kwh_year * price_per_kwh_minor +
        (one.yearly_care_minor ?? 0),
    };
  });
  const [first, second] = yearly.toSorted((one, other) => one.yearly_minor - other.yearly_minor);
  const cheap = present(choices.find((one) => one.name === present(first).name));
  // The price at which the cheapest costs as much a year as the second.
  const turns =
    cheap.price_minor +
    (present(second).yearly_minor - present(first).yearly_minor) / recoveryFactor(rate, cheap.life_years);
  return {
    result: { yearly, cheapest: present(first).name, second: present(second).name, turns_at_price_minor: turns },
    rate,
    yearly,
    first,
    second,
    turns,
  };
}
type RepairOrReplaceReckoned = ReturnType<typeof reckon>;

function repairOrReplaceWorking(
  { choices, discount_rate_pct }: RepairOrReplaceInput,
  { rate, yearly, first, second, turns }: RepairOrReplaceReckoned,
): readonly WorkingStep[] {
  return [
    ...choices.map((one, i) => ({
      what: one.name,
      formula: '(price + downtime) · a + energy + care',
      put: `a = ${show(recoveryFactor(rate, one.life_years), 5)} over ${show(one.life_years)} years at ${show(discount_rate_pct, 2)} %`,
      outcome: `${show(present(yearly[i]).yearly_minor, 0)} minor units a year`,
      source: 'equivalent annual cost',
    })),
    { what: 'Cheapest', outcome: present(first).name },
    {
      what: 'The answer turns',
      put: `where ${present(first).name} costs as much a year as ${present(second).name}`,
      outcome: `at a price of ${show(turns, 0)} minor units`,
    },
  ];
}

function repairOrReplaceWarnings({ first, second }: RepairOrReplaceReckoned): readonly Warning[] {
  return present(second).yearly_minor - present(first).yearly_minor < 0.05 * present(first).yearly_minor
    ? [
        {
          code: 'close',
          sentence: 'The two lie within five per cent; life and energy are not known as well as that.',
        },
      ]
    : [];
}

/** What each choice costs a year, as the sum `repair-or-replace`. Source: equivalent annual cost. */
export function reckonRepairOrReplace(given: RepairOrReplaceInput): Outcome<RepairOrReplaceResult> {
  const reckoned = reckon(given);
  return {
    result: reckoned.result,
    working: repairOrReplaceWorking(given, reckoned),
    warnings: repairOrReplaceWarnings(reckoned),
  };
}
