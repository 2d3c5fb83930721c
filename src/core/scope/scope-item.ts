import type { FindingId, OptionLevel, ScopeAction, ScopeSource, WorkCentre } from '../record';

/** Work that an item takes: a task of the family, or a standard one where the family has none. */
export interface ScopeWork {
  readonly title: string;
  readonly workCentre: WorkCentre;
  readonly minutes: number;
}

/** Why an item is proposed where no finding says so. */
export type ScopePolicy =
  | 'always new'
  | 'came broken'
  | 'came missing'
  | 'given away'
  | 'conversion'
  | 'as new'
  | 'every repair'
  | 'kept by condition';

/**
 * What will be done to which parts of a unit: proposed by findings and policies, offered by a quote, decided by an
 * answer, supplied, done by steps of the rebuild, and listed by the report. It is reckoned from the record and never
 * typed: its key is the same for as long as the same thing is done to the same part.
 */
export interface ScopeItem {
  /** Action and what it is done to, such as `replace:front-ring`. */
  readonly key: string;
  readonly action: ScopeAction;
  readonly title: string;
  /** The part that it is about; null for work on the whole unit. */
  readonly partRef: string | null;
  /** Parts that it uses up. */
  readonly parts: readonly { readonly ref: string; readonly qty: number }[];
  readonly findingIds: readonly FindingId[];
  readonly policy: ScopePolicy | null;
  /** Words of who decided it, such as why a part is kept. */
  readonly reason: string;
  readonly source: ScopeSource;
  readonly work: readonly ScopeWork[];
  /** In which options it stands. */
  readonly levels: readonly OptionLevel[];
  /** What happens to the part in the others: “stays worn”. */
  readonly instead: string;
  /** Without it the pump may fail in service. */
  readonly critical: boolean;
  /** Steps of the rebuild that need it. */
  readonly stepIds: readonly string[];
}

/** What an item is done to, by its key. @example partOfKey('replace:front-ring') // 'front-ring' */
export const partOfKey = (key: string) => key.slice(key.indexOf(':') + 1);
