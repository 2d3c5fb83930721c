import { present } from '@/core/present';
import type { InputOf } from '@/contract';
import type { Arrival, Duty, Intake, LiquidState } from '@/core/record';
import { liquidStateOf } from '@/core/residue';
import { parseQuantity, type Dimension } from '@/core/units';

/** The intake as it stands in the fields: text as typed, so that nothing is lost or rounded before it is understood. */
export interface IntakeText {
  readonly equipmentNumber: string;
  readonly flow: string;
  readonly head: string;
  readonly power: string;
  readonly efficiency: string;
  readonly speed: string;
  readonly liquid: string;
  readonly temperature: string;
  readonly viscosity: string;
  readonly cleaning: Intake['cleaning'];
  readonly cleaningReference: string;
  readonly whyOut: string;
  readonly runningHours: string;
  readonly cameWith: readonly string[];
  readonly alsoCameWith: string;
  readonly shims: Readonly<Record<string, string>>;
  readonly hazards: string;
  readonly shippingDamage: string;
  readonly elastomer: string;
  readonly liquidState: LiquidState;
  readonly arrival: Arrival;
}

/** The fields as a person names them. */
export const intakeFieldNames: Readonly<Record<keyof IntakeText, string>> = {
  equipmentNumber: 'customer’s equipment number',
  flow: 'flow',
  head: 'head',
  power: 'power',
  efficiency: 'efficiency',
  speed: 'speed',
  liquid: 'liquid',
  temperature: 'temperature of the liquid',
  viscosity: 'viscosity of the liquid',
  cleaning: 'cleaning paper',
  cleaningReference: 'number of the cleaning paper',
  whyOut: 'why it came out',
  runningHours: 'running hours',
  cameWith: 'what came with it',
  alsoCameWith: 'what else came with it',
  shims: 'shims',
  hazards: 'hazards',
  shippingDamage: 'shipping damage',
  elastomer: 'elastomer',
  liquidState: 'whether the liquid is known',
  arrival: 'how it came',
};

export const feet = ['front left', 'front right', 'rear left', 'rear right'] as const;
export const usualPieces = ['coupling half', 'guard', 'key', 'seal pot', 'flush lines', 'gauges'] as const;

export const emptyIntake: IntakeText = {
  equipmentNumber: '',
  flow: '',
  head: '',
  power: '',
  efficiency: '',
  speed: '',
  liquid: '',
  temperature: '',
  viscosity: '',
  cleaning: 'none',
  cleaningReference: '',
  whyOut: '',
  runningHours: '',
  cameWith: [],
  alsoCameWith: '',
  shims: {},
  hazards: '',
  shippingDamage: '',
  elastomer: '',
  liquidState: 'named',
  arrival: 'complete',
};

type AmountField = 'flow' | 'head' | 'power' | 'speed' | 'temperature' | 'viscosity';
const amounts: Readonly<
  Record<AmountField, { readonly dimension: Dimension; readonly assume: string; readonly perBase: number }>
> = {
  flow: { dimension: 'flow', assume: 'm³/h', perBase: 1 },
  head: { dimension: 'length', assume: 'm', perBase: 0.001 },
  power: { dimension: 'power', assume: 'kW', perBase: 1 },
  speed: { dimension: 'speed', assume: 'rpm', perBase: 1 },
  temperature: { dimension: 'temperature', assume: '°C', perBase: 1 },
  viscosity: { dimension: 'viscosity', assume: 'mm²/s', perBase: 1 },
};

type Issues = Record<string, string>;

function readAmount(text: IntakeText, field: AmountField, issues: Issues): number | undefined {
  if (!text[field].trim()) return undefined;
  const { dimension, assume, perBase } = amounts[field];
  const parsed = parseQuantity({ text: text[field], dimension, assume });
  if (!parsed.ok) {
    issues[field] = parsed.sentence;
    return undefined;
  }
  return Number((parsed.quantity.value.toNumber() * perBase).toFixed(6));
}

function readPlain(text: string, field: string, issues: Issues): number | undefined {
  if (!text.trim()) return undefined;
  const parsed = parseQuantity({ text: text.replace(/[%h]\s*$/, ''), dimension: 'number', assume: '' });
  if (parsed.ok) return parsed.quantity.value.toNumber();
  issues[field] = parsed.sentence;
  return undefined;
}

function readDuty(text: IntakeText, issues: Issues): Duty | null {
  const [flowM3h, headM, speedRpm, powerKw] = [
    readAmount(text, 'flow', issues),
    readAmount(text, 'head', issues),
    readAmount(text, 'speed', issues),
    readAmount(text, 'power', issues),
  ];
  const efficiencyPct = readPlain(text.efficiency, 'efficiency', issues);
  const any = [text.flow, text.head, text.speed, text.power, text.efficiency].some((one) => one.trim());
  if (!any) return null;
  for (const field of ['flow', 'head', 'speed'] as const)
    if (!text[field].trim()) issues[field] = 'the duty needs flow, head and speed together';
  if (flowM3h === undefined || headM === undefined || speedRpm === undefined) return null;
  return {
    flowM3h,
    headM,
    speedRpm,
    ...(powerKw !== undefined && { powerKw }),
    ...(efficiencyPct !== undefined && { efficiencyPct }),
  };
}

/** Understands the fields; `issues` names what cannot be read, by field. */
export function readIntakeText(text: IntakeText): {
  readonly intake: InputOf<'save-intake'>['intake'];
  readonly issues: Readonly<Issues>;
} {
  const issues: Issues = {};
  const duty = readDuty(text, issues);
  const liquidTemperatureC = readAmount(text, 'temperature', issues) ?? null;
  const viscosityMm2S = readAmount(text, 'viscosity', issues) ?? null;
  const runningHours = readPlain(text.runningHours, 'runningHours', issues) ?? null;
  const { equipmentNumber, liquid, cleaning, cleaningReference, whyOut, hazards, shippingDamage, elastomer } = text;
  const { liquidState, arrival } = text;
  const also = text.alsoCameWith
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
  const shims = feet
    .filter((foot) => text.shims[foot]?.trim())
    .map((foot) => ({ foot, thicknesses: present(text.shims[foot]).trim() }));
  return {
    intake: {
      equipmentNumber,
      duty,
      liquid,
      liquidTemperatureC,
      viscosityMm2S,
      cleaning,
      cleaningReference,
      whyOut,
      runningHours,
      cameWith: [...text.cameWith, ...also],
      shims,
      hazards,
      shippingDamage,
      elastomer,
      liquidState,
      arrival,
    },
    issues,
  };
}

const textOf = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));

export function writeIntakeText(intake: Intake): IntakeText {
  const { duty } = intake;
  const usual: readonly string[] = usualPieces;
  return {
    ...emptyIntake,
    equipmentNumber: intake.equipmentNumber,
    liquid: intake.liquid,
    temperature: textOf(intake.liquidTemperatureC),
    viscosity: textOf(intake.viscosityMm2S),
    cleaning: intake.cleaning,
    cleaningReference: intake.cleaningReference,
    whyOut: intake.whyOut,
    hazards: intake.hazards,
    shippingDamage: intake.shippingDamage,
    elastomer: intake.elastomer,
    liquidState: liquidStateOf(intake),
    arrival: intake.arrival ?? 'complete',
    flow: duty ? String(duty.flowM3h) : '',
    head: duty ? String(duty.headM) : '',
    speed: duty ? String(duty.speedRpm) : '',
    power: duty?.powerKw === undefined ? '' : String(duty.powerKw),
    efficiency: duty?.efficiencyPct === undefined ? '' : String(duty.efficiencyPct),
    runningHours: intake.runningHours === null ? '' : String(intake.runningHours),
    cameWith: intake.cameWith.filter((piece) => usual.includes(piece)),
    alsoCameWith: intake.cameWith.filter((piece) => !usual.includes(piece)).join(', '),
    shims: Object.fromEntries(intake.shims.map((pack) => [pack.foot, pack.thicknesses])),
  };
}
