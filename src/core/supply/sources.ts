import { sheetsOf, type JobRecord, type SheetOf, type SupplySource } from '../record';

type Filled = Pick<JobRecord, 'sheets'>;

/** Where a person said that a part comes from; null where it comes as proposed. */
export function sourceOf(record: Filled, ref: string): SheetOf<'source'> | null {
  return sheetsOf(record, 'source').find(({ key }) => key === ref) ?? null;
}

/** The making of a part in the shop; null where none was begun. */
export function madeOf(record: Filled, ref: string): SheetOf<'made'> | null {
  return sheetsOf(record, 'made').find(({ key }) => key === ref) ?? null;
}

const sourceByAction: readonly (readonly [action: string, source: SupplySource])[] = [
  ['make:', 'made'],
  ['take from a donor:', 'donor'],
];

/**
 * The part of a scope item that is made or comes from a donor; null for items of other kinds.
 * @example proposedSource('make:front-cap') // { ref: 'front-cap', source: 'made' }
 */
export function proposedSource(itemKey: string): { readonly ref: string; readonly source: SupplySource } | null {
  const found = sourceByAction.find(([start]) => itemKey.startsWith(start));
  if (!found || itemKey.includes('/')) return null;
  return { ref: itemKey.slice(found[0].length), source: found[1] };
}

interface Away {
  readonly ref: string;
  readonly dueOn: string;
  readonly isSent: boolean;
}

/** Parts of work outside that is not taken back yet, each once. */
export function notBackFrom(record: Filled): readonly Away[] {
  const away = sheetsOf(record, 'outside').flatMap(({ body: { parts, dueOn, sent, back } }) =>
    back?.isTaken ? [] : parts.map((ref) => ({ ref, dueOn, isSent: sent !== null })),
  );
  return away.filter(({ ref }, i) => away.findIndex((one) => one.ref === ref) === i);
}
