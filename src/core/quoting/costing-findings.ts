import type { Finding } from '../record';

const free: readonly string[] = ['reuse as it is', 'clean'];

/** Findings whose disposition costs something, and so must stand on a line of the quote or be struck with a reason. */
export function costingFindings(findings: readonly Finding[]): readonly Finding[] {
  return findings.filter((finding) => finding.disposition && !free.includes(finding.disposition.action));
}
