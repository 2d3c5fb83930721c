import { remembered } from '../remembered';
import type * as z from 'zod';
import type { Signed } from './signed';
import type { sheetBodies } from './sheet-bodies';

export type SheetKind = keyof typeof sheetBodies;
export type SheetBody<Kind extends SheetKind> = z.output<(typeof sheetBodies)[Kind]>;

export interface SheetOf<Kind extends SheetKind> extends Signed {
  readonly kind: Kind;
  /** What tells it from the others of its kind in the same job. */
  readonly key: string;
  readonly version: number;
  readonly body: SheetBody<Kind>;
}
/** What a person fills in as a whole about a job: one kind a question, one row a sheet. */
export type Sheet = { readonly [Kind in SheetKind]: SheetOf<Kind> }[SheetKind];

export type Residue = SheetBody<'residue'>;
export type Begun = SheetBody<'begun'>;
export type Evaluation = SheetBody<'evaluation'>;
export type CleaningRun = SheetBody<'cleaning'>;
export type PolicyChosen = SheetBody<'policy'>;
export type WarrantyJudgement = SheetBody<'warranty'>;
export type Fate = SheetBody<'fate'>;
export type Packing = SheetBody<'packing'>;
export type SourceChosen = SheetBody<'source'>;
export type MadePart = SheetBody<'made'>;
export type Claim = SheetBody<'claim'>;
export type OutsideJob = SheetBody<'outside'>;

interface Filled {
  readonly sheets: readonly Sheet[];
}

const none: readonly Sheet[] = [];
const byKind = remembered((sheets: readonly Sheet[]): ReadonlyMap<SheetKind, readonly Sheet[]> => {
  const found = new Map<SheetKind, Sheet[]>();
  for (const sheet of sheets) found.set(sheet.kind, [...(found.get(sheet.kind) ?? []), sheet]);
  return found;
});

/** The sheets of one kind in a job, in their order. */
export function sheetsOf<Kind extends SheetKind>({ sheets }: Filled, kind: Kind): readonly SheetOf<Kind>[] {
  return (byKind(sheets).get(kind) ?? none) as never;
}

/** The last sheet of a kind; null where there is none. */
export function sheetOf<Kind extends SheetKind>(record: Filled, kind: Kind): SheetOf<Kind> | null {
  return sheetsOf(record, kind).at(-1) ?? null;
}

/** Key of the one sheet of a kind of which a job has one at most. */
export const onlySheet = 'one';
