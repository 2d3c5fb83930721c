import type { PartPicture, Phase, PumpCondition } from '@/core/record';

/**
 * What the product asks of the devices and services around it. A real one and its stand-in meet the same contract and
 * pass the same contract test. None of them keeps state of the product; each may fail, and then throws DeviceError.
 */
export class DeviceError extends Error {
  constructor(
    readonly device: string,
    message: string,
  ) {
    super(message);
    this.name = 'DeviceError';
  }
}

/** A gauge that types its reading, as a wedge or over a radio. A real one ignores what it is asked for. */
export interface Gauge {
  takeReading(ask: GaugeAsk): Promise<{ readonly typed: string; readonly unit: string }>;
}
export interface GaugeAsk {
  readonly job: string;
  readonly phase: Phase;
  readonly point: string;
  readonly place: string;
  readonly digits: number;
  readonly unit: string;
  /** Within which the part is as new, and within which it may go on; in the unit, either end may be open. */
  readonly asNew: { readonly min?: number | undefined; readonly max?: number | undefined };
  readonly reuse: { readonly min?: number | undefined; readonly max?: number | undefined };
}

/** What lies before the camera, as it is drawn: closed outlines in drawing millimetres, y downwards. */
export interface Seen {
  readonly outlines: readonly {
    readonly material: string;
    readonly corners: readonly (readonly [x: number, y: number])[];
    readonly edges: readonly (readonly [x: number, above: number, below: number])[];
  }[];
  readonly box: readonly [x: number, y: number, width: number, height: number];
}

/** A camera at the bench: one picture as an encoded image. A real one ignores what it is told to see. */
export interface Camera {
  takePicture(ask: {
    readonly seed: string;
    readonly subject: PartPicture;
    readonly label: string;
    /** Its outlines, where the construction draws it. */
    readonly seen?: Seen | null;
  }): Promise<{ readonly bytes: Buffer; readonly mime: 'image/jpeg' | 'image/png' }>;
}

/** What the supplier acknowledged of one line. */
export interface LineAcknowledged {
  readonly lineId: string;
  readonly dueOn: string;
  /** The price of one that counts, where it is another than was ordered at. */
  readonly priceMinor?: number;
}

/** What stands on the pieces of a parcel, as a scanner reads it off the bag. */
export interface Marked {
  readonly number: string;
  readonly elastomer: string;
  /** In which of its ways of being made it is, where its number has several. */
  readonly variant: string;
  readonly lot: string;
}

/** A scanner at the receiving bench: what stands on the bag that is held before it. A real one ignores what lies there. */
export interface Scanner {
  readBag(ask: { readonly order: string; readonly lying: readonly Marked[] }): Promise<Marked>;
}

/**
 * A supplier's order desk: acknowledges an order with a date, says what each parcel holds, and answers when it is asked
 * to be sooner or to strike something off. An order's number is its key: an order that comes twice, after a line that
 * failed, is one order and gets the first acknowledgement again.
 */
export interface Supplier {
  /** `dueOn` is the day of the last line; lines that come before it, or at another price, are named. */
  acknowledge(order: SupplierOrder): Promise<{
    readonly reference: string;
    readonly dueOn: string;
    readonly lines?: readonly LineAcknowledged[];
  }>;
  /** What has left the supplier by a day, line by line, in addition to what was sent before. */
  parcelBy(
    order: SupplierOrder & { readonly sentBefore: Readonly<Record<string, number>> },
    day: string,
  ): Promise<{
    readonly lines: readonly { readonly lineId: string; readonly quantity: number; readonly marked?: Marked }[];
    readonly restOn: string | null;
  }>;
  /** Asks for an earlier day; the answer is the day that counts, and what it costs more. */
  expedite(
    order: SupplierOrder & { readonly dueOn: string },
    wantedOn: string,
  ): Promise<{ readonly dueOn: string; readonly surchargeMinor: number; readonly words: string }>;
  /** Asks to strike off what has not left; the answer is what was struck off, by line. */
  cancel(
    order: SupplierOrder & { readonly dueOn: string },
    lines: readonly { readonly lineId: string; readonly quantity: number }[],
    today: string,
  ): Promise<{
    readonly lines: readonly { readonly lineId: string; readonly quantity: number }[];
    readonly words: string;
  }>;
  /** Asks for more of lines that are on the order; what is taken on comes by the day that is answered. */
  add(
    order: SupplierOrder & { readonly dueOn: string },
    lines: readonly { readonly lineId: string; readonly quantity: number }[],
    today: string,
  ): Promise<{
    readonly lines: readonly { readonly lineId: string; readonly quantity: number }[];
    readonly dueOn: string;
    readonly words: string;
  }>;
}
export interface SupplierOrder {
  readonly number: string;
  /** Who is asked; a stand-in of one supplier may ignore it. */
  readonly supplier: string;
  readonly placedOn: string;
  readonly lines: readonly {
    readonly lineId: string;
    readonly partNumber: string;
    readonly elastomer: string;
    /** In which of its ways of being made it is wanted, where its number has several. */
    readonly variant?: string;
    readonly quantity: number;
    readonly leadDays: number;
    /** Of the offer that it is a piece of, minor units; null where the supplier has to say it. */
    readonly priceMinor: number | null;
  }[];
}

/** One outgoing mail. */
export interface Letter {
  /** Known before the first try, so that a mail that is sent again after a failure is the same mail. */
  readonly id: string;
  /** The job that it is about; null for what is of the whole shop, such as an order for its shelf. */
  readonly jobId: string | null;
  readonly sentAt: Date;
  readonly to: string;
  readonly subject: string;
  readonly body: string;
  readonly attachment?: { readonly name: string; readonly bytes: Buffer };
}

/** Outgoing mail. */
export interface Mail {
  send(letter: Letter): Promise<void>;
}

/** A test stand that runs a pump through a plan of flows and reads its gauges at each. */
export interface TestStand {
  run(ask: StandAsk): Promise<readonly StandGauges[]>;
}
export interface StandAsk {
  readonly seed: string;
  readonly rated: {
    readonly flowM3h: number;
    readonly headM: number;
    readonly speedRpm: number;
    readonly efficiencyPct: number;
  };
  readonly pipeMm: { readonly suction: number; readonly discharge: number };
  readonly flowShares: readonly number[];
  /** For a positive-displacement pump: flow at shares of the duty's pressure instead of a curve. */
  readonly slip?: { readonly displacementCm3: number; readonly pressureShares: readonly number[] };
  /** Only a simulated stand heeds it: which pump it pretends to run. */
  readonly condition: PumpCondition;
}
export interface StandGauges {
  readonly flowM3h: number;
  readonly suctionKpa: number;
  readonly dischargeKpa: number;
  readonly speedRpm: number;
  readonly powerInKw: number;
  readonly motorEfficiencyPct: number;
  readonly densityKgM3: number;
  /** Of its liquid at the temperature of the test, where the stand knows it. */
  readonly viscosityMm2S?: number;
  readonly vibrationMmS: number;
  readonly bearingC: number;
}

/** Everything around the product. A module with real ones is named by PUDDLESTONE_DEVICES; see the README. */
export interface StandIns {
  readonly gauge: Gauge;
  readonly camera: Camera;
  readonly scanner: Scanner;
  readonly supplier: Supplier;
  readonly mail: Mail;
  readonly testStand: TestStand;
}
