/* eslint-disable max-lines -- the whole record of a job stands in one place */
import type { Language } from '../../words';
import { asId } from './ids';
import type { Sheet } from './sheets';
import type { Signed } from './signed';
import type {
  FindingId,
  JobId,
  OrderId,
  OrderLineId,
  PhotoId,
  Place,
  QuoteId,
  QuoteLineId,
  ReportId,
  Tag,
} from './ids';
import type {
  Action,
  AnswerState,
  Arrival,
  ApprovalWay,
  BenchPhase,
  Cleaning,
  Correctable,
  DeclineDecision,
  FindingKind,
  Holder,
  LineDecision,
  LineKind,
  LiquidState,
  OptionLevel,
  Outcome,
  PartState,
  Phase,
  QuoteKind,
  QuoteState,
  RunDecision,
  RunVerdict,
  Sight,
  Station,
  StepPhase,
  StepState,
} from './enumerations';

export interface Hold {
  readonly reason: string;
  readonly holder: Holder;
  readonly until: string;
}

export interface Duty {
  readonly flowM3h: number;
  readonly headM: number;
  readonly powerKw?: number | undefined;
  readonly efficiencyPct?: number | undefined;
  readonly speedRpm: number;
}

/** What a run is held against: the duty, and the viscosity of the liquid for which it holds, where it is known. */
export interface Guarantee extends Duty {
  readonly viscosityMm2S?: number | undefined;
}

export interface ShimPack {
  readonly foot: string;
  readonly thicknesses: string;
}

export interface Intake {
  readonly version: number;
  readonly equipmentNumber: string;
  readonly duty: Duty | null;
  readonly liquid: string;
  readonly cleaning: Cleaning;
  readonly cleaningReference: string;
  readonly whyOut: string;
  readonly runningHours: number | null;
  readonly cameWith: readonly string[];
  readonly shims: readonly ShimPack[];
  readonly hazards: string;
  readonly shippingDamage: string;
  readonly elastomer: string;
  /** Of the liquid as it is pumped; null where nobody said it. */
  readonly liquidTemperatureC?: number | null | undefined;
  readonly viscosityMm2S?: number | null | undefined;
  readonly isolation: Signed | null;
  /** Whether anybody can say what it handled; absent from before this was asked, when it was named. */
  readonly liquidState?: LiquidState | undefined;
  /** In which state it came; absent from before this was asked, when it was complete. */
  readonly arrival?: Arrival | undefined;
}

export interface Acknowledgement extends Signed {
  readonly caution: string;
}

export interface PartAccount extends Signed {
  readonly ref: string;
  readonly state: PartState;
  readonly note: string;
  readonly version: number;
}

/** A promise that was moved: from which day to which, why, and whether the customer was written to. */
export interface PromiseMove extends Signed {
  /** Counts the moves of a job from 1. */
  readonly number: number;
  readonly from: string;
  readonly to: string;
  readonly reason: string;
  /** To whom the mail went; null where nobody was written to. */
  readonly toldTo: string | null;
}

/** Something that was written down wrongly when the pump came in: what it was, what it is, why. */
export interface Correction extends Signed {
  /** Counts the corrections of a job from 1. */
  readonly number: number;
  readonly what: Correctable;
  readonly from: string;
  readonly to: string;
  readonly reason: string;
}

/** A part that was looked at, and whether something was seen on it. */
export interface Look extends Signed {
  readonly ref: string;
  readonly seen: Sight;
  readonly version: number;
}

export type StepData = Readonly<Record<string, string | number | boolean>>;

/** A step of which all actions are answered, or one that was opened again; who is who closed or opened it. */
export interface StepDone extends Signed {
  readonly phase: StepPhase;
  readonly round: number;
  readonly stepId: string;
  readonly state: StepState;
  readonly data: StepData;
  readonly second: Signed | null;
  readonly version: number;
}

/** A row of a record, such as one reading of a series: figures and words by column. */
export type RecordRow = Readonly<Record<string, number | string>>;

/** What an answer holds beside its value. */
export interface AnswerData {
  /** What was put on or in. */
  readonly consumable?: string | undefined;
  /** Code of the tool or gauge that it was done with. */
  readonly tool?: string | undefined;
  /** Torque by pass, in N·m. */
  readonly passes?: readonly number[] | undefined;
  /** Rows of a record, each figure or word by its column. */
  readonly rows?: readonly RecordRow[] | undefined;
  /** Room temperature beside a bearing that was heated, in °C. */
  readonly ambientC?: number | undefined;
  /** Why it was not possible, or why it may stand though it is not right. */
  readonly reason?: string | undefined;
  /** The figure that a setting asked for. */
  readonly asked?: number | undefined;
  /** Cautions that were read before it. */
  readonly cautions?: readonly string[] | undefined;
  /** Words of an answer from before actions. */
  readonly text?: string | undefined;
}

/** What was answered to one action of a step. */
export interface Answer extends Signed {
  readonly phase: BenchPhase;
  readonly round: number;
  readonly actionId: string;
  readonly state: AnswerState;
  readonly typed: string;
  /** In the unit beside it; null for what is no number. */
  readonly value: number | null;
  readonly unit: string;
  readonly photoId: PhotoId | null;
  readonly data: AnswerData;
  /** Whether it is not right and stands by the word of who signed it. */
  readonly conceded: boolean;
  readonly version: number;
}

export interface Reading extends Signed {
  readonly phase: Phase;
  readonly pointId: string;
  readonly place: Place;
  /** As left, the rebuild that it was read in; 0 for one from before readings had a round. */
  readonly round: number;
  /** In the unit of the point, which stands beside it. */
  readonly value: number;
  readonly unit: string;
  readonly typed: string;
  readonly typedUnit: string;
  readonly typedDigits: number;
  readonly instrument: string | null;
  /** Of the instrument, in the unit of the point. */
  readonly uncertainty: number | null;
  /** Why it stands though its instrument was overdue or out of its range. */
  readonly conceded: string | null;
  readonly version: number;
}

export interface Disposition extends Signed {
  readonly action: Action;
  readonly reason: string;
  readonly version: number;
}

export interface Finding extends Signed {
  readonly id: FindingId;
  readonly kind: FindingKind;
  /**
   * What it was found at: the pump as it came, or as it leaves. A verdict overruled as found says nothing of the pump
   * as left.
   */
  readonly phase: Phase;
  /** As left, the rebuild that it is of; 0 for one from before findings had a round. */
  readonly round: number;
  readonly pointId: string | null;
  /** The action whose answer it follows from, for a finding of the bench. */
  readonly actionId: string | null;
  readonly partRef: string;
  readonly words: string;
  readonly plain: string;
  readonly proposed: string | null;
  readonly verdict: string | null;
  readonly overruledReason: string | null;
  readonly waivedReason: string | null;
  readonly photoId: PhotoId | null;
  readonly version: number;
  readonly disposition: Disposition | null;
}

/** A quantity and its price, as a line has them. */
export interface Amount {
  readonly quantity: number;
  readonly unitPriceMinor: number;
}

export interface QuoteLine {
  readonly id: QuoteLineId;
  /** What tells it from the others of its quote, the same in every revision; empty for one from before lines had keys. */
  readonly key: string;
  /** Keys of the scope items that it offers. */
  readonly itemKeys: readonly string[];
  readonly kind: LineKind;
  readonly description: string;
  readonly plain: string;
  readonly quantity: number;
  readonly unit: string;
  readonly unitPriceMinor: number;
  readonly findingIds: readonly FindingId[];
  readonly parts: readonly { readonly ref: string; readonly qty: number }[];
  readonly declinable: boolean;
  readonly struckReason: string | null;
  /** In which options it stands; in every one where none is named. */
  readonly options: readonly OptionLevel[];
  /** What happens in the options in which it does not stand, in a word or two: “stays worn”. */
  readonly instead: string;
  /** Without it the pump may fail in service: who declines it is told and asked again. */
  readonly critical: boolean;
  /** Made or changed by a person: a revision keeps it. */
  readonly byHand: boolean;
  /** What the record proposes for a line that was changed by hand; null for one that is as proposed, or made by hand. */
  readonly proposed: Amount | null;
  /** The proposal has moved since the price was changed by hand: a finding beneath it changed. */
  readonly proposalMoved: boolean;
  readonly discountPct: number;
  /** What one unit costs the shop; null where nobody knows. Never shown to a customer. */
  readonly unitCostMinor: number | null;
}

export interface Recipient {
  readonly name: string;
  readonly email: string;
}

/** What a repair is held against: how long each way lasts and what a year of running costs. Figures of the shop. */
export interface ComparisonBasis {
  readonly hoursPerYear: number;
  readonly pricePerKwhMinor: number;
  readonly interestPct: number;
  readonly hireMinorPerDay: number;
  /** Years that each way is expected to last. */
  readonly lifeYears: Readonly<Record<OptionLevel | 'as it is' | 'new unit', number>>;
  /** Price and delivery days of a new unit; null where nobody asked for it. */
  readonly newUnit: { readonly priceMinor: number; readonly days: number } | null;
}

/** Why a supplement was needed: what was found later, why only then, and what waits for its answer. */
export interface SupplementReason {
  readonly findingId: FindingId;
  readonly whyOnlyNow: string;
  /** Steps of the bench that wait for the answer; the rest goes on. */
  readonly stops: readonly string[];
}

export interface Quote {
  readonly id: QuoteId;
  readonly kind: QuoteKind;
  /** Counts the revisions of the quote, or the supplements of a job. */
  readonly revision: number;
  readonly state: QuoteState;
  readonly currency: string;
  readonly taxPct: number;
  readonly validUntil: string;
  readonly sentAt: string | null;
  readonly text: string | null;
  readonly fingerprint: string | null;
  readonly version: number;
  /** The options that are offered side by side; none where there is nothing to choose. */
  readonly options: readonly OptionLevel[];
  readonly advised: OptionLevel;
  /** Words that go before the offer. */
  readonly note: string;
  /** Who gets it beside the job's contact. */
  readonly recipients: readonly Recipient[];
  /** A rate for this quote alone; null for the shop's. */
  readonly labourMinorPerHour: number | null;
  /** Off the sum of the lines. */
  readonly discountPct: number;
  /** Null where the shop's figures hold. */
  readonly basis: ComparisonBasis | null;
  readonly supplement: SupplementReason | null;
  /** In which its lines are written, and everything that the customer reads of it. */
  readonly language: Language;
  readonly lines: readonly QuoteLine[];
}

/** A question of the customer about a quote, and the shop's answer. */
export interface Question {
  readonly id: string;
  readonly quoteId: QuoteId;
  readonly askedBy: string;
  readonly askedAt: string;
  readonly words: string;
  readonly answer: (Signed & { readonly words: string }) | null;
}

/** What was agreed with the customer before anything was found. */
export interface Agreement extends Signed {
  /** Supplements up to this sum without tax are approved by this rule, all together. */
  readonly limitMinor: number;
  /** Who agreed to it, and how. */
  readonly saidBy: string;
  readonly version: number;
}

/** What the shop does after a critical item was declined: go on with the disclaimer, or send the pump back. */
export interface DeclineSettled extends Signed {
  readonly approvalId: string;
  readonly decision: DeclineDecision;
  /** The disclaimer as it is printed, or why it goes back. */
  readonly words: string;
}

export interface Reminder extends Signed {
  readonly number: number;
  readonly quoteId: QuoteId;
  readonly sentTo: string;
  readonly words: string;
}

/** A link by which the customer reaches one quote. What it opens with is known by its hash only. */
export interface CustomerLink {
  readonly id: string;
  readonly quoteId: QuoteId;
  readonly tokenHash: string;
  readonly createdAt: string;
  readonly expiresAt: string;
  readonly revokedAt: string | null;
}

export interface Approval extends Signed {
  readonly id: string;
  readonly quoteId: QuoteId;
  readonly way: ApprovalWay;
  readonly name: string;
  readonly reference: string;
  readonly decisions: Readonly<Record<string, LineDecision>>;
  /** The option that was chosen; null where none was offered. */
  readonly option: OptionLevel | null;
  /** Why an earlier answer was put right; null for a first one. */
  readonly corrects: string | null;
  readonly signature: string;
  readonly text: string;
  readonly fingerprint: string;
}

export interface OrderLine {
  readonly id: OrderLineId;
  readonly partRef: string;
  readonly number: string;
  readonly quantity: number;
  readonly sent: number;
  /** The day of this line, where it is not that of the order. */
  readonly dueOn: string | null;
  /** What was counted so far: the sum of the receipts. */
  readonly received: number;
}

export interface PurchaseOrder extends Signed {
  readonly id: OrderId;
  readonly number: string;
  readonly supplier: string;
  /** The supplier's reference and date; null until it has answered. */
  readonly acknowledgement: string | null;
  readonly dueOn: string | null;
  /** What was ordered before the customer answered, and who answers for it; null for an order after the answer. */
  readonly atRiskMinor: number | null;
  readonly lines: readonly OrderLine[];
}

/** Pieces counted on receiving, for one line of an order. */
export interface Receipt extends Signed {
  readonly id: string;
  /** What stands on the pieces, and their lot; empty where nothing does. */
  readonly number: string;
  readonly variant: string;
  readonly lot: string;
  readonly lineId: OrderLineId;
  readonly quantity: number;
  readonly note: string;
}

/** What the stand's gauges said at one point. */
export interface StandReading {
  readonly flowM3h: number;
  readonly suctionKpa: number;
  readonly dischargeKpa: number;
  readonly speedRpm: number;
  readonly powerInKw: number;
  readonly motorEfficiencyPct: number;
  readonly densityKgM3: number;
  /** Of the stand's liquid at the temperature of the test; absent where the stand does not say it. */
  readonly viscosityMm2S?: number | undefined;
  readonly vibrationMmS: number;
  readonly bearingC: number;
}

export interface TestRun extends Signed {
  readonly id: string;
  readonly run: number;
  readonly guarantee: Guarantee;
  readonly grade: string;
  readonly verdict: RunVerdict;
  readonly points: readonly StandReading[];
  readonly decision: RunDecision | null;
  readonly decisionReason: string | null;
  /** Step of rebuild from which a failed run opens the pump again; null for all of rebuild. */
  readonly reopenFrom?: string | null | undefined;
  readonly decisionBy: string | null;
  readonly decisionAt: string | null;
}

export interface IssuedReport extends Signed {
  readonly id: ReportId;
  readonly number: string;
  readonly revision: string;
  readonly whatChanged: string;
  readonly fingerprint: string;
}

export interface PhotoTaken extends Signed {
  readonly id: PhotoId;
  readonly about: string;
  readonly caption: string;
  readonly width: number;
  readonly height: number;
  /** SHA-256 of the stored picture. */
  readonly fingerprint: string;
}

export interface ReturnRecord {
  readonly releasedBy: string;
  readonly releasedAt: string;
  readonly packing: string;
  readonly deliveredAt: string | null;
  readonly deliveredTo: string | null;
  readonly warrantyFrom: string | null;
  readonly warrantyMonths: number;
  /** Path of the signature of whoever took it over; empty where the carrier's paper has it. */
  readonly signature: string;
}

/** What stands once for a job: whose pump it is, how it is built, and where it stands. */
export interface JobHead {
  readonly id: JobId;
  readonly tag: Tag;
  readonly station: Station;
  readonly holder: Holder;
  readonly holderSince: string;
  readonly hold: Hold | null;
  readonly outcome: Outcome;
  readonly promisedOn: string;
  readonly openedAt: string;
  readonly closedAt: string | null;
  readonly familyId: string;
  readonly familyVersion: string;
  readonly pump: {
    readonly id: string;
    readonly maker: string;
    readonly model: string;
    readonly serial: string;
    readonly size: string;
  };
  readonly customer: { readonly id: string; readonly name: string };
  readonly contact: {
    readonly id: string;
    readonly name: string;
    readonly email: string;
    readonly phone: string;
  } | null;
  /** The lot that it came in, and which unit of it; null for a pump that came alone. */
  readonly lot: { readonly id: string; readonly number: string; readonly unit: number } | null;
}

/** What is shared by the units that came together. */
export interface LotTerms {
  readonly deliveryNote: string;
  readonly sharesPromise: boolean;
  readonly sharesQuote: boolean;
  readonly sharesDelivery: boolean;
}

/** Another unit of the same lot, as it stands. */
export interface LotMate {
  readonly tag: Tag;
  readonly unit: number;
  readonly serial: string;
  readonly station: Station;
  readonly outcome: Outcome;
  readonly promisedOn: string;
  readonly isReleased: boolean;
  readonly isClosed: boolean;
}

export interface EarlierVisit {
  readonly tag: Tag;
  readonly openedAt: string;
  /** When it went back; null while it is in the house. */
  readonly closedAt: string | null;
  readonly outcome: Outcome;
  readonly reportNumber: string | null;
  /** The last day of its warranty; null where it has none. */
  readonly warrantyUntil: string | null;
}

/**
 * What a record has that is not the job's own rows: its place in the chain of events, and other jobs of the same pump.
 */
export interface RecordFrame {
  readonly version: number;
  readonly headHash: string;
  readonly earlierVisits: readonly EarlierVisit[];
  readonly lotTerms: LotTerms | null;
  readonly lotMates: readonly LotMate[];
  /** Other pumps of the same make, model and size whose parts lie open in the house: theirs and ours look alike. */
  readonly likePumps: readonly Tag[];
}

/**
 * The whole record of one job as plain data: what the database holds, with numbers as numbers and moments as ISO text.
 * Every topic of core reads this; only `server` fills it.
 */
export interface JobRecord extends JobHead, RecordFrame {
  readonly intake: Intake;
  readonly acknowledgements: readonly Acknowledgement[];
  readonly parts: readonly PartAccount[];
  readonly looks: readonly Look[];
  readonly promises: readonly PromiseMove[];
  readonly corrections: readonly Correction[];
  readonly steps: readonly StepDone[];
  readonly answers: readonly Answer[];
  readonly readings: readonly Reading[];
  readonly findings: readonly Finding[];
  readonly quotes: readonly Quote[];
  readonly links: readonly CustomerLink[];
  readonly approvals: readonly Approval[];
  readonly questions: readonly Question[];
  readonly agreement: Agreement | null;
  readonly declines: readonly DeclineSettled[];
  readonly reminders: readonly Reminder[];
  readonly orders: readonly PurchaseOrder[];
  readonly receipts: readonly Receipt[];
  readonly runs: readonly TestRun[];
  readonly reports: readonly IssuedReport[];
  readonly photos: readonly PhotoTaken[];
  readonly returned: ReturnRecord | null;
  readonly sheets: readonly Sheet[];
}

type Recorded = Pick<JobRecord, 'station' | 'hold' | 'closedAt' | 'answers' | 'steps' | 'readings' | 'parts'>;

/** Whether the job's construction can still be corrected: nothing was recorded by its parts, steps and points. */
export function isConstructionOpen(record: Recorded): boolean {
  const isEarly = record.station === 'receive' || record.station === 'teardown';
  const isUntouched = !record.answers.length && !record.steps.length && !record.readings.length && !record.parts.length;
  return isEarly && !record.hold && !record.closedAt && isUntouched;
}

/** Whether the way in which the pump is built can still be said otherwise: until a quote is drawn up for it. */
export function isBuildOpen(record: Recorded & Pick<JobRecord, 'quotes'>): boolean {
  const isBefore = ['receive', 'teardown', 'clean', 'inspect', 'quote'].includes(record.station);
  return isBefore && !record.hold && !record.closedAt && !record.quotes.length;
}

/** Rebuild rounds: one more than the test runs that sent the pump back. */
export function rebuildRound(record: Pick<JobRecord, 'runs'>): number {
  return 1 + record.runs.filter((run) => run.decision === 'failed').length;
}

/** The last revision of the quote of the whole repair. */
export function currentQuote(record: Pick<JobRecord, 'quotes'>): Quote | null {
  return record.quotes
    .filter(({ kind }) => kind === 'quote')
    .reduce<Quote | null>((latest, quote) => (!latest || quote.revision > latest.revision ? quote : latest), null);
}

/** The supplements of a job, in their order. */
export function supplementsOf({ quotes }: Pick<JobRecord, 'quotes'>): readonly Quote[] {
  return quotes.filter(({ kind }) => kind === 'supplement').toSorted((one, other) => one.revision - other.revision);
}

/** Supplements that nobody has answered yet. */
export function openSupplements(record: Pick<JobRecord, 'quotes'>): readonly Quote[] {
  return supplementsOf(record).filter(({ state }) => state === 'draft' || state === 'sent');
}

/** The key of a place of measurement. @example placeKey({ plane: 'A', angle_deg: 90 }) // 'A:90' */
export function placeKey(place: { readonly plane: string; readonly angle_deg: number }): Place {
  return asId(`${place.plane}:${place.angle_deg}`);
}
