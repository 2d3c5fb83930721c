import { onlySheet, sheetsOf, type JobRecord, type SheetBody, type SheetKind, type SheetOf } from '../../record';
import { put, type Put } from '../change';
import { refuseChanged, type Given } from '../decision';

interface Filling<Kind extends SheetKind> {
  readonly kind: Kind;
  readonly key?: string;
  readonly basedOn: number;
  readonly body: SheetBody<Kind>;
}

/** The sheet of a kind and key as it stands; null for none. */
export function standingSheet<Kind extends SheetKind>(
  record: Pick<JobRecord, 'sheets'>,
  kind: Kind,
  key: string = onlySheet,
): SheetOf<Kind> | null {
  return sheetsOf(record, kind).find((sheet) => sheet.key === key) ?? null;
}

/**
 * A sheet as it is filled in now.
 * @throws DomainError where somebody else filled it in meanwhile
 */
export function fill<Kind extends SheetKind>(
  { record, who }: Pick<Given, 'record' | 'who'>,
  { kind, key = onlySheet, basedOn, body }: Filling<Kind>,
): Put {
  const theirs = standingSheet(record, kind, key);
  if ((theirs?.version ?? 0) !== basedOn) refuseChanged(theirs?.body ?? null, body);
  const sheet = { kind, key, version: basedOn + 1, body, ...who } as const;
  return put('sheet', sheet as never);
}
