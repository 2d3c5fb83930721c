import { present } from '../present';
import Decimal from 'decimal.js-light';
import type { LengthDisplay } from './say';

/** With ten figures more than are kept, so that what is typed comes back as it was. */
const Exact = Decimal.clone({ precision: 30 });

/** What a quantity is of; the base unit of each stands in `units` with factor 1. */
export type Dimension =
  | 'length'
  | 'temperature'
  | 'torque'
  | 'pressure'
  | 'flow'
  | 'power'
  | 'force'
  | 'speed'
  | 'mass'
  | 'angle'
  | 'time'
  | 'viscosity'
  | 'number';

interface Unit {
  readonly symbol: string;
  readonly dimension: Dimension;
  /** Base = (typed + offset) · factor, exact. */
  readonly factor: string;
  readonly offset?: string;
  readonly names: readonly string[];
}

/** Source: ISO 80000; the inch is 25.4 mm exactly, the pound-force 4.4482216152605 N, the US gallon 3.785411784 L. */
export const units: readonly Unit[] = [
  { symbol: 'mm', dimension: 'length', factor: '1', names: ['mm', 'millimetre', 'millimetres'] },
  { symbol: 'µm', dimension: 'length', factor: '0.001', names: ['µm', 'um', 'μm', 'micron', 'microns'] },
  { symbol: 'cm', dimension: 'length', factor: '10', names: ['cm'] },
  { symbol: 'm', dimension: 'length', factor: '1000', names: ['m', 'metre', 'metres'] },
  { symbol: 'in', dimension: 'length', factor: '25.4', names: ['in', 'inch', 'inches', '"', '″', '”'] },
  { symbol: 'ft', dimension: 'length', factor: '304.8', names: ['ft', 'foot', 'feet', "'"] },
  { symbol: 'thou', dimension: 'length', factor: '0.0254', names: ['thou', 'mil', 'mils'] },
  { symbol: '°C', dimension: 'temperature', factor: '1', names: ['°c', 'c', 'degc', '℃'] },
  {
    symbol: '°F',
    dimension: 'temperature',
    factor: '0.55555555555555555555555555555556',
    offset: '-32',
    names: ['°f', 'f', 'degf', '℉'],
  },
  { symbol: 'N·m', dimension: 'torque', factor: '1', names: ['nm', 'n·m', 'n*m', 'n-m', 'n m'] },
  {
    symbol: 'ft-lb',
    dimension: 'torque',
    factor: '1.3558179483314004',
    names: ['ft-lb', 'ftlb', 'ft·lb', 'ft lb', 'lb-ft', 'lbf·ft', 'lbft', 'ft-lbf', 'foot-pounds', 'foot-pound'],
  },
  {
    symbol: 'in-lb',
    dimension: 'torque',
    factor: '0.1129848290276167',
    names: ['in-lb', 'inlb', 'in·lb', 'in lb', 'lb-in', 'inch-pounds'],
  },
  { symbol: 'kPa', dimension: 'pressure', factor: '1', names: ['kpa'] },
  { symbol: 'bar', dimension: 'pressure', factor: '100', names: ['bar'] },
  { symbol: 'psi', dimension: 'pressure', factor: '6.894757293168361', names: ['psi', 'psig'] },
  { symbol: 'm³/h', dimension: 'flow', factor: '1', names: ['m3h', 'm3/h', 'm³/h', 'cmh'] },
  { symbol: 'L/min', dimension: 'flow', factor: '0.06', names: ['l/min', 'lmin', 'lpm'] },
  { symbol: 'L/s', dimension: 'flow', factor: '3.6', names: ['l/s'] },
  { symbol: 'gpm', dimension: 'flow', factor: '0.22712470704', names: ['gpm', 'usgpm'] },
  { symbol: 'kW', dimension: 'power', factor: '1', names: ['kw'] },
  { symbol: 'hp', dimension: 'power', factor: '0.74569987158227022', names: ['hp'] },
  { symbol: 'N', dimension: 'force', factor: '1', names: ['n'] },
  { symbol: 'kN', dimension: 'force', factor: '1000', names: ['kn'] },
  { symbol: 'lbf', dimension: 'force', factor: '4.4482216152605', names: ['lbf'] },
  { symbol: 'rpm', dimension: 'speed', factor: '1', names: ['rpm', '1/min', 'min-1'] },
  { symbol: 'g', dimension: 'mass', factor: '1', names: ['g', 'gram', 'grams'] },
  { symbol: 'kg', dimension: 'mass', factor: '1000', names: ['kg'] },
  { symbol: 'lb', dimension: 'mass', factor: '453.59237', names: ['lb', 'lbs'] },
  { symbol: 'oz', dimension: 'mass', factor: '28.349523125', names: ['oz'] },
  { symbol: '°', dimension: 'angle', factor: '1', names: ['°', 'deg', 'degrees'] },
  { symbol: 'mm²/s', dimension: 'viscosity', factor: '1', names: ['mm²/s', 'mm2/s', 'cst', 'centistokes'] },
  { symbol: 's', dimension: 'time', factor: '1', names: ['s', 'sec'] },
  { symbol: 'min', dimension: 'time', factor: '60', names: ['min'] },
  { symbol: 'h', dimension: 'time', factor: '3600', names: ['h', 'hours'] },
  { symbol: '', dimension: 'number', factor: '1', names: [''] },
];

export interface Quantity {
  /** In the base unit of the dimension, exact to 20 decimals. */
  readonly value: Decimal;
  readonly typedValue: Decimal;
  readonly unit: string;
  /** Decimals that were typed; for a fraction of an inch, those of the decimal it stands for. */
  readonly digits: number;
  readonly text: string;
}

export type Parsed =
  | { readonly ok: true; readonly quantity: Quantity }
  | { readonly ok: false; readonly sentence: string; readonly choices?: readonly string[] };

interface Asked {
  readonly text: string;
  readonly dimension: Dimension;
  /** Unit meant when none is typed. */
  readonly assume: string;
}

const fractionPattern = /^(?:(\d+)[\s-]+)?(\d+)\s*[/⁄]\s*(\d+)$/;

function parseNumber(
  text: string,
): { value: Decimal; digits: number } | { ambiguous: readonly [string, string] } | null {
  const clean = text
    .replace(/\u2212/g, '-')
    .replace(/[\u00a0\u202f]/g, ' ')
    .trim();
  const sign = clean.startsWith('-') ? -1 : 1;
  const body = clean.replace(/^[+-]\s*/, '');
  const fraction = fractionPattern.exec(body);
  if (fraction) return parseFraction(fraction, sign);
  if (/^\d{1,3},\d{3}$/.test(body) && !body.startsWith('0'))
    return { ambiguous: [body.replace(',', '.'), body.replace(',', '')] };
  const plain = /^\d*,\d+$/.test(body) ? body.replace(',', '.') : body.replace(/(\d),(?=\d{3}(\D|$))/g, '$1');
  if (!/^(\d+\.?\d*|\.\d+)(e[+-]?\d{1,3})?$/i.test(plain)) return null;
  const value = new Exact(plain).times(sign);
  return { value, digits: (present(plain.split(/e/i)[0]).split('.')[1] ?? '').length };
}

function parseFraction([, whole, top, bottom]: RegExpExecArray, sign: number) {
  if (Number(bottom) === 0) return null;
  const value = new Exact(whole ?? 0).plus(new Exact(present(top)).div(present(bottom)));
  return { value: value.times(sign), digits: Math.min(6, value.decimalPlaces()) };
}

const namesByLength = units
  .flatMap((unit) => unit.names)
  .filter(Boolean)
  .sort((one, other) => other.length - one.length);

/** A number alone, else the longest known unit at the end, else whatever follows the last figure. */
function splitUnit(text: string): { number: string; unit: string } {
  const whole = text.trim();
  if (parseNumber(whole)) return { number: whole, unit: '' };
  const lower = whole.toLowerCase();
  const name = namesByLength.find((one) => lower.endsWith(one) && /[\d.⁄][\s-]*$/.test(lower.slice(0, -one.length)));
  if (name) return { number: whole.slice(0, -name.length).trim(), unit: whole.slice(-name.length) };
  const found = /^(.*?[\d.,⁄/]\s*)([^\d\s.,/-].*)?$/.exec(text.trim());
  return found
    ? { number: present(found[1]).trim(), unit: (found[2] ?? '').trim() }
    : { number: text.trim(), unit: '' };
}

/**
 * Understands what people type: `12.70`, `1/2 in`, `1 5/16"`, `3 thou`, `50 ft-lb`, `180 °F`, `1,5 mm`.
 * Inputs: the text, the dimension wanted, and the unit meant when none is typed.
 * An ambiguous number (`1,234`) is asked about, not guessed. Never throws.
 * @example parseQuantity({ text: '1 5/16"', dimension: 'length', assume: 'mm' }) // { ok: true, quantity: { unit: 'in', digits: 4 } }
 */
export function parseQuantity({ text, dimension, assume }: Asked): Parsed {
  if (!text.trim()) return { ok: false, sentence: 'Nothing is typed yet.' };
  if (text.length > 60) return { ok: false, sentence: `"${text.slice(0, 20)}…" is too long for a value.` };
  const { number, unit: typedUnit } = splitUnit(text);
  const parsed = parseNumber(number);
  if (!parsed) return { ok: false, sentence: `"${text.trim()}" is not a number that can be read.` };
  if ('ambiguous' in parsed)
    return {
      ok: false,
      sentence: `Is "${number}" ${parsed.ambiguous[0]} or ${parsed.ambiguous[1]}?`,
      choices: parsed.ambiguous.map((choice) => `${choice} ${typedUnit || assume}`.trim()),
    };
  const wanted = (typedUnit || assume).toLowerCase();
  const unit = units.find((candidate) => candidate.dimension === dimension && candidate.names.includes(wanted));
  if (!unit) return { ok: false, sentence: wrongUnit(typedUnit || assume, dimension) };
  const value = parsed.value.plus(unit.offset ?? 0).times(unit.factor);
  return {
    ok: true,
    quantity: {
      value: value.toDecimalPlaces(20),
      typedValue: parsed.value,
      unit: unit.symbol,
      digits: parsed.digits,
      text: text.trim(),
    },
  };
}

function wrongUnit(typed: string, dimension: Dimension): string {
  const known = units.find((unit) => unit.names.includes(typed.toLowerCase()));
  const takes = units
    .filter((unit) => unit.dimension === dimension)
    .map((unit) => unit.symbol)
    .join(', ');
  return known
    ? `"${typed}" is a unit of ${known.dimension}; here a ${dimension} is wanted (${takes}).`
    : `"${typed}" is not a unit known here; for a ${dimension} there are ${takes}.`;
}

/**
 * What was typed, with its unit said where a shop in inches leaves it out, so that the record needs no guess.
 * @example withLengthUnit('1.7717', 'inch') // '1.7717 in'
 */
export function withLengthUnit(text: string, display: LengthDisplay): string {
  const trimmed = text.trim();
  return display === 'inch' && trimmed && !splitUnit(trimmed).unit ? `${trimmed} in` : trimmed;
}
