import { elastomerOf, type FamilyPart } from '../../family';
import { judgeNumber } from '../../supply';
import { reason, refuse, type Given } from '../decision';

/** What stands on a piece that comes in, and what it is made of; empty where nothing is said. */
interface Piece {
  readonly number: string;
  readonly elastomer: string;
}

/** At which field a refusal is shown, and the numbers that interchange with the part's by the catalogue. */
interface Asked {
  readonly pathOf: (field: keyof Piece) => string;
  readonly crossing: readonly string[];
}

/**
 * Looks at a piece beside the part that it comes in for, wherever it comes from.
 * @returns whether its number is another than the list's and has to be accepted by name
 * @throws DomainError for the number of another part, and for another elastomer than the pump needs
 */
export function checkPiece(
  { family, record }: Pick<Given, 'family' | 'record'>,
  part: FamilyPart,
  { piece, pathOf, crossing }: Asked & { readonly piece: Piece },
): boolean {
  const wanted = elastomerOf(part, record.intake.elastomer);
  if (wanted && piece.elastomer && piece.elastomer.toUpperCase() !== wanted.toUpperCase())
    refuse(
      'bad-input',
      reason('wrong-elastomer', { part: part.name, found: piece.elastomer, wanted }),
      pathOf('elastomer'),
    );
  if (!piece.number) return false;
  const { verdict, whose } = judgeNumber(piece.number, part, { ...family, crossing });
  if (verdict !== 'another part') return verdict !== 'as listed';
  const about = { part: part.name, found: piece.number, whose: whose?.name.toLowerCase() ?? '' };
  return refuse('bad-input', reason('wrong-number', about), pathOf('number'));
}
