import * as z from 'zod';
import {
  arrivals,
  cleanings,
  holders,
  lineDecisions,
  liquidStates,
  optionLevels,
  type Amount,
  type AnswerData,
  type ComparisonBasis,
  type Guarantee,
  type FindingId,
  type Hold,
  type Intake,
  type PersonId,
  type Question,
  type Recipient,
  type StandReading,
  type StepData,
  type SupplementReason,
} from '@/core/record';

/** What JSON columns hold, checked when they are read. */
const duty = z.object({
  flowM3h: z.number(),
  headM: z.number(),
  powerKw: z.number().optional(),
  efficiencyPct: z.number().optional(),
  speedRpm: z.number(),
});
export const guaranteeSchema: z.ZodType<Guarantee> = duty.extend({ viscosityMm2S: z.number().optional() });
export const holdSchema: z.ZodType<Hold> = z.object({ reason: z.string(), holder: z.enum(holders), until: z.string() });
/** Signatures from before they kept the person's id have none. */
const signedSchema = z.object({
  personId: z.string().brand<'PersonId'>().nullable().default(null),
  personName: z.string(),
  at: z.string(),
});
export const intakeBodySchema: z.ZodType<Omit<Intake, 'version'>> = z.object({
  equipmentNumber: z.string(),
  duty: duty.nullable(),
  liquid: z.string(),
  cleaning: z.enum(cleanings),
  cleaningReference: z.string(),
  whyOut: z.string(),
  runningHours: z.number().nullable(),
  cameWith: z.array(z.string()),
  shims: z.array(z.object({ foot: z.string(), thicknesses: z.string() })),
  hazards: z.string(),
  shippingDamage: z.string(),
  elastomer: z.string(),
  liquidTemperatureC: z.number().nullable().optional(),
  viscosityMm2S: z.number().nullable().optional(),
  isolation: signedSchema.nullable(),
  liquidState: z.enum(liquidStates).optional(),
  arrival: z.enum(arrivals).optional(),
});
export const stepDataSchema: z.ZodType<StepData> = z.record(z.string(), z.union([z.string(), z.number(), z.boolean()]));
export const answerDataSchema: z.ZodType<AnswerData> = z.object({
  consumable: z.string().optional(),
  tool: z.string().optional(),
  passes: z.array(z.number()).optional(),
  rows: z.array(z.record(z.string(), z.union([z.number(), z.string()]))).optional(),
  ambientC: z.number().optional(),
  reason: z.string().optional(),
  asked: z.number().optional(),
  cautions: z.array(z.string()).optional(),
  text: z.string().optional(),
});
export const optionsSchema = z.array(z.enum(optionLevels));
export const itemKeysSchema = z.array(z.string());
export const recipientsSchema: z.ZodType<Recipient[]> = z.array(z.object({ name: z.string(), email: z.string() }));
export const amountSchema: z.ZodType<Amount> = z.object({ quantity: z.number(), unitPriceMinor: z.number() });
export const basisSchema: z.ZodType<ComparisonBasis> = z.object({
  hoursPerYear: z.number(),
  pricePerKwhMinor: z.number(),
  interestPct: z.number(),
  hireMinorPerDay: z.number(),
  lifeYears: z.record(z.enum([...optionLevels, 'as it is', 'new unit']), z.number()),
  newUnit: z.object({ priceMinor: z.number(), days: z.number() }).nullable(),
});
export const supplementSchema: z.ZodType<SupplementReason> = z.object({
  findingId: z.string().brand<'FindingId'>(),
  whyOnlyNow: z.string(),
  stops: z.array(z.string()),
});
export const questionAnswerSchema: z.ZodType<NonNullable<Question['answer']>> = signedSchema.extend({
  words: z.string(),
});
export const decisionsSchema = z.record(z.string(), z.enum(lineDecisions));
export const linePartsSchema = z.array(z.object({ ref: z.string(), qty: z.number() }));
export const findingIdsSchema: z.ZodType<FindingId[]> = z.array(z.string().brand<'FindingId'>());
export const standReadingsSchema: z.ZodType<StandReading[]> = z.array(
  z.object({
    flowM3h: z.number(),
    suctionKpa: z.number(),
    dischargeKpa: z.number(),
    speedRpm: z.number(),
    powerInKw: z.number(),
    motorEfficiencyPct: z.number(),
    densityKgM3: z.number(),
    viscosityMm2S: z.number().optional(),
    vibrationMmS: z.number(),
    bearingC: z.number(),
  }),
);
export type SignedRow = { readonly personId: PersonId | null; readonly personName: string; readonly at: Date };
