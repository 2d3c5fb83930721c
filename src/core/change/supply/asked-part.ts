import { findPart, type FamilyPart } from '../../family';
import { comesBefore } from '../../record';
import { needsOf, type Need } from '../../supply';
import { reason, refuse, requireStation, type Given } from '../decision';

/** The part that a command is about, of the pump as it is built. */
export function askedPart({ family }: Pick<Given, 'family'>, ref: string): FamilyPart {
  return findPart(family, ref) ?? refuse('bad-input', reason('unknown-part', { part: ref }), 'partRef');
}

/** Stations at which parts are seen to: before the answer things are prepared, after it they are had. */
export const supplyStations = ['inspect', 'quote', 'approve', 'parts', 'rebuild', 'test'] as const;

/**
 * The need for a part, once there is an answer; null before it, when it may still come to be needed.
 * @throws DomainError where the answer needs no such part
 */
export function neededPart(given: Given, part: FamilyPart): Need | null {
  const { record, family } = given;
  requireStation(record, ...supplyStations);
  if (comesBefore(record.station, 'parts')) return null;
  const need = needsOf(record, family).find(({ ref }) => ref === part.ref);
  return need ?? refuse('wrong-state', reason('not-needed', { part: part.name }), 'partRef');
}
