import { present } from '../present';
import * as z from 'zod';
import {
  reckonRepairOrReplace,
  type RepairOrReplaceInput,
  type RepairOrReplaceResult,
} from './reckon-repair-or-replace';
import { defineSum, finite, notNegative, positive, show, type Warning, type WorkingStep } from './sum';

const minor = z.number().int('money is in whole minor units').min(0).max(1e12);
const line = z.strictObject({
  option: z.string().trim().min(1).max(60).optional(),
  what: z.string().trim().min(1).max(200),
  quantity: positive.max(1e6),
  unit_price_minor: minor,
  cost_minor: minor.optional(),
  markup_pct: finite.min(-100).max(1000).optional(),
  discount_pct: notNegative.max(100).optional(),
});
const quoteInput = z.strictObject({
  lines: z.array(line).min(1, 'no line is given').max(1000),
  tax_pct: notNegative.max(100),
  round_to_minor: z.number().int().min(1).max(100000).optional(),
});
const total = z.object({
  option: z.string(),
  net_minor: z.number(),
  tax_minor: z.number(),
  gross_minor: z.number(),
  margin_minor: z.number(),
  margin_pct: z.number().nullable(),
});
const quoteResult = z.object({ lines_minor: z.array(z.number()), options: z.array(total) });

/** Half a minor unit goes up, binary crumbs or not. */
const roundHalfUp = (value: number, to = 1) => Math.round(value / to + 1e-9) * to;

type QuoteInput = z.infer<typeof quoteInput>;
function reckonQuote({ lines, tax_pct, round_to_minor = 1 }: QuoteInput) {
  const values = lines.map((one) =>
    roundHalfUp(
      one.quantity * one.unit_price_minor * (1 + (one.markup_pct ?? 0) / 100) * (1 - (one.discount_pct ?? 0) / 100),
      round_to_minor,
    ),
  );
  const names = [...new Set(lines.flatMap((one) => (one.option ? [one.option] : [])))];
  const options = (names.length ? names : ['']).map((option) => {
    const own = lines
      .map((one, i) => ({ one, value: present(values[i]) }))
      .filter(({ one }) => !one.option || one.option === option);
    const net = own.reduce((sum, { value }) => sum + value, 0);
    const cost = own.reduce((sum, { one }) => sum + roundHalfUp(one.quantity * (one.cost_minor ?? 0)), 0);
    const tax = roundHalfUp((net * tax_pct) / 100);
    return {
      option: option || 'all',
      net_minor: net,
      tax_minor: tax,
      gross_minor: net + tax,
      margin_minor: net - cost,
      margin_pct: net > 0 ? (100 * (net - cost)) / net : null,
    };
  });
  return { result: { lines_minor: values, options }, values, options };
}
type QuoteReckoned = ReturnType<typeof reckonQuote>;

function quoteWorking({ lines }: QuoteInput, { values, options }: QuoteReckoned): readonly WorkingStep[] {
  return [
    ...lines.map((one, i) => ({
      what: one.what,
      formula: 'quantity · price · (1 + mark-up) · (1 − discount)',
      put: `${show(one.quantity)} · ${one.unit_price_minor}${one.markup_pct ? ` · +${show(one.markup_pct)} %` : ''}${one.discount_pct ? ` · −${show(one.discount_pct)} %` : ''}`,
      outcome: String(values[i]),
    })),
    ...options.map((one) => ({
      what: `Together, ${one.option}`,
      formula: 'sum of rounded lines, tax once',
      put: `${one.net_minor} + ${one.tax_minor}`,
      outcome: String(one.gross_minor),
    })),
  ];
}

function quoteWarnings({ options }: QuoteReckoned): readonly Warning[] {
  return options
    .filter((one) => one.margin_minor < 0)
    .map((one) => ({
      code: 'below-cost',
      sentence: `${one.option} lies below its cost by ${-one.margin_minor} minor units.`,
    }));
}

/**
 * Totals of a quote by option: each line rounded, totals the sum of rounded lines, tax rounded once. A line without an
 * option belongs to every option. Margin is net less cost where costs are given. Source: commercial arithmetic.
 */
export const quote = defineSum<QuoteInput, z.infer<typeof quoteResult>>({
  id: 'quote',
  title: 'Totals of a quote',
  ask: ['quote', 'totals', 'margin', 'tax', 'mark-up', 'options'],
  input: quoteInput,
  result: quoteResult,
  example: {
    input: {
      lines: [
        { what: 'Seal kit', quantity: 1, unit_price_minor: 21900, markup_pct: 18, cost_minor: 21900 },
        { what: 'Rebuild', quantity: 5.5, unit_price_minor: 6800 },
      ],
      tax_pct: 20,
    },
    result: {
      lines_minor: [25842, 37400],
      options: [{ net_minor: 63242, tax_minor: 12648, gross_minor: 75890 }] as never,
    },
  },
  compute(given) {
    const reckoned = reckonQuote(given);
    return { result: reckoned.result, working: quoteWorking(given, reckoned), warnings: quoteWarnings(reckoned) };
  },
});

const choice = z.strictObject({
  name: z.string().trim().min(1).max(60),
  price_minor: minor,
  life_years: positive.max(100),
  energy_kwh_year: notNegative.max(1e9),
  downtime_days: notNegative.max(3650),
  yearly_care_minor: minor.optional(),
});
const replaceInput = z.strictObject({
  choices: z.array(choice).min(2, 'two choices or more').max(10),
  price_per_kwh_minor: notNegative.max(1e6),
  downtime_day_minor: minor,
  discount_rate_pct: notNegative.max(100),
});
const replaceResult = z.object({
  yearly: z.array(z.object({ name: z.string(), once_minor: z.number(), yearly_minor: z.number() })),
  cheapest: z.string(),
  second: z.string(),
  turns_at_price_minor: z.number().nullable(),
});

/**
 * Repair or replace: each choice's cost a year over its own life, which is cheapest, and at which price of the cheapest
 * the answer turns. Source: equivalent annual cost.
 */
export const repairOrReplace = defineSum<RepairOrReplaceInput, RepairOrReplaceResult>({
  id: 'repair-or-replace',
  title: 'Repair or replace',
  ask: ['new pump or repair', 'worth repairing', 'life cost', 'which is cheaper'],
  input: replaceInput,
  result: replaceResult,
  example: {
    input: {
      choices: [
        { name: 'repair', price_minor: 300000, life_years: 5, energy_kwh_year: 50000, downtime_days: 0 },
        { name: 'new', price_minor: 900000, life_years: 10, energy_kwh_year: 48000, downtime_days: 0 },
      ],
      price_per_kwh_minor: 20,
      downtime_day_minor: 0,
      discount_rate_pct: 0,
    },
    result: {
      yearly: [
        { name: 'repair', once_minor: 300000, yearly_minor: 1060000 },
        { name: 'new', once_minor: 900000, yearly_minor: 1050000 },
      ],
      cheapest: 'new',
      second: 'repair',
      turns_at_price_minor: 1000000,
    },
  },
  compute: reckonRepairOrReplace,
});
