import type { InstrumentKind, MeasuringUnit } from './enumerations';

/** A tool with an identity: what it measures or bears, how surely, and until when. Figures are in its unit. */
export interface Tool {
  readonly code: string;
  readonly kind: InstrumentKind;
  readonly unit: MeasuringUnit;
  /** Null for what measures nothing. */
  readonly uncertainty: number | null;
  readonly rangeLow: number | null;
  readonly rangeHigh: number | null;
  /** The last day on which it may be used, ISO. */
  readonly dueOn: string;
}
