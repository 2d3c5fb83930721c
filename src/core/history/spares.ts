import type { FamilyPart } from '../family';
import { numberKey } from '../supply';

/** What lies on the shelf of a number. */
export interface OnShelf {
  readonly number: string;
  readonly elastomer: string;
  readonly quantity: number;
  readonly bin: string;
}

/** A part of a pump that lies on our shelf. */
export interface Spare extends OnShelf {
  readonly name: string;
  /** How many of it the pump has. */
  readonly needs: number;
}

/**
 * The spares that the shelf holds for a pump, in the order of its parts: every part whose number lies there, with its
 * elastomer where it has one.
 */
export function sparesHeld(parts: readonly FamilyPart[], stock: readonly OnShelf[]): readonly Spare[] {
  return parts
    .filter(({ stays, converted }) => !stays && converted !== 'leaves')
    .flatMap(({ name, number, quantity: needs }) =>
      stock
        .filter((item) => item.quantity > 0 && numberKey(item.number) === numberKey(number))
        .map(({ elastomer, quantity, bin }) => ({ name, number, elastomer, quantity, bin, needs })),
    );
}
