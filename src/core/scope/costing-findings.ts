import { partsOn, type Family } from '../family';
import type { Finding } from '../record';

const free: readonly string[] = ['reuse as it is', 'clean'];

/**
 * Findings on parts about which something is still to be decided: not on what leaves by a conversion, nor on what the
 * pump has not got in the way it was found to be built.
 */
export function findingsThatStay(findings: readonly Finding[], { parts }: Pick<Family, 'parts'>): readonly Finding[] {
  const stays = new Set(partsOn(parts, 'goes back').map(({ ref }) => ref));
  return findings.filter(({ partRef }) => stays.has(partRef));
}

/** Findings whose disposition costs something, and so must stand on a line of the quote or be struck with a reason. */
export function costingFindings(findings: readonly Finding[], family: Pick<Family, 'parts'>): readonly Finding[] {
  return findingsThatStay(findings, family).filter(
    ({ disposition }) => disposition && !free.includes(disposition.action),
  );
}
