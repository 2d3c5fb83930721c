/**
 * The whole record of one job as plain data: what the database holds, with numbers as numbers and moments as ISO text.
 * Every topic of core reads this; only `server` fills it.
 */
export const stations = [
  'receive',
  'teardown',
  'clean',
  'inspect',
  'quote',
  'approve',
  'parts',
  'rebuild',
  'test',
  'report',
  'return',
] as const;
export type Station = (typeof stations)[number];

export const stationNames: Readonly<Record<Station, string>> = {
  receive: 'Receive',
  teardown: 'Teardown',
  clean: 'Clean',
  inspect: 'Inspect',
  quote: 'Quote',
  approve: 'Approve',
  parts: 'Parts',
  rebuild: 'Rebuild',
  test: 'Test',
  report: 'Report',
  return: 'Return',
};

export const holders = ['U', 'B', 'S', 'C', 'P', 'O'] as const;
export type Holder = (typeof holders)[number];
export const holderNames: Readonly<Record<Holder, string>> = {
  U: 'us',
  B: 'bench',
  S: 'stand',
  C: 'customer',
  P: 'supplier',
  O: 'outside shop',
};

export const roles = ['coordinator', 'technician', 'inspector', 'parts', 'owner'] as const;
export type Role = (typeof roles)[number];

export interface Signed {
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
  readonly powerKw?: number;
  readonly efficiencyPct?: number;
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
  readonly cleaning: 'none' | 'declaration' | 'sheet';
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

export const partStates = ['present', 'missing', 'broken', 'not fitted'] as const;
export type PartState = (typeof partStates)[number];

export interface PartAccount extends Signed {
  readonly ref: string;
  readonly state: PartState;
  readonly note: string;
  readonly version: number;
}

export type Phase = 'as-found' | 'as-left';
export type StepPhase = 'teardown' | 'clean' | 'rebuild' | 'test';

export interface StepDone extends Signed {
  readonly phase: StepPhase;
  readonly round: number;
  readonly stepId: string;
  readonly personId: string | null;
  readonly data: Readonly<Record<string, string | number | boolean>>;
  readonly second: Signed | null;
}

export interface CaptureTaken extends Signed {
  readonly phase: 'teardown' | 'rebuild';
  readonly captureId: string;
  readonly text: string;
  readonly valueMm: number | null;
  readonly typed: string;
  readonly photoId: string | null;
  readonly version: number;
}

export interface Reading extends Signed {
  readonly phase: Phase;
  readonly pointId: string;
  /** plane and angle joined by a colon. */
  readonly place: string;
  readonly valueMm: number;
  readonly typed: string;
  readonly typedUnit: string;
  readonly typedDigits: number;
  readonly instrument: string | null;
  readonly uncertaintyUm: number | null;
  readonly version: number;
}

export const actions = [
  'reuse as it is',
  'clean',
  'rework',
  'replace',
  'make in the shop',
  'take from a donor',
] as const;
export type Action = (typeof actions)[number];

export interface Disposition extends Signed {
  readonly action: Action;
  readonly reason: string;
}

export interface Finding extends Signed {
  readonly id: string;
  readonly kind: 'point' | 'visual';
  /** What it was found at: the pump as it came, or as it leaves. A verdict overruled as found says nothing of the pump as left. */
  readonly phase: Phase;
  readonly pointId: string | null;
  readonly partRef: string;
  readonly words: string;
  readonly plain: string;
  readonly proposed: string | null;
  readonly verdict: string | null;
  readonly overruledReason: string | null;
  readonly waivedReason: string | null;
  readonly photoId: string | null;
  readonly version: number;
  readonly disposition: Disposition | null;
}

export interface QuoteLine {
  readonly id: string;
  readonly kind: 'part' | 'labour' | 'machining' | 'outside' | 'test' | 'freight';
  readonly description: string;
  readonly plain: string;
  readonly quantity: number;
  readonly unit: string;
  readonly unitPriceMinor: number;
  readonly findingIds: readonly string[];
  readonly parts: readonly { readonly ref: string; readonly qty: number }[];
  readonly declinable: boolean;
  readonly struckReason: string | null;
}

export interface Quote {
  readonly id: string;
  readonly revision: number;
  readonly state: 'draft' | 'sent' | 'answered' | 'superseded';
  readonly currency: string;
  readonly taxPct: number;
  readonly validUntil: string;
  readonly sentAt: string | null;
  readonly text: string | null;
  readonly fingerprint: string | null;
  readonly version: number;
  readonly lines: readonly QuoteLine[];
}

export interface Approval extends Signed {
  readonly id: string;
  readonly quoteId: string;
  readonly way: 'link' | 'telephone' | 'purchase order';
  readonly name: string;
  readonly reference: string;
  readonly decisions: Readonly<Record<string, 'approved' | 'declined'>>;
  readonly signature: string;
  readonly text: string;
  readonly fingerprint: string;
}

export interface OrderLine {
  readonly id: string;
  readonly partRef: string;
  readonly number: string;
  readonly quantity: number;
  readonly sent: number;
  readonly received: number;
}

export interface PurchaseOrder extends Signed {
  readonly id: string;
  readonly number: string;
  readonly supplier: string;
  readonly acknowledgement: string | null;
  readonly dueOn: string | null;
  readonly lines: readonly OrderLine[];
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
  readonly verdict: 'pass' | 'fail';
  readonly points: readonly StandReading[];
  readonly decision: 'passed' | 'failed' | 'concession' | null;
  readonly decisionReason: string | null;
  readonly decisionBy: string | null;
}

export interface IssuedReport extends Signed {
  readonly id: string;
  readonly number: string;
  readonly revision: string;
  readonly whatChanged: string;
  readonly fingerprint: string;
}

export interface PhotoTaken extends Signed {
  readonly id: string;
  readonly about: string;
  readonly caption: string;
  readonly width: number;
  readonly height: number;
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

export interface JobRecord {
  readonly id: string;
  readonly tag: string;
  readonly station: Station;
  readonly holder: Holder;
  readonly holderSince: string;
  readonly hold: Hold | null;
  readonly outcome: 'open' | 'repaired' | 'declined';
  readonly promisedOn: string;
  readonly openedAt: string;
  readonly closedAt: string | null;
  readonly version: number;
  readonly headHash: string;
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
  readonly contact: { readonly name: string; readonly email: string; readonly phone: string } | null;
  readonly earlierVisits: readonly {
    readonly tag: string;
    readonly openedAt: string;
    readonly outcome: string;
    readonly reportNumber: string | null;
  }[];
  readonly intake: Intake;
  readonly acknowledgements: readonly (Signed & { readonly caution: string })[];
  readonly parts: readonly PartAccount[];
  readonly steps: readonly StepDone[];
  readonly captures: readonly CaptureTaken[];
  readonly readings: readonly Reading[];
  readonly findings: readonly Finding[];
  readonly quotes: readonly Quote[];
  readonly approvals: readonly Approval[];
  readonly orders: readonly PurchaseOrder[];
  readonly runs: readonly TestRun[];
  readonly reports: readonly IssuedReport[];
  readonly photos: readonly PhotoTaken[];
  readonly returned: ReturnRecord | null;
}

/** Whether the job's construction can still be corrected: nothing was recorded by its parts, steps and points. */
export function isConstructionOpen(
  record: Pick<JobRecord, 'station' | 'hold' | 'closedAt' | 'captures' | 'steps' | 'readings' | 'parts'>,
): boolean {
  const isEarly = record.station === 'receive' || record.station === 'teardown';
  return (
    isEarly &&
    !record.hold &&
    !record.closedAt &&
    !record.captures.length &&
    !record.steps.length &&
    !record.readings.length &&
    !record.parts.length
  );
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
export function placeKey(place: { readonly plane: string; readonly angle_deg: number }): string {
  return `${place.plane}:${place.angle_deg}`;
}
