/* eslint-disable max-lines -- the whole record of a job stands in one place */
import { asId } from './ids';
import type {
  FindingId,
  JobId,
  OrderId,
  OrderLineId,
  PersonId,
  PhotoId,
  Place,
  QuoteId,
  QuoteLineId,
  ReportId,
  Tag,
} from './ids';
import type {
  Action,
  ApprovalWay,
  CapturePhase,
  Cleaning,
  FindingKind,
  Holder,
  LineDecision,
  LineKind,
  Outcome,
  PartState,
  Phase,
  QuoteState,
  RunDecision,
  RunVerdict,
  Station,
  StepPhase,
} from './enumerations';

/**
 * The whole record of one job as plain data: what the database holds, with numbers as numbers and moments as ISO text.
 * Every topic of core reads this; only `server` fills it.
 */
export interface Signed {
  /** Null for a customer, and for a service. */
  readonly personId: PersonId | null;
  readonly personName: string;
  readonly at: string;
}

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
  readonly isolation: Signed | null;
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

export type StepData = Readonly<Record<string, string | number | boolean>>;

export interface StepDone extends Signed {
  readonly phase: StepPhase;
  readonly round: number;
  readonly stepId: string;
  readonly data: StepData;
  readonly second: Signed | null;
  readonly version: number;
}

export interface CaptureTaken extends Signed {
  readonly phase: CapturePhase;
  readonly captureId: string;
  readonly text: string;
  readonly valueMm: number | null;
  readonly typed: string;
  readonly photoId: PhotoId | null;
  readonly version: number;
}

export interface Reading extends Signed {
  readonly phase: Phase;
  readonly pointId: string;
  readonly place: Place;
  readonly valueMm: number;
  readonly typed: string;
  readonly typedUnit: string;
  readonly typedDigits: number;
  readonly instrument: string | null;
  readonly uncertaintyUm: number | null;
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
  readonly pointId: string | null;
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

export interface QuoteLine {
  readonly id: QuoteLineId;
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
}

export interface Quote {
  readonly id: QuoteId;
  readonly revision: number;
  readonly state: QuoteState;
  readonly currency: string;
  readonly taxPct: number;
  readonly validUntil: string;
  readonly sentAt: string | null;
  readonly text: string | null;
  readonly fingerprint: string | null;
  readonly version: number;
  readonly lines: readonly QuoteLine[];
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
  readonly lines: readonly OrderLine[];
}

/** Pieces counted on receiving, for one line of an order. */
export interface Receipt extends Signed {
  readonly id: string;
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
  readonly vibrationMmS: number;
  readonly bearingC: number;
}

export interface TestRun extends Signed {
  readonly id: string;
  readonly run: number;
  readonly guarantee: Duty;
  readonly grade: string;
  readonly verdict: RunVerdict;
  readonly points: readonly StandReading[];
  readonly decision: RunDecision | null;
  readonly decisionReason: string | null;
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
}

export interface EarlierVisit {
  readonly tag: Tag;
  readonly openedAt: string;
  readonly outcome: Outcome;
  readonly reportNumber: string | null;
}

/**
 * What a record has that is not the job's own rows: its place in the chain of events, and other jobs of the same pump.
 */
export interface RecordFrame {
  readonly version: number;
  readonly headHash: string;
  readonly earlierVisits: readonly EarlierVisit[];
}

export interface JobRecord extends JobHead, RecordFrame {
  readonly intake: Intake;
  readonly acknowledgements: readonly Acknowledgement[];
  readonly parts: readonly PartAccount[];
  readonly steps: readonly StepDone[];
  readonly captures: readonly CaptureTaken[];
  readonly readings: readonly Reading[];
  readonly findings: readonly Finding[];
  readonly quotes: readonly Quote[];
  readonly links: readonly CustomerLink[];
  readonly approvals: readonly Approval[];
  readonly orders: readonly PurchaseOrder[];
  readonly receipts: readonly Receipt[];
  readonly runs: readonly TestRun[];
  readonly reports: readonly IssuedReport[];
  readonly photos: readonly PhotoTaken[];
  readonly returned: ReturnRecord | null;
}

type Recorded = Pick<JobRecord, 'station' | 'hold' | 'closedAt' | 'captures' | 'steps' | 'readings' | 'parts'>;

/** Whether the job's construction can still be corrected: nothing was recorded by its parts, steps and points. */
export function isConstructionOpen(record: Recorded): boolean {
  const isEarly = record.station === 'receive' || record.station === 'teardown';
  const isUntouched =
    !record.captures.length && !record.steps.length && !record.readings.length && !record.parts.length;
  return isEarly && !record.hold && !record.closedAt && isUntouched;
}

/** Rebuild rounds: one more than the test runs that sent the pump back. */
export function rebuildRound(record: Pick<JobRecord, 'runs'>): number {
  return 1 + record.runs.filter((run) => run.decision === 'failed').length;
}

export function currentQuote(record: Pick<JobRecord, 'quotes'>): Quote | null {
  return record.quotes.reduce<Quote | null>(
    (latest, quote) => (!latest || quote.revision > latest.revision ? quote : latest),
    null,
  );
}

/** The key of a place of measurement. @example placeKey({ plane: 'A', angle_deg: 90 }) // 'A:90' */
export function placeKey(place: { readonly plane: string; readonly angle_deg: number }): Place {
  return asId(`${place.plane}:${place.angle_deg}`);
}
