import { sheetOf, type Intake, type JobRecord, type LiquidState, type Residue, type SheetOf } from '../record';

/** Words by which people say that they do not know. */
const unknown = /\b(unknown|unidentified|undeclared)\b|\bnot (yet )?(identified|known|named|declared|sure|clear)\b|\?/i;
const nothing = /^(\W*|tbd|tba|n\/?a|none|nothing|nobody knows|no idea|something|liquid|residue)$/i;

/**
 * Whether a text names a liquid: one that says that nobody knows names none.
 * @example namesLiquid('not identified') // false
 * @example namesLiquid('caustic soda, 20 %') // true
 */
export function namesLiquid(text: string): boolean {
  const words = text.trim();
  return !nothing.test(words) && !unknown.test(words);
}

/** Whether anybody can say what a pump handled; those from before this was asked had to name it. */
export function liquidStateOf({ liquidState }: Pick<Intake, 'liquidState'>): LiquidState {
  return liquidState ?? 'named';
}

/** The residue record of a pump; null where none was written. */
export function residueOf(record: Pick<JobRecord, 'sheets'>): SheetOf<'residue'> | null {
  return sheetOf(record, 'residue');
}

/**
 * Whether the pump stays shut: what is in it is not known, and no named person has allowed that it is opened. A residue
 * that is found later shuts it again.
 */
export function isShutByResidue(record: Pick<JobRecord, 'intake' | 'sheets'>): boolean {
  const residue = residueOf(record);
  if (!residue && liquidStateOf(record.intake) === 'named') return false;
  return !residue?.body.opening;
}

/** What must be known of a residue before the pump may be opened, in words; none where all is known. */
export function residueUnknowns({ result, methods, quarantine }: Residue): readonly string[] {
  return [
    ...(result ? [] : ['what the laboratory says it is']),
    ...(methods.length ? [] : ['by which methods it may be removed']),
    ...(quarantine ? [] : ['where the pump stands apart']),
  ];
}
